import { useMemo, type ReactNode } from "react";
import { Canvas } from "@react-three/fiber";
import { Controls, type CameraHandle, type CameraLink } from "./Controls";
import { finenessFor } from "./drawnBySoftware";

export interface SceneProps {
  low: number[];
  high: number[];
  flat: boolean;
  up: "y" | "z";
  keep: (camera: CameraHandle | null) => void;
  /** Width at the right, height below and above that cards cover, in pixels. */
  cover?: readonly [number, number, number?] | undefined;
  /** Moves together with the cameras of other windows. */
  link?: CameraLink | undefined;
  /** How many triangles there are to draw, where there may be many. */
  triangles?: number;
}

const FREE = [0, 0] as const;

/** The camera, its controls and the light; what is drawn comes as children. */
export function Stage({ scene, children }: { scene: SceneProps; children: ReactNode }) {
  const { dpr, antialias } = useMemo(() => finenessFor(scene.triangles ?? 0), [scene.triangles]);
  return (
    <Canvas orthographic frameloop="demand" dpr={dpr} raycaster={{ params: { Line: { threshold: Math.hypot(...scene.high.map((h, i) => h - (scene.low[i] ?? 0))) * 0.008 } } as never }} gl={{ antialias, preserveDrawingBuffer: true }}>
      <Controls low={scene.low} high={scene.high} flat={scene.flat} up={scene.up} cover={scene.cover ?? FREE} handle={scene.keep} link={scene.link} />
      {children}
    </Canvas>
  );
}
