import type { ModelView, Of } from "../api/types";
import type { Shown } from "../ui/units";
import { fresh, lastRead, typed } from "../note/template";
import { useDesk } from "../workspace/desk";
import { boxOfModel, shareAt } from "./boxes";
import type { Eye } from "./eye";
import { placed, shownOf } from "./useShownField";

type View = Of<"view">;

const spotOf = (view: ModelView, at: readonly number[]) => ({ x: typed(view, at[0] ?? 0, 7), y: typed(view, at[1] ?? 0, 7), z: typed(view, at[2] ?? 0, 7) });

/** What the window shows now, as a statement of this name keeps it. */
export function viewNow(view: ModelView, shown: Pick<Shown, "number" | "unit">, name: string): Omit<View, "id"> {
  const desk = useDesk.getState();
  const study = view.studies.find((s) => s.name === desk.study) ?? view.studies[0] ?? null;
  const { field, fields, frame, frames } = shownOf(study, desk);
  const kind = fields.find((f) => f.name === field)?.dimension ?? "ratio";
  const eye = desk.eyeNow?.() ?? null;
  const clip = placed(view, desk.clip);
  const end = (si: number | null) => (si === null ? undefined : `${Number(shown.number(si, kind).toPrecision(6))} ${shown.unit(kind)}`.trim());
  const draft: Omit<View, "id"> & Record<string, unknown> = {
    kind: "view",
    name,
    study: study?.name ?? "",
    field,
    frame: frames.length > 1 ? frames[frame]?.name : undefined,
    layer: desk.layer ?? undefined,
    how: desk.how === "averaged" ? undefined : desk.how,
    around: desk.around ? { axis: desk.around.axis, through: spotOf(view, desk.around.through) } : undefined,
    cut: clip ? { axis: clip.axis, at: typed(view, clip.at, 7), ...(clip.turned ? { turned: true } : {}) } : undefined,
    banded: desk.banded || undefined,
    at_rest: desk.ghost || undefined,
    hidden: desk.hidden.length > 0 ? desk.hidden : undefined,
    exaggeration: desk.exaggeration ?? undefined,
    low: end(desk.ends.low),
    high: end(desk.ends.high),
    camera: eye ? { from: eye.from.map((v) => Number(v.toFixed(5))) as Eye["from"], at: spotOf(view, eye.at), height: typed(view, eye.height, 5) } : undefined,
  };
  return Object.fromEntries(Object.entries(draft).filter(([, v]) => v !== undefined)) as Omit<View, "id">;
}

/** A first view of a study. */
export const firstView = (view: ModelView): Omit<View, "id"> => {
  const desk = useDesk.getState();
  const study = view.studies.find((s) => s.name === desk.study)?.name;
  return { kind: "view", name: fresh(view, "View"), study: study ?? lastRead(view), field: desk.field };
};

/** Brings the window to what a statement keeps. */
export function showView(view: ModelView, statement: View): void {
  const saved = view.views[statement.id];
  const study = view.studies.find((s) => s.name === statement.study);
  useDesk.getState().set({
    look: "results",
    study: statement.study,
    field: statement.field,
    frame: Math.max(study?.findings?.summary.frames.findIndex((f) => f.name === statement.frame) ?? 0, 0),
    layer: statement.layer ?? null,
    how: statement.how ?? "averaged",
    around: saved?.around ?? null,
    clip: saved?.cut ? { ...saved.cut, at: shareAt(boxOfModel(view), saved.cut.axis, saved.cut.at) } : null,
    banded: statement.banded ?? false,
    ghost: statement.at_rest ?? false,
    hidden: statement.hidden ?? [],
    exaggeration: statement.exaggeration ?? null,
    ends: { low: saved?.low ?? null, high: saved?.high ?? null },
    animated: false,
    apart: 0,
    eye: saved?.camera ?? null,
  });
}
