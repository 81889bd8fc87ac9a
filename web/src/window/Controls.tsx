import { useCallback, useEffect, useRef } from "react";
import { useThree } from "@react-three/fiber";
import { Box3, OrthographicCamera, Vector3 } from "three";
import { OrbitControls } from "three/examples/jsm/controls/OrbitControls.js";

export type Direction = "iso" | "front" | "top" | "right";

const VIEWS: Record<Direction, [number, number, number]> = {
  iso: [0.55, 0.5, 0.9],
  front: [0, 0, 1],
  top: [0, 1, 0.0001],
  right: [1, 0, 0.0001],
};

export interface CameraHandle {
  fit: (from?: Direction) => void;
}

/** Orbit, pan and zoom; fits the box that it is given. */
export function Controls({ low, high, flat, handle }: { low: number[]; high: number[]; flat: boolean; handle: (camera: CameraHandle) => void }) {
  const { camera, gl, invalidate, size } = useThree();
  const controls = useRef<OrbitControls | null>(null);
  const box = [...low, ...high].join(" ");
  const boxRef = useRef({ low, high, flat });
  boxRef.current = { low, high, flat };

  useEffect(() => {
    const orbit = new OrbitControls(camera, gl.domElement);
    orbit.enableDamping = false;
    orbit.zoomToCursor = true;
    orbit.addEventListener("change", () => invalidate());
    controls.current = orbit;
    return () => orbit.dispose();
  }, [camera, gl, invalidate]);

  const fit = useCallback(
    (from?: Direction) => {
      const orbit = controls.current;
      if (!orbit || !(camera instanceof OrthographicCamera)) return;
      const around = new Box3(new Vector3(...boxRef.current.low), new Vector3(...boxRef.current.high));
      const centre = around.getCenter(new Vector3());
      const extent = Math.max(around.getSize(new Vector3()).length(), 1e-9);
      if (from || !camera.userData.placed) {
        camera.userData.placed = true;
        const eye = new Vector3(...VIEWS[from ?? (boxRef.current.flat ? "front" : "iso")]).normalize();
        camera.position.copy(centre).addScaledVector(eye, extent * 4);
      } else {
        const eye = camera.position.clone().sub(orbit.target).normalize();
        camera.position.copy(centre).addScaledVector(eye, extent * 4);
      }
      orbit.target.copy(centre);
      camera.near = extent * 0.01;
      camera.far = extent * 12;
      camera.up.set(0, 1, 0);
      camera.lookAt(centre);
      camera.updateMatrixWorld();
      // Seen from the camera, the corners of the box tell how much room there is.
      const corners = [0, 1, 2, 3, 4, 5, 6, 7].map((k) =>
        new Vector3(k & 1 ? around.max.x : around.min.x, k & 2 ? around.max.y : around.min.y, k & 4 ? around.max.z : around.min.z).applyMatrix4(camera.matrixWorldInverse),
      );
      const wide = Math.max(...corners.map((c) => Math.abs(c.x))) * 2;
      const high = Math.max(...corners.map((c) => Math.abs(c.y))) * 2;
      camera.zoom = Math.min((size.width * 0.78) / wide, (size.height * 0.66) / high);
      camera.updateProjectionMatrix();
      orbit.update();
      invalidate();
    },
    [camera, invalidate, size.height, size.width],
  );

  useEffect(() => {
    handle({ fit });
  }, [fit, handle]);

  // A new shape is fitted once; the user's own view is kept afterwards.
  useEffect(() => fit(), [box, fit]);
  return null;
}
