import { AmbientLight, DirectionalLight, DoubleSide, LineBasicMaterial, LineSegments, Mesh, MeshStandardMaterial, Scene } from "three";
import type { Arrays } from "../api/client";
import type { Shape, ShapeMeta } from "../api/types";
import { bodiesOf } from "../window/drawnBodies";
import { boxOfCorners } from "../window/boxes";
import { cameraOf, eyeOf } from "../window/eye";
import { stillRenderer } from "../window/fieldPicture";

const WIDTH = 480;
const HEIGHT = 288;

const made = new Map<string, string>();

/** A still picture of a shape, drawn once by one renderer for all. */
export function pictureOf(shape: Shape, surfaces: Arrays<ShapeMeta>): string {
  const kept = made.get(shape.digest);
  if (kept) return kept;
  const renderer = stillRenderer(WIDTH, HEIGHT);
  const scene = new Scene();
  const light = new DirectionalLight("#fff", 1.6);
  if (shape.up === "z") light.position.set(3, -8, 5);
  else light.position.set(3, 5, 8);
  scene.add(new AmbientLight("#fff", 1.5), light);
  const matt = new MeshStandardMaterial({ color: "#6f9a96", roughness: 0.95, side: DoubleSide, polygonOffset: true, polygonOffsetFactor: 1, polygonOffsetUnits: 1 });
  const ink = new LineBasicMaterial({ color: "#22313b" });
  for (const body of bodiesOf(surfaces)) {
    if (body.surface) scene.add(new Mesh(body.surface, matt));
    scene.add(new LineSegments(body.ink, ink));
  }
  const model = { ...boxOfCorners(shape.bodies.flatMap((b) => b.bounds)), flat: shape.dimension === 2, up: shape.up };
  renderer.render(scene, cameraOf(eyeOf(model, WIDTH / HEIGHT), model, WIDTH / HEIGHT));
  const picture = renderer.domElement.toDataURL("image/png");
  made.set(shape.digest, picture);
  return picture;
}
