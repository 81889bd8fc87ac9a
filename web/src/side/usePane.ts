import { useField, useModel, useSkin } from "../api/hooks";

/** What a window shows. */
export interface Chosen {
  model: string;
  study: string;
  frame: number;
}

/** The model, study and field of one window. */
export function usePane(chosen: Chosen, field: string) {
  const { data: view } = useModel(chosen.model);
  const study = view?.studies.find((s) => s.name === chosen.study) ?? view?.studies.find((s) => s.result) ?? null;
  const summary = study?.findings?.summary;
  const frame = summary?.frames[chosen.frame] ? chosen.frame : 0;
  const known = summary?.catalogue.some((f) => f.name === field) ?? false;
  const { data: skin } = useSkin(study?.mesh ?? null);
  const { data: found } = useField(known ? (study?.result ?? null) : null, field, frame, null);
  const values = found?.arrays[field] as Float32Array | undefined;
  // An answer that was kept from the field before is not of this mesh.
  const fits = skin && values && values.length * 3 === (skin.arrays.positions as Float32Array).length;
  return { view, study, frame, field, known, skin: fits ? skin : undefined, found: fits ? found : undefined, values: fits ? values : undefined, extreme: fits ? found?.meta.extremes[field] : undefined };
}

export type PaneData = ReturnType<typeof usePane>;
