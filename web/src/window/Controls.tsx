import { useCallback, useEffect, useRef } from "react";
import { useThree } from "@react-three/fiber";
import { Box3, OrthographicCamera, Vector3 } from "three";
import { OrbitControls } from "three/examples/jsm/controls/OrbitControls.js";
import { VIEWS, type Direction, type Eye } from "./eye";

const NEARER = 1.6; // by which a visit to a place brings the model nearer

export interface CameraHandle {
  fit: (from?: Direction) => void;
  /** Brings a place to the middle of the window, nearer. */
  visit: (at: [number, number, number]) => void;
  /** Where the model is looked at from. */
  eye: () => Eye | null;
  take: (eye: Eye) => void;
  /** Where a place of the model is drawn, in pixels of the window. */
  project: (at: number[]) => [number, number];
}

/** Cameras that move together: what one does is told to the others. */
export interface CameraLink {
  tell: (from: object, camera: OrthographicCamera, target: Vector3) => void;
  listen: (own: object, follow: (camera: OrthographicCamera, target: Vector3) => void) => () => void;
}

export function cameraLink(): CameraLink {
  const followers = new Map<object, (camera: OrthographicCamera, target: Vector3) => void>();
  let telling = false;
  return {
    tell(from, camera, target) {
      // A follower that moves does not tell of it again.
      if (telling) return;
      telling = true;
      followers.forEach((follow, own) => own !== from && follow(camera, target));
      telling = false;
    },
    listen(own, follow) {
      followers.set(own, follow);
      return () => followers.delete(own);
    },
  };
}

interface ControlsProps {
  low: number[];
  high: number[];
  flat: boolean;
  up: "y" | "z";
  cover: readonly [number, number, number?];
  handle: (camera: CameraHandle | null) => void;
  link?: CameraLink | undefined;
}

/** Orbit, pan and zoom; fits the box that it is given. */
export function Controls({ low, high, flat, up, cover, handle, link }: ControlsProps) {
  const { camera, gl, invalidate, size } = useThree();
  const [coveredRight, coveredBelow, coveredAbove = 0] = cover;
  const controls = useRef<OrbitControls | null>(null);
  const box = [...low, ...high].join(" ");
  const boxRef = useRef({ low, high, flat, up });
  boxRef.current = { low, high, flat, up };

  useEffect(() => {
    // The controls turn about what is up when they are made.
    camera.up.set(0, up === "y" ? 1 : 0, up === "z" ? 1 : 0);
    const orbit = new OrbitControls(camera, gl.domElement);
    orbit.enableDamping = false;
    orbit.zoomToCursor = true;
    orbit.addEventListener("change", () => {
      invalidate();
      if (camera instanceof OrthographicCamera) link?.tell(orbit, camera, orbit.target);
    });
    controls.current = orbit;
    const leave = link?.listen(orbit, (other, target) => {
      if (!(camera instanceof OrthographicCamera)) return;
      camera.position.copy(other.position);
      camera.quaternion.copy(other.quaternion);
      camera.zoom = other.zoom;
      camera.near = other.near;
      camera.far = other.far;
      camera.updateProjectionMatrix();
      orbit.target.copy(target);
      orbit.update();
      invalidate();
    });
    return () => {
      leave?.();
      orbit.dispose();
    };
  }, [camera, gl, invalidate, up, link]);

  const fit = useCallback(
    (from?: Direction) => {
      const orbit = controls.current;
      if (!orbit || !(camera instanceof OrthographicCamera)) return;
      const around = new Box3(new Vector3(...boxRef.current.low), new Vector3(...boxRef.current.high));
      const centre = around.getCenter(new Vector3());
      const extent = Math.max(around.getSize(new Vector3()).length(), 1e-9);
      if (from || !camera.userData.placed) {
        camera.userData.placed = true;
        const eye = new Vector3(...VIEWS[boxRef.current.flat ? "y" : boxRef.current.up][from ?? (boxRef.current.flat ? "front" : "iso")]).normalize();
        camera.position.copy(centre).addScaledVector(eye, extent * 4);
      } else {
        const eye = camera.position.clone().sub(orbit.target).normalize();
        camera.position.copy(centre).addScaledVector(eye, extent * 4);
      }
      orbit.target.copy(centre);
      camera.near = extent * 0.01;
      camera.far = extent * 12;
      camera.lookAt(centre);
      camera.updateMatrixWorld();
      // Seen from the camera, the corners of the box tell how much room there is.
      const corners = [0, 1, 2, 3, 4, 5, 6, 7].map((k) =>
        new Vector3(k & 1 ? around.max.x : around.min.x, k & 2 ? around.max.y : around.min.y, k & 4 ? around.max.z : around.min.z).applyMatrix4(camera.matrixWorldInverse),
      );
      const wide = Math.max(...corners.map((c) => Math.abs(c.x))) * 2;
      const high = Math.max(...corners.map((c) => Math.abs(c.y))) * 2;
      const [right, below, above] = [coveredRight, coveredBelow, coveredAbove];
      camera.zoom = Math.min(((size.width - right) * 0.78) / wide, ((size.height - below - above) * 0.66) / high);
      // What lies under cards at the right and below is left free.
      if (right > 0 || below > 0 || above > 0) camera.setViewOffset(size.width, size.height, right / 2, (below - above) / 2, size.width, size.height);
      else camera.clearViewOffset();
      camera.updateProjectionMatrix();
      orbit.update();
      invalidate();
    },
    [camera, coveredAbove, coveredBelow, coveredRight, invalidate, size.height, size.width],
  );

  // A new shape is fitted once; the user's own view is kept afterwards.
  useEffect(() => fit(), [box, fit]);

  useEffect(() => {
    const project = (at: number[]): [number, number] => {
      const place = new Vector3(...(at as [number, number, number])).project(camera);
      return [((place.x + 1) / 2) * size.width, ((1 - place.y) / 2) * size.height];
    };
    const visit = (at: [number, number, number]) => {
      const orbit = controls.current;
      if (!orbit || !(camera instanceof OrthographicCamera)) return;
      const away = camera.position.clone().sub(orbit.target);
      orbit.target.set(...at);
      camera.position.copy(orbit.target).add(away);
      camera.zoom *= NEARER;
      camera.updateProjectionMatrix();
      orbit.update();
      invalidate();
    };
    const eye = (): Eye | null => {
      const orbit = controls.current;
      if (!orbit || !(camera instanceof OrthographicCamera)) return null;
      const from = camera.position.clone().sub(orbit.target).normalize();
      // What cards cover shifts the middle of the picture.
      const middle = new Vector3(0, 0, 0).unproject(camera);
      const at = middle.addScaledVector(from, orbit.target.clone().sub(middle).dot(from));
      return { from: [from.x, from.y, from.z], at: [at.x, at.y, at.z], height: size.height / camera.zoom };
    };
    const take = (wanted: Eye) => {
      const orbit = controls.current;
      if (!orbit || !(camera instanceof OrthographicCamera)) return;
      const away = camera.position.clone().sub(orbit.target).length();
      camera.clearViewOffset();
      orbit.target.set(...wanted.at);
      camera.position.copy(orbit.target).addScaledVector(new Vector3(...wanted.from).normalize(), away);
      camera.zoom = size.height / wanted.height;
      camera.updateProjectionMatrix();
      orbit.update();
      invalidate();
    };
    handle({ fit, project, visit, eye, take });
    return () => handle(null);
  }, [camera, fit, handle, invalidate, size.height, size.width]);

  return null;
}
