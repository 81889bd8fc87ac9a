import { useMemo } from "react";
import { PLAIN, useField, type Axis, type Reading } from "../api/results";
import type { ModelView, StudyState } from "../api/types";
import { useDesk } from "../workspace/desk";
import { boxOfModel, lengthAt } from "./boxes";
import type { Clip } from "./fieldMaterial";

/** What of the desk's field, frame and layer a study has. */
export function shownOf(study: StudyState | null, desk: { field: string; frame: number; layer: string | null }) {
  const summary = study?.findings?.summary;
  const fields = summary?.catalogue ?? [];
  const field = fields.some((f) => f.name === desk.field) ? desk.field : (fields[0]?.name ?? desk.field);
  const frames = summary?.frames ?? [];
  const layers = summary?.layers.filter((l) => l !== "") ?? [];
  return { fields, field, frames, frame: frames[desk.frame] ? desk.frame : 0, layers, layer: desk.layer && layers.includes(desk.layer) ? desk.layer : null, byElement: summary?.by_element ?? false };
}

/** The field, frame and way of reading that the desk asks for, as far as a study has them. */
export function useShownField(view: ModelView, study: StudyState | null) {
  const desk = useDesk();
  const { how, around } = desk;
  const known = shownOf(study, desk);
  const { field, frame, layer, byElement } = known;
  const clip = useMemo(() => placed(view, desk.clip), [view, desk.clip]);
  const reading = useMemo<Reading>(() => ({ ...(byElement ? { how, around } : PLAIN), cut: clip && { axis: clip.axis, at: clip.at } }), [byElement, how, around, clip]);
  const { data: found, error } = useField(study?.result ?? null, field, frame, layer, null, reading);
  // Until another field is there, the one before it stays.
  const shown = found && !found.meta.extremes[field] ? (Object.keys(found.meta.extremes)[0] ?? field) : field;
  return { ...known, field: shown, clip, reading, found, error };
}

/** A plane in metres, of one that is a share of the part. */
export function placed(view: ModelView, clip: { axis: Axis; at: number; turned: boolean } | null): Clip | null {
  return clip && { ...clip, at: Number(lengthAt(boxOfModel(view), clip.axis, clip.at).toPrecision(7)) };
}

const ROUND = { x: "r", y: "θ", z: "axis" } as const;

/** What a field is called where components go around an axis. */
export function wordsAround(name: string, words: string, around: boolean): string {
  if (!around) return words;
  if (/^stress_[xyz]{2}$/.test(name)) return `stress ${[...name.slice(-2)].map((c) => ROUND[c as "x"]).join(" ").replace(/^(\S+) \1$/, "$1")}`;
  return /_[xyz]$/.test(name) ? words.replace(/[xyz]$/, (c) => ROUND[c as "x"]) : words;
}
