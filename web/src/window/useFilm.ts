import { useEffect } from "react";
import { useDesk } from "../workspace/desk";

const FRAME = 140; // ms
const REST = 900; // ms, on the last one

/** Shows one frame after the other, from the first again after the last; speed: times as fast as usual. */
export function useFilm(runs: boolean, count: number, speed: number) {
  const { frame, set } = useDesk();
  useEffect(() => {
    if (!runs || count < 2) return;
    const timer = setTimeout(() => set({ frame: (frame + 1) % count }), (frame === count - 1 ? REST : FRAME) / speed);
    return () => clearTimeout(timer);
  }, [runs, count, speed, frame, set]);
}
