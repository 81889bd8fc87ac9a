import type { Corner } from "../api/model";
import { polar, type Point } from "./plane";

/** A corner as it was set: where it lies on the paper, and what the note will say of it. */
export interface Sketched {
  at: Point;
  corner: Corner;
}

/** How a typed corner is placed. */
export type Way = "at" | "step" | "angle";

const NUMBER = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)(e[+-]?\d+)?$/i;

/** A plain number; null for anything else: a unit typed along would not be the one shown beside the field. */
function plain(text: string): number | null {
  const trimmed = text.trim();
  return NUMBER.test(trimmed) ? Number(trimmed.replace(",", ".")) : null;
}

/**
 * A corner from two typed numbers, in the unit shown (+factor+ metres); it is kept in the words it
 * was typed in. Null when they are not numbers, or when there is no corner to step from.
 */
export function typed(way: Way, values: readonly [string, string], last: Point | null, unit: string, factor: number): Sketched | null {
  const [a, b] = [plain(values[0]), plain(values[1])];
  if (a === null || b === null || (way !== "at" && !last)) return null;
  const [x, y] = last ?? [0, 0];
  if (way === "at") return { at: [a * factor, b * factor], corner: { x: `${a} ${unit}`, y: `${b} ${unit}` } };
  if (way === "step") return { at: [x + a * factor, y + b * factor], corner: { dx: `${a} ${unit}`, dy: `${b} ${unit}` } };
  const turn = (b * Math.PI) / 180;
  return { at: [x + a * factor * Math.cos(turn), y + a * factor * Math.sin(turn)], corner: { distance: `${a} ${unit}`, angle: `${b} deg` } };
}

/** The rubber line from the last corner to the pointer, in words' numbers. */
export const rubber = (sketch: Sketched[], pointer: Point | null) => {
  const last = sketch.at(-1);
  return last && pointer ? polar(last.at, pointer) : null;
};
