import { useEffect, useMemo, useState } from "react";
import { PLAIN, useField, useSkin, type Reading } from "../api/results";
import type { ModelView, Of, StudyState } from "../api/types";
import { boxOfModel, boxOfPoints } from "./boxes";
import { absentIn, lookOf } from "./fieldLook";
import { fieldPicture } from "./fieldPicture";
import { presentSkin } from "./presentSkin";

export type Sight = Pick<Of<"view">, "field" | "frame" | "layer" | "how" | "banded" | "at_rest" | "hidden" | "exaggeration">;

/**
 * A still picture of a study's result, drawn once what it shows is there.
 * @param sight what is looked at; saved: where from, in SI
 */
export function useViewPicture(view: ModelView, study: StudyState | null, sight: Sight, saved: ModelView["views"][string] | null, size: readonly [number, number], wanted = true) {
  const summary = study?.findings?.summary;
  const frames = summary?.frames ?? [];
  const frame = Math.max(frames.findIndex((f) => f.name === sight.frame), 0);
  const known = summary?.catalogue.find((f) => f.name === sight.field);
  const byElement = summary?.by_element ?? false;
  const reading = useMemo<Reading>(() => ({ ...(byElement ? { how: sight.how ?? "averaged", around: saved?.around ?? null } : PLAIN), cut: saved?.cut ? { axis: saved.cut.axis, at: saved.cut.at } : null }), [byElement, sight.how, saved]);
  const { data: skin, error: bare } = useSkin(wanted ? (study?.mesh ?? null) : null);
  const { data: found, error: lost } = useField(wanted && known ? (study?.result ?? null) : null, sight.field, frame, sight.layer ?? null, null, reading);
  const [picture, setPicture] = useState<string | null>(null);
  const extremes = found?.meta.extremes[sight.field];
  const look = study && extremes ? lookOf(view, study, sight.field, frame, extremes, { low: saved?.low ?? null, high: saved?.high ?? null }, sight.exaggeration ?? null) : null;
  const drawn = useMemo(() => [sight.field, frame, sight.layer, sight.banded, sight.at_rest, sight.hidden, sight.exaggeration, saved, size], [sight, frame, saved, size]);
  useEffect(() => {
    const values = found?.arrays[sight.field] as Float32Array | undefined;
    if (!skin || !found || !values || !look || !study) return;
    const absent = [...(sight.hidden ?? []), ...absentIn(study.findings?.findings ?? [], frame).split("\n").filter(Boolean)];
    const rest = skin.arrays.positions as Float32Array;
    const box = found.arrays.veiled || study.mesh !== view.mesh?.digest ? boxOfPoints(rest) : boxOfModel(view);
    const still = frames[frame]?.kind === "envelope";
    setPicture(
      fieldPicture(
        { skin, found, field: sight.field, scale: look.scale, limit: look.limit?.allowed ?? null, factor: still ? 0 : look.factor, banded: sight.banded ?? false, clip: saved?.cut ?? null, laid: (bare) => presentSkin(bare, absent), ghost: sight.at_rest ?? false, eye: saved?.camera ?? null, model: { ...box, flat: view.shape.dimension === 2, up: view.shape.up } },
        size[0],
        size[1],
      ),
    );
    // eslint-disable-next-line react-hooks/exhaustive-deps -- drawn again when what it shows changes, not at every answer of the server
  }, [skin, found, JSON.stringify(drawn)]);
  const error = !study ? "The study is gone." : !study.result ? `${study.name} has not been solved.` : !known && summary ? `${study.name} has no such field.` : ((bare ?? lost)?.message ?? null);
  return { picture, error, look, words: known?.words ?? sight.field, frameName: frames.length > 1 ? frames[frame]?.name : undefined };
}
