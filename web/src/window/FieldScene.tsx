import { useMemo } from "react";
import type { Arrays } from "../api/client";
import type { FieldMeta, SkinMeta } from "../api/hooks";
import { MeshScene, type Pointed } from "./MeshScene";
import type { scaleOf } from "./scale";

export interface Told extends Pointed {
  value: number;
}

interface Props {
  skin: Arrays<SkinMeta>;
  /** The field with what moves, as the server sends it. */
  found: Arrays<FieldMeta>;
  field: string;
  scale: Pick<ReturnType<typeof scaleOf>, "low" | "high" | "stops">;
  limit: number | null;
  exaggeration: number;
  animated?: boolean;
  onPoint: (told: Told | null) => void;
}

/** A field of a result on its skin, and on its members as solid sections. */
export function FieldScene({ skin, found, field, scale, limit, exaggeration, animated = false, onPoint }: Props) {
  const { arrays } = found;
  const members = useMemo(() => membersOf(arrays), [arrays]);
  const shared = { stops: scale.stops, low: scale.low, high: scale.high, limit, exaggeration, animated, sides: false };
  const values = arrays[field] as Float32Array;
  const told = (of: Float32Array) => (at: Pointed | null) => onPoint(at && { ...at, value: of[at.node] ?? 0 });
  const along = arrays[`member ${field}`] as Float32Array | undefined;
  return (
    <>
      <MeshScene skin={skin} values={values} veiled={arrays.veiled as Float32Array | undefined} displacement={arrays.moved as Float32Array} onPoint={told(values)} {...shared} />
      {members && along && <MeshScene skin={members} values={along} displacement={arrays["member moved"] as Float32Array} onPoint={told(along)} {...shared} />}
    </>
  );
}

/** Members in the form of a skin. */
function membersOf(arrays: Arrays<unknown>["arrays"]): Arrays<SkinMeta> | null {
  const positions = arrays["member positions"];
  const triangles = arrays["member triangles"];
  if (!positions || !triangles) return null;
  return { meta: { faces: [], edges: [], dimension: 3, bodies: [] }, arrays: { positions, triangles, sides: new Int32Array(0), lines: new Int32Array(0) } };
}
