import type { BucklingFinding, ModeRow, ModesFinding, SweepFinding } from "../api/types";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { useToldStudy } from "./useFrame";

const AXES = ["x", "y", "z"] as const;

type Surveyed = SweepFinding["modes"][number];

/** Natural frequencies with what each moves, or factors of buckling. */
export function ModesTable() {
  const { view, shown } = useNote();
  const { study } = useToldStudy();
  const { set } = useDesk();
  const has = (kind: string) => view.studies.filter((s) => s.findings?.findings.some((f) => f.kind === kind));
  const all = [...has("modes"), ...has("buckling"), ...has("sweep")];
  const state = all.find((s) => s.name === study) ?? all[0];
  const modes = state?.findings?.findings.find((f): f is ModesFinding => f.kind === "modes");
  const shapes = state?.findings?.findings.find((f): f is BucklingFinding => f.kind === "buckling");
  const sweep = state?.findings?.findings.find((f): f is SweepFinding => f.kind === "sweep");
  const stale = state?.state === "stale";
  const choose = (frame: number) => state && set({ study: state.name, look: "results", frame, ends: { low: null, high: null } });
  if (modes) {
    const columns: Column<ModeRow>[] = [
      { key: "number", words: "mode", kind: "count", value: (r) => r.number },
      { key: "frequency", words: "frequency", kind: "frequency", value: (r) => r.frequency, alarm: (r) => r.inside },
      { key: "period", words: "period", kind: "time", value: (r) => r.period ?? "–" },
      { key: "words", words: "it", kind: "text", value: (r) => r.words },
      ...AXES.map((axis, k): Column<ModeRow> => ({ key: axis, words: `mass ${axis}`, kind: "share", value: (r) => r.shares[k] ?? 0, least: 5e-4 })),
      ...AXES.map((axis, k): Column<ModeRow> => ({ key: `sum ${axis}`, words: `sum ${axis}`, kind: "share", value: (r) => r.sums[k] ?? 0, least: 5e-4 })),
    ];
    return (
      <DataTable label="Modes" columns={columns} rows={modes.rows} keyOf={(r) => String(r.number)} stale={stale} onRow={(r) => choose(r.number - 1)} note={`Shares of all mass that can move: ${AXES.map((axis, k) => `${shown.text(modes.mass[k] ?? 0, "mass")} along ${axis}`).join(", ")}.`} />
    );
  }
  if (shapes) {
    const columns: Column<BucklingFinding["rows"][number]>[] = [
      { key: "number", words: "shape", kind: "count", value: (r) => r.number },
      { key: "factor", words: "factor", kind: "text", value: (r) => r.factor, draw: (r) => digits(r.factor) },
      ...shapes.loads.map((load): Column<BucklingFinding["rows"][number]> => ({ key: load.label, words: load.label, kind: load.dimension, value: (r) => load.size * r.factor })),
      { key: "words", words: "it", kind: "text", value: (r) => r.words },
    ];
    return <DataTable label="Buckling shapes" columns={columns} rows={shapes.rows} keyOf={(r) => String(r.number)} stale={stale} onRow={(r) => choose(r.number - 1)} />;
  }
  if (sweep) {
    const frames = state?.findings?.summary.frames ?? [];
    const nearest = (f: number) => frames.reduce((best, frame, i) => (frame.kind === "frequency" && Math.abs((frame.value ?? 0) - f) < Math.abs((frames[best]?.value ?? 0) - f) ? i : best), 0);
    const columns: Column<Surveyed>[] = [
      { key: "number", words: "mode", kind: "count", value: (r) => r.number },
      { key: "frequency", words: "frequency", kind: "frequency", value: (r) => r.frequency },
      { key: "damping", words: "damping", kind: "text", value: (r) => r.damping, draw: (r) => `${digits(r.damping * 100)} %` },
      { key: "answer", words: "share of the give at rest", kind: "share", value: (r) => r.answer ?? 0, least: 5e-4 },
      { key: "inside", words: "in the sweep", kind: "text", value: (r) => (r.frequency >= sweep.from && r.frequency <= sweep.to ? "yes" : "") },
    ];
    return <DataTable label="Modes of the sweep" columns={columns} rows={sweep.modes} keyOf={(r) => String(r.number)} stale={stale} onRow={(r) => choose(nearest(r.frequency))} note="What can answer along the load: the share of each mode in how far the load goes where it rests." />;
  }
  return <p className="text-faint">The shapes stand here once a vibration or buckling study is solved.</p>;
}
