import { useLayoutEffect } from "react";
import { useFrame, useThree } from "@react-three/fiber";
import { Vector3, type Camera } from "three";

/** Keeps an HTML label over a place of the model. */
export function Follow({ at, label }: { at: [number, number, number]; label: HTMLElement | null }) {
  const { camera, size } = useThree();
  // At once, too: a label that comes or moves needs no new drawing of the part.
  useLayoutEffect(() => putOver(label, at, camera, size), [label, at, camera, size]);
  useFrame(() => putOver(label, at, camera, size));
  return null;
}

const place = new Vector3();

/** Moves an element of the window's corner over a place of the model. */
export function putOver(element: HTMLElement | null | undefined, at: [number, number, number], camera: Camera, size: { width: number; height: number }): void {
  if (!element) return;
  place.set(...at).project(camera);
  const x = ((place.x + 1) / 2) * size.width;
  const y = ((1 - place.y) / 2) * size.height;
  element.style.transform = `translate(${x.toFixed(1)}px, ${y.toFixed(1)}px)`;
}

/** A text over the window, which Follow keeps at a place. */
export function Label({ keep, text, tone }: { keep: (element: HTMLElement | null) => void; text: string; tone: string }) {
  return <Spot keep={keep} text={text} tone={tone} />;
}

/** A dot with a text beside it; one that can be taken away is a button. */
export function Spot({ keep, text, tone, onDrop }: { keep?: (element: HTMLElement | null) => void; text: string; tone: string; onDrop?: () => void }) {
  const look = `absolute bottom-2 left-2 whitespace-nowrap rounded px-2 py-0.5 font-mono text-[12px] shadow ${tone}`;
  return (
    <span ref={keep} className="absolute left-0 top-0 block size-0">
      <span className="absolute -left-1 -top-1 size-2 rounded-full border-2 border-slate bg-white" />
      {onDrop ? (
        <button className={`${look} pointer-events-auto hover:line-through`} title="Take this label away" onClick={onDrop}>
          {text}
        </button>
      ) : (
        <span className={look}>{text}</span>
      )}
    </span>
  );
}
