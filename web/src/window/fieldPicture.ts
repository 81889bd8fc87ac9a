import { LineSegments, Mesh, Scene, WebGLRenderer, type Vector2 } from "three";
import type { Arrays } from "../api/client";
import type { FieldMeta, SkinMeta } from "../api/results";
import { cameraOf, eyeOf, type Eye, type Model } from "./eye";
import { FieldGeometry } from "./fieldGeometry";
import { BANDS, clipOf, fieldMaterial, inkMaterial, type Clip } from "./fieldMaterial";
import { piecesOf } from "./fieldPieces";
import { ghostOf } from "./ghostOf";
import type { scaleOf } from "./scale";

/** All that a still picture of a field shows. */
export interface Pictured {
  skin: Arrays<SkinMeta>;
  found: Arrays<FieldMeta>;
  field: string;
  scale: Pick<ReturnType<typeof scaleOf>, "low" | "high" | "stops">;
  limit: number | null;
  /** By how much displacements are drawn larger. */
  factor: number;
  banded: boolean;
  /** Edges are drawn where nothing has moved, too. */
  ghost: boolean;
  clip: Clip | null;
  laid?: (bare: Arrays<SkinMeta>) => Arrays<SkinMeta>;
  /** Where it is looked at from; all of the model when null. */
  eye: Eye | null;
  model: Model;
}

let renderer: WebGLRenderer | null = null;

/** One renderer for all still pictures: a page of many would run out of them. */
export function stillRenderer(width: number, height: number): WebGLRenderer {
  renderer ??= new WebGLRenderer({ antialias: true, alpha: true, preserveDrawingBuffer: true });
  renderer.setPixelRatio(1);
  renderer.setSize(width, height, false);
  return renderer;
}

/**
 * Draws a field, once or as often as its factor changes, on a canvas of its own.
 * @returns what draws it with another factor, and lets go of it
 */
export function fieldDrawing(p: Pictured, width: number, height: number) {
  const { stops, low, high } = p.scale;
  const scene = new Scene();
  const material = fieldMaterial(stops);
  const ink = inkMaterial(0.85);
  const whole = fieldMaterial(stops);
  const plane = clipOf(p.clip);
  for (const m of [material, whole]) {
    (m.uniforms.range?.value as Vector2).set(low, high);
    Object.assign(m.uniforms.limit ?? {}, { value: p.limit ?? 1e30 });
    Object.assign(m.uniforms.bands ?? {}, { value: p.banded ? BANDS : 0 });
  }
  [material, ink].forEach((m) => Object.assign(m.uniforms.clip ?? {}, { value: plane }));
  const laid = p.laid ?? ((bare) => bare);
  const pieces = piecesOf(laid(p.skin), p.found, p.field, laid).map((piece) => {
    const rest = piece.skin.arrays.positions as Float32Array;
    const drawn = new FieldGeometry(piece.skin, rest, piece.values.length !== rest.length / 3, false);
    drawn.colour(piece.values, piece.veiled);
    const mesh = new Mesh(drawn.surface, piece.clipped ? material : whole);
    const lines = new LineSegments(drawn.ink, ink);
    mesh.frustumCulled = lines.frustumCulled = false;
    scene.add(mesh, lines);
    return { drawn, piece };
  });
  const still = p.ghost ? ghostOf(laid(p.skin)) : null;
  if (still) scene.add(still);
  const camera = cameraOf(p.eye ?? eyeOf(p.model, width / height), p.model, width / height);
  return {
    draw(factor: number): HTMLCanvasElement {
      pieces.forEach(({ drawn, piece }) => drawn.place(piece.displacement, factor));
      const by = stillRenderer(width, height);
      by.render(scene, camera);
      return by.domElement;
    },
    dispose() {
      pieces.forEach(({ drawn }) => [drawn.surface, drawn.ink].forEach((g) => g.dispose()));
      still?.geometry.dispose();
      [material, whole, ink, ...(still ? [still.material] : [])].forEach((m) => m.dispose());
    },
  };
}

/** A still picture of a field. */
export function fieldPicture(p: Pictured, width: number, height: number): string {
  const drawing = fieldDrawing(p, width, height);
  const picture = drawing.draw(p.factor).toDataURL("image/png");
  drawing.dispose();
  return picture;
}
