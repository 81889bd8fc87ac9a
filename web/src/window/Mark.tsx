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

/** A text over the window, which Follow keeps at a place. */
export function Label({ keep, text, tone }: { keep: (element: HTMLElement | null) => void; text: string; tone: string }) {
  return (
    <span ref={keep} className="absolute left-0 top-0 block size-0">
      <span className="absolute -left-1 -top-1 size-2 rounded-full border-2 border-slate bg-white" />
      <span className={`absolute bottom-2 left-2 whitespace-nowrap rounded px-2 py-0.5 font-mono text-[12px] shadow ${tone}`}>{text}</span>
    </span>
  );
}
