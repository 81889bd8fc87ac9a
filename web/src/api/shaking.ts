/** How the floors of a building moved against each other; by frame of a collapse, by moment of an earthquake. */
export interface StoreysFinding {
  kind: "storeys";
  statement: string;
  /** The two axes across which floors move. */
  axes: [string, string];
  floors: { name: string; level: number; height: number }[];
  /** By frame or moment, and floor: m along both axes. */
  moved: [number, number][][];
  /** What passes into the feet along both axes, N. */
  base: [number, number][];
  /** Of every storey the greatest by its height, and the frame of it. */
  drifts: { drift: number; frame: number }[];
  /** m, of every floor. */
  farthest: number[];
  /** With the ground, m/s²; of an earthquake alone, as is the greatest of every floor. */
  rates?: [number, number][][];
  fastest?: number[];
  worst: number;
  drift: number;
  frame: number;
  at_most: number | null;
  utilisation: number | null;
  margin: number | null;
  holds: boolean;
  target: string;
}

/** One of many runs. */
export interface ShakenRun {
  motion: string;
  scale: number;
  peak: number;
  drifts: number[] | null;
  base: number;
  farthest: number;
  /** s, where it came to no rest. */
  stuck: number | null;
}

export interface ShakingFinding {
  kind: "shaking";
  statement: string;
  times: number[];
  base: [number, number][];
  /** m/s² along every direction. */
  ground: number[][];
  farthest: number[];
  most: { base: number; farthest: number; ground: number[] };
  iterations: number;
  steps: number;
  parts: number;
  step: number;
  every: number;
  mass: number | null;
  motions: { name: string; along: [number, number, number]; scale: number; peak: number }[];
  stuck: { time: number; at: number[] } | null;
  runs: ShakenRun[] | null;
  holds: boolean;
}

/** A record as it is drawn: peak m/s², spectrum m/s² over periods in s. */
export interface MotionView {
  peak: number;
  duration: number;
  step: number;
  count: number;
  periods: number[];
  spectrum: number[];
  values: number[];
}

/** A record that was read. */
export interface MotionRead {
  step: number;
  unit: "m/s2" | "g";
  values: number[];
}
