import type { Arrays } from "../api/client";
import type { FieldMeta, SkinMeta } from "../api/results";

/** Part of what a field is drawn on: a skin, its values and how it moves. */
export interface Piece {
  skin: Arrays<SkinMeta>;
  values: Float32Array;
  displacement: Float32Array;
  veiled?: Float32Array | undefined;
  /** Whether a plane hides what is beyond it. */
  clipped: boolean;
}

/** What a field is drawn on: the skin, the inside that a plane lays open, and members as solid sections. */
export function piecesOf(skin: Arrays<SkinMeta>, { meta, arrays }: Arrays<FieldMeta>, field: string, laid: (bare: Arrays<SkinMeta>) => Arrays<SkinMeta>): Piece[] {
  const other = (of: string, faces: SkinMeta["faces"], clipped: boolean): Piece[] => {
    const [positions, triangles, values] = [arrays[`${of} positions`], arrays[`${of} triangles`], arrays[`${of} ${field}`] as Float32Array | undefined];
    if (!positions || !triangles || !values) return [];
    const bare: Arrays<SkinMeta> = { meta: { faces, edges: [], dimension: 3, bodies: [] }, arrays: { positions, triangles, sides: new Int32Array(0), lines: new Int32Array(0) } };
    return [{ skin: faces.length > 0 ? laid(bare) : bare, values, displacement: arrays[`${of} moved`] as Float32Array, clipped }];
  };
  return [{ skin, values: arrays[field] as Float32Array, displacement: arrays.moved as Float32Array, veiled: arrays.veiled as Float32Array | undefined, clipped: true }, ...other("cut", meta.cut, false), ...other("member", [], true)];
}
