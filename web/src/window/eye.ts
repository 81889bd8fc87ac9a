import { OrthographicCamera, Vector3 } from "three";
import type { Box } from "./boxes";

export type Direction = "iso" | "front" | "top" | "right";

/** Where a model is looked at from, m. */
export interface Eye {
  /** Towards the eye. */
  from: [number, number, number];
  /** What is in the middle. */
  at: [number, number, number];
  /** How much of the model is seen from below to above. */
  height: number;
}

/** Where the eye stands, for models whose y or z points up. */
export const VIEWS: Record<"y" | "z", Record<Direction, [number, number, number]>> = {
  y: { iso: [0.55, 0.5, 0.9], front: [0, 0, 1], top: [0, 1, 0.0001], right: [1, 0, 0.0001] },
  z: { iso: [0.55, -0.9, 0.5], front: [0, -1, 0], top: [0, -0.0001, 1], right: [1, 0, 0.0001] },
};

export interface Model extends Box {
  flat: boolean;
  up: "y" | "z";
}

export const extentOf = ({ low, high }: Box) => Math.max(Math.hypot(...high.map((h, k) => h - (low[k] as number))), 1e-9);

/** An eye that sees all of a model. */
export function eyeOf(model: Model, ratio: number): Eye {
  const at = model.low.map((l, k) => (l + (model.high[k] as number)) / 2) as [number, number, number];
  const from = VIEWS[model.flat ? "y" : model.up][model.flat ? "front" : "iso"];
  const camera = cameraOf({ from, at, height: 1 }, model, ratio);
  let [wide, high] = [0, 0];
  for (let k = 0; k < 8; k += 1) {
    const corner = new Vector3(...[0, 1, 2].map((a) => ((k >> a) & 1 ? model.high[a] : model.low[a]) as number)).applyMatrix4(camera.matrixWorldInverse);
    wide = Math.max(wide, Math.abs(corner.x));
    high = Math.max(high, Math.abs(corner.y));
  }
  return { from, at, height: Math.max(high, wide / ratio, 1e-9) * 2.3 };
}

/** @param ratio width over height of the picture */
export function cameraOf(eye: Eye, model: Model, ratio: number): OrthographicCamera {
  const extent = extentOf(model);
  const half = eye.height / 2;
  const camera = new OrthographicCamera(-half * ratio, half * ratio, half, -half, extent * 0.01, extent * 12);
  const up = model.flat ? "y" : model.up;
  camera.up.set(0, up === "y" ? 1 : 0, up === "z" ? 1 : 0);
  camera.position.set(...eye.at).addScaledVector(new Vector3(...eye.from).normalize(), extent * 4);
  camera.lookAt(...eye.at);
  camera.updateMatrixWorld();
  camera.updateProjectionMatrix();
  return camera;
}
