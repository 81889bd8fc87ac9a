import { useMemo } from "react";
import type { Arrays } from "../api/client";
import type { FieldMeta, SkinMeta } from "../api/hooks";
import type { Clip } from "./fieldMaterial";
import { MeshScene, type Pointed } from "./MeshScene";
import type { scaleOf } from "./scale";

interface Props {
  skin: Arrays<SkinMeta>;
  /** The field with what moves, as the server sends it. */
  found: Arrays<FieldMeta>;
  field: string;
  scale: Pick<ReturnType<typeof scaleOf>, "low" | "high" | "stops">;
  limit: number | null;
  exaggeration: number;
  animated?: boolean;
  banded?: boolean;
  clip?: Clip | null;
  /** The skin before its bodies were drawn apart. */
  still?: Float32Array | undefined;
  /** What is done to the inside before it is drawn, as to the skin. */
  laid?: (cut: Arrays<SkinMeta>) => Arrays<SkinMeta>;
  onPoint: (told: Pointed | null) => void;
  onPick?: (told: Pointed) => void;
}

/** A field of a result on its skin, on the inside that a plane lays open, and on its members as solid sections. */
export function FieldScene({ skin, found, field, scale, limit, exaggeration, animated = false, banded = false, clip = null, still, laid, onPoint, onPick }: Props) {
  const { arrays } = found;
  const members = useMemo(() => membersOf(arrays), [arrays]);
  const opened = useMemo(() => openedOf(found), [found]);
  const inside = useMemo(() => opened && (laid ? laid(opened) : opened), [opened, laid]);
  const shared = { stops: scale.stops, low: scale.low, high: scale.high, limit, exaggeration, animated, banded, sides: false, onPoint };
  const values = arrays[field] as Float32Array;
  const along = arrays[`member ${field}`] as Float32Array | undefined;
  return (
    <>
      <MeshScene skin={skin} values={values} veiled={arrays.veiled as Float32Array | undefined} displacement={arrays.moved as Float32Array} clip={clip} still={still} onPick={onPick} {...shared} />
      {inside && clip && <MeshScene skin={inside} values={arrays[`cut ${field}`] as Float32Array} displacement={arrays["cut moved"] as Float32Array} {...shared} />}
      {members && along && <MeshScene skin={members} values={along} displacement={arrays["member moved"] as Float32Array} clip={clip} {...shared} />}
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

/** What a plane lays open, in the form of a skin. */
function openedOf({ meta, arrays }: Arrays<FieldMeta>): Arrays<SkinMeta> | null {
  const positions = arrays["cut positions"];
  const triangles = arrays["cut triangles"];
  if (!positions || !triangles) return null;
  return { meta: { faces: meta.cut, edges: [], dimension: 3, bodies: [] }, arrays: { positions, triangles, sides: new Int32Array(0), lines: new Int32Array(0) } };
}
