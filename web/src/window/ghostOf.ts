import { BufferAttribute, BufferGeometry, LineBasicMaterial, LineSegments } from "three";
import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/results";

/** The edges of a shape where nothing has moved. */
export function ghostOf(skin: Arrays<SkinMeta>): LineSegments<BufferGeometry, LineBasicMaterial> {
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(skin.arrays.positions as Float32Array, 3));
  geometry.setIndex(new BufferAttribute(new Uint32Array(skin.arrays.lines as Int32Array), 1));
  const lines = new LineSegments(geometry, new LineBasicMaterial({ color: "#22313b", transparent: true, opacity: 0.28 }));
  lines.raycast = () => undefined;
  return lines;
}
