import type { ResultFrame } from "./types";

/** Whether a frame is a shape, which has no size: its largest movement is one. */
export const isShape = (frame: ResultFrame | undefined) => frame?.kind === "mode" || frame?.kind === "shape";
