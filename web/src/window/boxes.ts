import type { ModelView } from "../api/types";

export interface Box {
  low: number[];
  high: number[];
}

const kept = new WeakMap<Float32Array, Box>();

/** The box of the points of a skin; the same object as long as the points are. */
export function boxOfPoints(positions: Float32Array): Box {
  const before = kept.get(positions);
  if (before) return before;
  const [low, high] = [[Infinity, Infinity, Infinity], [-Infinity, -Infinity, -Infinity]];
  positions.forEach((v, i) => {
    low[i % 3] = Math.min(low[i % 3] as number, v);
    high[i % 3] = Math.max(high[i % 3] as number, v);
  });
  const made = positions.length > 0 ? { low, high } : { low: [-0.05, -0.05, 0], high: [0.05, 0.05, 0] };
  kept.set(positions, made);
  return made;
}

/** The box around all bodies and outlines of a model. */
export function boxOfModel(view: ModelView): Box {
  const corners = view.shape.bodies.flatMap((b) => b.bounds);
  const drawn = Object.values(view.shape.outlines).flatMap((loops) => loops.flatMap((l) => l.points.map(([x, y]) => [x, y, 0])));
  const run = Object.values(view.shape.lines).flatMap((l) => l.points);
  return boxOfCorners(corners.length ? corners : [...drawn, ...run]);
}

/** The box around some points. */
export function boxOfCorners(all: number[][]): Box {
  if (all.length === 0) return { low: [-0.05, -0.05, 0], high: [0.05, 0.05, 0] };
  const end = (pick: (...v: number[]) => number) => [0, 1, 2].map((k) => pick(...all.map((c) => c[k] as number)));
  return { low: end(Math.min), high: end(Math.max) };
}

const ends = ({ low, high }: Box, axis: "x" | "y" | "z"): [number, number] => ["xyz".indexOf(axis)].flatMap((k) => [low[k] as number, high[k] as number]) as [number, number];

/** A place on an axis, of a share of a box's extent; and the share of a place. */
export const lengthAt = (box: Box, axis: "x" | "y" | "z", share: number) => (([from, to]) => from + share * (to - from))(ends(box, axis));
export const shareAt = (box: Box, axis: "x" | "y" | "z", place: number) => (([from, to]) => (place - from) / (to - from || 1))(ends(box, axis));
