import { useModel } from "../api/hooks";
import { PLAIN, useField, useSkin, type How } from "../api/results";

/** What a window shows. */
export interface Chosen {
  model: string;
  study: string;
  frame: number;
  how?: How;
}

/**
 * The model, study and field of one window.
 * @param less the window whose field this one's is taken from; on another mesh it is read where the points of that one are
 */
export function usePane(chosen: Chosen, field: string, less?: Chosen) {
  const reading = chosen.how ? { ...PLAIN, how: chosen.how } : PLAIN;
  const { data: view, error: gone } = useModel(chosen.model);
  const { data: other } = useModel(less?.model ?? chosen.model);
  const study = view?.studies.find((s) => s.name === chosen.study) ?? view?.studies.find((s) => s.result) ?? null;
  const from = less ? (other?.studies.find((s) => s.name === less.study) ?? null) : null;
  const summary = study?.findings?.summary;
  const frame = summary?.frames[chosen.frame] ? chosen.frame : 0;
  const known = summary?.catalogue.some((f) => f.name === field) ?? false;
  const parted = from?.result && study?.result;
  const mapped = Boolean(parted) && from?.mesh !== study?.mesh;
  const { data: skin, error: bare } = useSkin((parted ? from.mesh : study?.mesh) ?? null);
  // What is shown is the other's less this one's.
  const asked = parted ? { result: from.result, frame: less?.frame ?? 0, less: { result: study.result as string, frame } } : { result: study?.result ?? null, frame, less: null };
  const { data: found, error: lost } = useField(known ? asked.result : null, field, asked.frame, null, asked.less, parted ? PLAIN : reading);
  const values = found?.arrays[field] as Float32Array | undefined;
  // An answer that was kept from the field before is not of this mesh.
  const fits = skin && values && (found?.meta.corners ? values.length === (skin.arrays.triangles as Int32Array).length : values.length * 3 === (skin.arrays.positions as Float32Array).length);
  const error = gone ?? bare ?? lost;
  return { view, study, frame, field, known, error, parted: Boolean(parted), mapped, how: chosen.how ?? ("averaged" as How), skin: fits ? skin : undefined, found: fits ? found : undefined, extreme: fits ? found?.meta.extremes[field] : undefined };
}

export type PaneData = ReturnType<typeof usePane>;
