import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/results";

/** Where a corner of the skin's triangles is drawn, m: as far from rest as its point's body stands apart and moves. */
export function cornerAt(rest: Arrays<SkinMeta>, positions: Float32Array, displacement: Float32Array, factor: number, corner: number): [number, number, number] {
  const first = ((rest.arrays.triangles as Int32Array)[corner] ?? 0) * 3;
  return [0, 1, 2].map((k) => (positions[first + k] ?? 0) + factor * (displacement[first + k] ?? 0)) as [number, number, number];
}

/** Where a place of the mesh is drawn: moved with the nearest node of the skin. */
export function moved(place: number[], positions: Float32Array, drawn: Float32Array, displacement: Float32Array, factor: number): [number, number, number] {
  let [best, node] = [Infinity, 0];
  for (let i = 0; i < positions.length; i += 3) {
    const d = ((positions[i] as number) - (place[0] as number)) ** 2 + ((positions[i + 1] as number) - (place[1] as number)) ** 2 + ((positions[i + 2] as number) - (place[2] as number)) ** 2;
    if (d < best) [best, node] = [d, i];
  }
  return [0, 1, 2].map((k) => (place[k] as number) + (drawn[node + k] as number) - (positions[node + k] as number) + factor * (displacement[node + k] as number)) as [number, number, number];
}
