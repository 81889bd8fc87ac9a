import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/results";

/** A skin without the bodies that are not there: their triangles and lines shrink to a point, so that all others keep their numbers. */
export function presentSkin(skin: Arrays<SkinMeta>, absent: string[]): Arrays<SkinMeta> {
  if (absent.length === 0) return skin;
  const without = (corners: Int32Array, runs: SkinMeta["faces"], per: number) => {
    const kept = new Int32Array(corners);
    for (const [body, , first, count] of runs) if (absent.includes(body)) kept.fill(kept[first * per] ?? 0, first * per, (first + count) * per);
    return kept;
  };
  const triangles = without(skin.arrays.triangles as Int32Array, skin.meta.faces, 3);
  const lines = without(skin.arrays.lines as Int32Array, skin.meta.edges, 2);
  return { ...skin, arrays: { ...skin.arrays, triangles, lines } };
}
