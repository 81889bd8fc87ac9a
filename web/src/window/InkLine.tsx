import { useMemo } from "react";
import type { ThreeElements } from "@react-three/fiber";
import { type BufferGeometry, Line, LineBasicMaterial } from "three";

type Events = Pick<ThreeElements["mesh"], "onClick" | "onPointerOver" | "onPointerOut">;

/** A thin polyline; the element <line> would be taken for SVG. */
export function InkLine({ geometry, colour, ...events }: { geometry: BufferGeometry; colour: string } & Events) {
  const object = useMemo(() => new Line(geometry, new LineBasicMaterial()), [geometry]);
  (object.material as LineBasicMaterial).color.set(colour);
  return <primitive object={object} {...events} />;
}
