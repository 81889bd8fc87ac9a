import { isShape } from "../api/frames";
import type { CollapseFinding, Finding, LimitFinding, ModelView, ResultFrame, StagesFinding, StrengthFinding, StudyState } from "../api/types";
import { scaleOf, type Ends } from "./scale";

/** Fields of which the least tells. */
const LEAST = ["life_power", "fatigue_safety"];

export type Extremes = { min: number; max: number; dimension: string };

/** The limit in force for a field: the tightest of those that read it. */
export function limitOf(study: StudyState, field: string): LimitFinding | null {
  const limits = (study.findings?.findings ?? []).filter((f): f is LimitFinding => f.kind === "limit" && f.quantity === field);
  return limits.sort((a, b) => a.allowed - b.allowed)[0] ?? null;
}

/** Ten percent of the part, unless the user says otherwise. */
function proposedExaggeration(size: number, greatest: number, shape: boolean): number {
  if (greatest <= 0) return 1;
  // A shape may be any size: a twelfth of the part shows it.
  if (shape) return Number((size / 12 / greatest).toPrecision(2));
  const wanted = (size * 0.06) / greatest;
  const step = 10 ** Math.floor(Math.log10(wanted));
  return Math.max(Math.floor(wanted / step) * step, 1);
}

/** Names of bodies that are not there in a frame, one a line. */
export function absentIn(findings: Finding[], frame: number): string {
  const told = findings.find((f): f is StagesFinding | StrengthFinding => f.kind === "stages" || f.kind === "strength");
  if (!told) return "";
  return (told.kind === "stages" ? (told.absent?.[frame] ?? []) : told.absent).join("\n");
}

/** How a field of a study is drawn: its scale and limit, and by how much what moves is drawn larger. */
export function lookOf(view: ModelView, study: StudyState, field: string, frame: number, extremes: Extremes, ends: { [K in keyof Ends]: number | null }, exaggeration: number | null) {
  const frames = study.findings?.summary.frames ?? [];
  const limit = limitOf(study, field);
  const leastTells = LEAST.includes(field);
  const scale = scaleOf(extremes, leastTells && ends.low === null && ends.high === null ? { low: extremes.min, high: extremes.max } : ends, limit?.allowed ?? null);
  const shape = isShape(frames[frame]);
  const findings = study.findings?.findings ?? [];
  const weakened = findings.some((f) => f.kind === "strength");
  const grows = frames[0]?.kind === "increment";
  const greatest = Math.max(0, ...frames.filter((f: ResultFrame) => f.kind !== "envelope").map((f) => f.peaks.displacement.value));
  const factor = exaggeration ?? (grows && !weakened ? 1 : proposedExaggeration(view.shape.size ?? 1, greatest, shape));
  return {
    limit,
    leastTells,
    scale,
    factor,
    weakened,
    grows,
    shape,
    // A shape has no size: its largest movement is one.
    kind: shape ? "ratio" : extremes.dimension,
    peak: leastTells || Math.abs(extremes.min) > Math.abs(extremes.max) ? extremes.min : extremes.max,
    collapse: findings.find((f): f is CollapseFinding => f.kind === "collapse"),
  };
}
