import type { KeyboardEvent } from "react";
import { useDesk } from "../workspace/desk";

/**
 * What strips of frames have in common: a frame is chosen by a click, or by the arrow keys from the one that is shown.
 * @param count of all frames
 * @param drawn of those that have a place on the strip
 */
export function useStrip(at: number, count: number, drawn = count) {
  const { set } = useDesk();
  const choose = (frame: number) => set({ frame: Math.min(Math.max(frame, 0), count - 1), ends: { low: null, high: null } });
  function onKeyDown(event: KeyboardEvent<HTMLDivElement>) {
    const step = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
    if (!step) return;
    event.preventDefault();
    choose(at + step);
    event.currentTarget.querySelectorAll<HTMLButtonElement>("[role=radio]")[Math.min(Math.max(at + step, 0), drawn - 1)]?.focus();
  }
  return { choose, strip: { role: "radiogroup", "aria-label": "Frames", onKeyDown } as const };
}
