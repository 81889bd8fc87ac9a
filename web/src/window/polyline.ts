import { BufferAttribute, BufferGeometry } from "three";

export function polyline(points: number[][]): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(new Float32Array(points.flat()), 3));
  return geometry;
}
