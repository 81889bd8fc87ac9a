import { useEffect, useMemo } from "react";
import { useThree } from "@react-three/fiber";
import { BufferAttribute, BufferGeometry, DoubleSide } from "three";

const MOST = 900; // arrows
const INK = "#22313b";

/** Of many points those that carry a vector worth drawing, spread evenly: the largest of every cell of a grid. */
export function chosenOf(positions: Float32Array, vectors: Float32Array, most = MOST): number[] {
  const count = positions.length / 3;
  const sizes = Array.from({ length: count }, (_, i) => Math.hypot(vectors[i * 3] as number, vectors[i * 3 + 1] as number, vectors[i * 3 + 2] as number));
  const largest = sizes.reduce((a, b) => Math.max(a, b), 0);
  if (largest === 0) return [];
  const low = [Infinity, Infinity, Infinity];
  const high = [-Infinity, -Infinity, -Infinity];
  for (let i = 0; i < positions.length; i += 1) {
    low[i % 3] = Math.min(low[i % 3] as number, positions[i] as number);
    high[i % 3] = Math.max(high[i % 3] as number, positions[i] as number);
  }
  const extent = high.map((h, k) => h - (low[k] as number));
  const cell = Math.max(...extent) / Math.sqrt(most) || 1;
  const best = new Map<string, number>();
  for (let i = 0; i < count; i += 1) {
    if ((sizes[i] as number) < largest * 0.01) continue;
    const key = [0, 1, 2].map((k) => Math.floor(((positions[i * 3 + k] as number) - (low[k] as number)) / cell)).join(" ");
    const held = best.get(key);
    if (held === undefined || (sizes[i] as number) > (sizes[held] as number)) best.set(key, i);
  }
  return [...best.values()];
}

/** Flat arrows from points along vectors, the longest a share of the part; in two planes, so that they show from every side. */
export function geometryOf(positions: Float32Array, moved: Float32Array, vectors: Float32Array, length: number): BufferGeometry {
  const chosen = chosenOf(positions, vectors);
  const largest = Math.max(1e-300, ...chosen.map((i) => Math.hypot(vectors[i * 3] as number, vectors[i * 3 + 1] as number, vectors[i * 3 + 2] as number)));
  const corners: number[] = [];
  for (const i of chosen) {
    const from = [0, 1, 2].map((k) => moved[i * 3 + k] as number);
    const v = [0, 1, 2].map((k) => vectors[i * 3 + k] as number);
    const size = Math.hypot(...v);
    const along = v.map((c) => c / size);
    const reach = (size / largest) * length;
    const helper = Math.abs(along[2] as number) < 0.9 ? [0, 0, 1] : [1, 0, 0];
    const cross = (a: number[], b: number[]) => [0, 1, 2].map((k) => (a[(k + 1) % 3] as number) * (b[(k + 2) % 3] as number) - (a[(k + 2) % 3] as number) * (b[(k + 1) % 3] as number));
    const u = cross(along, helper);
    const w = Math.hypot(...u);
    const first = u.map((c) => c / w);
    for (const side of [first, cross(along, first)]) {
      const at = (a: number, s: number) => from.map((c, k) => c + (along[k] as number) * a + (side[k] as number) * s);
      const head = Math.min(reach * 0.4, length * 0.12);
      const [stem, wing] = [length * 0.008, head * 0.42];
      corners.push(...at(0, stem), ...at(0, -stem), ...at(reach - head, stem), ...at(0, -stem), ...at(reach - head, -stem), ...at(reach - head, stem));
      corners.push(...at(reach - head, wing), ...at(reach - head, -wing), ...at(reach, 0));
    }
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(new Float32Array(corners), 3));
  return geometry;
}

interface Props {
  positions: Float32Array;
  displacement: Float32Array;
  exaggeration: number;
  vectors: Float32Array;
  size: number;
}

/** A vector field as arrows on the deformed part. */
export function Arrows({ positions, displacement, exaggeration, vectors, size }: Props) {
  const { invalidate } = useThree();
  const geometry = useMemo(() => {
    const moved = positions.map((c, i) => c + exaggeration * (displacement[i] as number));
    return geometryOf(positions, moved, vectors, size * 0.09);
  }, [positions, displacement, exaggeration, vectors, size]);
  useEffect(() => {
    invalidate();
    return () => geometry.dispose();
  }, [geometry, invalidate]);
  return (
    <mesh geometry={geometry} raycast={() => null} renderOrder={4}>
      <meshBasicMaterial color={INK} side={DoubleSide} depthTest={false} />
    </mesh>
  );
}
