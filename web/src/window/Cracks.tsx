import { useEffect, useMemo } from "react";
import { BufferAttribute, BufferGeometry } from "three";

const FAINT = 0.02; // of the widest, under which a crack is not drawn
const ABOVE = 2e-3; // of the part, by which strokes stand before it

/** Short strokes across the way in which each crack opens, the longest for the widest: x, y, direction, strain, width of each. */
export function strokesOf(cracks: Float32Array, size: number): Float32Array {
  const count = cracks.length / 5;
  let most = 0;
  for (let i = 0; i < count; i += 1) most = Math.max(most, cracks[i * 5 + 3] as number);
  const ends: number[] = [];
  for (let i = 0; i < count; i += 1) {
    const [x, y, angle, strain] = cracks.subarray(i * 5, i * 5 + 4) as unknown as [number, number, number, number];
    if (strain < most * FAINT) continue;
    const half = size * 0.012 * Math.sqrt(strain / most);
    ends.push(x - half * Math.sin(angle), y + half * Math.cos(angle), size * ABOVE, x + half * Math.sin(angle), y - half * Math.cos(angle), size * ABOVE);
  }
  return Float32Array.from(ends);
}

/** Where the part has cracked. */
export function Cracks({ cracks, size }: { cracks: Float32Array; size: number }) {
  const geometry = useMemo(() => new BufferGeometry().setAttribute("position", new BufferAttribute(strokesOf(cracks, size), 3)), [cracks, size]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <lineSegments geometry={geometry} renderOrder={3}>
      <lineBasicMaterial color="#b3391e" depthTest={false} transparent />
    </lineSegments>
  );
}
