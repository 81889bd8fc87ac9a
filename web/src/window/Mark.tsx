import { useRef } from "react";
import { useFrame } from "@react-three/fiber";
import { Vector3 } from "three";

/** Keeps an HTML label over a place of the model. */
export function Follow({ at, label }: { at: [number, number, number]; label: HTMLElement | null }) {
  const place = useRef(new Vector3());
  useFrame(({ camera, size }) => {
    if (!label) return;
    place.current.set(...at).project(camera);
    const x = ((place.current.x + 1) / 2) * size.width;
    const y = ((1 - place.current.y) / 2) * size.height;
    label.style.transform = `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px)`;
  });
  return null;
}
