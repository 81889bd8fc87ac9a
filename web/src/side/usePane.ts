import { useField, useModel, useSkin } from "../api/hooks";

/** What a window shows. */
export interface Chosen {
  model: string;
  study: string;
  frame: number;
}

/**
 * The model, study and field of one window.
 * @param less the window whose field this one's is taken from, where both lie on one mesh
 */
export function usePane(chosen: Chosen, field: string, less?: Chosen) {
  const { data: view, error: gone } = useModel(chosen.model);
  const { data: other } = useModel(less?.model ?? chosen.model);
  const study = view?.studies.find((s) => s.name === chosen.study) ?? view?.studies.find((s) => s.result) ?? null;
  const from = less ? (other?.studies.find((s) => s.name === less.study) ?? null) : null;
  const summary = study?.findings?.summary;
  const frame = summary?.frames[chosen.frame] ? chosen.frame : 0;
  const known = summary?.catalogue.some((f) => f.name === field) ?? false;
  const { data: skin, error: bare } = useSkin(study?.mesh ?? null);
  const parted = from?.result && from.mesh === study?.mesh && study.result;
  // What is shown is the other's less this one's.
  const asked = parted ? { result: from.result, frame: less?.frame ?? 0, less: { result: study.result as string, frame } } : { result: study?.result ?? null, frame, less: null };
  const { data: found, error: lost } = useField(known ? asked.result : null, field, asked.frame, null, asked.less);
  const values = found?.arrays[field] as Float32Array | undefined;
  // An answer that was kept from the field before is not of this mesh.
  const fits = skin && values && values.length * 3 === (skin.arrays.positions as Float32Array).length;
  const error = gone ?? bare ?? lost;
  return { view, study, frame, field, known, error, parted: Boolean(parted), skin: fits ? skin : undefined, found: fits ? found : undefined, extreme: fits ? found?.meta.extremes[field] : undefined };
}

export type PaneData = ReturnType<typeof usePane>;
