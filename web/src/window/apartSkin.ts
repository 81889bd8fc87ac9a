import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/results";

/** A skin whose bodies stand apart: its points move with the body that they belong to. */
export function apartSkin(skin: Arrays<SkinMeta>, moves: Map<string, [number, number, number]>): Arrays<SkinMeta> {
  if (moves.size === 0) return skin;
  const positions = new Float32Array(skin.arrays.positions as Float32Array);
  const done = new Uint8Array(positions.length / 3);
  const shift = (corners: ArrayLike<number>, from: number, upto: number, by: [number, number, number]) => {
    for (let i = from; i < upto; i += 1) {
      const point = corners[i] as number;
      if (done[point]) continue;
      done[point] = 1;
      for (let k = 0; k < 3; k += 1) positions[point * 3 + k] = (positions[point * 3 + k] as number) + (by[k] as number);
    }
  };
  const [triangles, lines] = [skin.arrays.triangles as Int32Array, skin.arrays.lines as Int32Array];
  for (const [body, , first, count] of skin.meta.faces) shift(triangles, first * 3, (first + count) * 3, moves.get(body) ?? [0, 0, 0]);
  for (const [body, , first, count] of skin.meta.edges) shift(lines, first * 2, (first + count) * 2, moves.get(body) ?? [0, 0, 0]);
  return { ...skin, arrays: { ...skin.arrays, positions } };
}
