import { BufferAttribute, BufferGeometry } from "three";
import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/results";

/** A skin as it is drawn: coloured at its points, or at the corners of its triangles, and moved as much as wanted. */
export class FieldGeometry {
  readonly surface = new BufferGeometry();
  readonly ink = new BufferGeometry();
  private readonly rest: Float32Array;
  private readonly position: BufferAttribute;
  /** Points of the corners, where every triangle has corners of its own. */
  private readonly corners: Int32Array | null;
  private readonly spread: BufferAttribute;

  /**
   * @param still where bodies lie that are drawn apart: what a plane cuts
   * @param own whether values come at the corners of triangles
   */
  constructor(skin: Arrays<SkinMeta>, still: Float32Array, own: boolean, sides: boolean) {
    const triangles = skin.arrays.triangles as Int32Array;
    this.rest = skin.arrays.positions as Float32Array;
    this.position = new BufferAttribute(new Float32Array(this.rest), 3);
    const rest = new BufferAttribute(still, 3);
    this.corners = own ? triangles : null;
    this.spread = own ? new BufferAttribute(new Float32Array(triangles.length * 3), 3) : this.position;
    this.surface.setAttribute("position", this.spread);
    this.surface.setAttribute("rest", own ? new BufferAttribute(spreadOf(still, triangles, 3), 3) : rest);
    if (!own) this.surface.setIndex(new BufferAttribute(new Uint32Array(triangles), 1));
    this.ink.setAttribute("position", this.position);
    this.ink.setAttribute("rest", rest);
    this.ink.setIndex(new BufferAttribute(new Uint32Array((sides ? skin.arrays.sides : skin.arrays.lines) as Int32Array), 1));
  }

  colour(values: Float32Array, veiled: Float32Array | undefined): void {
    this.surface.setAttribute("value", new BufferAttribute(values, 1));
    if (veiled) this.surface.setAttribute("veiled", new BufferAttribute(this.corners ? spreadOf(veiled, this.corners, 1) : veiled, 1));
  }

  place(displacement: Float32Array | undefined, factor: number): void {
    const array = this.position.array as Float32Array;
    if (displacement) for (let i = 0; i < array.length; i += 1) array[i] = (this.rest[i] as number) + factor * (displacement[i] as number);
    else array.set(this.rest);
    this.position.needsUpdate = true;
    if (!this.corners) return;
    (this.spread.array as Float32Array).set(spreadOf(array, this.corners, 3));
    this.spread.needsUpdate = true;
  }

  measure(): void {
    this.surface.computeBoundingSphere();
    this.ink.computeBoundingSphere();
  }

  placeOf(corner: number): [number, number, number] {
    return [this.spread.getX(corner), this.spread.getY(corner), this.spread.getZ(corner)];
  }
}

/** What is known at points, at the corners of triangles. */
export function spreadOf(values: Float32Array, corners: Int32Array, width: number): Float32Array {
  const spread = new Float32Array(corners.length * width);
  for (let i = 0; i < corners.length; i += 1) for (let k = 0; k < width; k += 1) spread[i * width + k] = values[(corners[i] as number) * width + k] as number;
  return spread;
}
