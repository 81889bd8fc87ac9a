import { AmbientLight, Box3, DirectionalLight, DoubleSide, LineBasicMaterial, LineSegments, Mesh, MeshStandardMaterial, OrthographicCamera, Scene, Vector3, WebGLRenderer } from "three";
import type { Arrays } from "../api/client";
import type { Shape, ShapeMeta } from "../api/types";
import { bodiesOf } from "../window/drawnBodies";

const WIDTH = 480;
const HEIGHT = 288;

let renderer: WebGLRenderer | null = null;
const made = new Map<string, string>();

/** A still picture of a shape, drawn once by one renderer for all. */
export function pictureOf(shape: Shape, surfaces: Arrays<ShapeMeta>): string {
  const kept = made.get(shape.digest);
  if (kept) return kept;
  renderer ??= new WebGLRenderer({ antialias: true, alpha: true, preserveDrawingBuffer: true });
  renderer.setSize(WIDTH, HEIGHT, false);
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
  renderer.render(scene, looking(shape));
  const picture = renderer.domElement.toDataURL("image/png");
  made.set(shape.digest, picture);
  return picture;
}

/** A camera that sees all of the shape. */
function looking(shape: Shape): OrthographicCamera {
  const box = new Box3();
  shape.bodies.forEach((b) => b.bounds.forEach((corner) => box.expandByPoint(new Vector3(...(corner as [number, number, number])))));
  const centre = box.getCenter(new Vector3());
  const extent = Math.max(box.getSize(new Vector3()).length(), 1e-9);
  const flat = shape.dimension === 2;
  const eye = flat ? new Vector3(0, 0, 1) : shape.up === "z" ? new Vector3(0.55, -0.9, 0.5) : new Vector3(0.55, 0.5, 0.9);
  const camera = new OrthographicCamera(-1, 1, 1, -1, extent * 0.01, extent * 12);
  camera.up.set(0, shape.up === "z" && !flat ? 0 : 1, shape.up === "z" && !flat ? 1 : 0);
  camera.position.copy(centre).addScaledVector(eye.normalize(), extent * 4);
  camera.lookAt(centre);
  camera.updateMatrixWorld();
  let [wide, high] = [0, 0];
  for (let k = 0; k < 8; k += 1) {
    const corner = new Vector3(k & 1 ? box.max.x : box.min.x, k & 2 ? box.max.y : box.min.y, k & 4 ? box.max.z : box.min.z).applyMatrix4(camera.matrixWorldInverse);
    wide = Math.max(wide, Math.abs(corner.x));
    high = Math.max(high, Math.abs(corner.y));
  }
  const half = Math.max(high, (wide * HEIGHT) / WIDTH) * 1.15;
  camera.left = (-half * WIDTH) / HEIGHT;
  camera.right = (half * WIDTH) / HEIGHT;
  camera.top = half;
  camera.bottom = -half;
  camera.updateProjectionMatrix();
  return camera;
}
