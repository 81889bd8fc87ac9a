/** A sweep of frequencies: shares of the mass that its modes carry, and where that is too little. */
export interface SweepFinding {
  kind: "sweep";
  statement: string;
  of: string;
  from: number;
  to: number;
  frequencies: number;
  carried: number[];
  enough: number;
  short: string[];
  modes: { number: number; frequency: number; damping: number; push: number; answer: number | null }[];
  /** Whether it goes beyond the last mode. */
  beyond: boolean;
  /** Whether what the modes left out add is taken in. */
  residual: boolean;
}

/** Sound power over frequency, W. */
export interface PowerFinding {
  kind: "radiated_power";
  statement: string;
  name: string;
  values: number[];
  decibels: number[];
  faces: { name: string; values: number[] }[];
  peak: number;
  dimension: string;
}

/** One closed loop of stress at the worst point; Pa. */
export interface LifeLoop {
  from: number;
  to: number;
  amplitude: number;
  mean: number;
  greatest: number;
  strain: number | null;
  equivalent: number | null;
  reduced: number | null;
  life: number | null;
  damage: number;
}

/** How long a part lives, where it is worst, and how that came about. */
export interface LifeFinding {
  kind: "life";
  statement: string;
  of: string;
  by: "stress" | "strain";
  uses: string;
  design: number | null;
  unit: { name: string; passes: number } | null;
  worst: { body: string; layer: string | null; at: number[]; damage: number; life: number | null; safety: number; values: number[]; strains?: number[] | null };
  loops: LifeLoop[];
  of_loops: number;
  matrix: { amplitude: number; mean: number; count: number; damage: number }[];
  peak: number;
  yields: boolean | null;
  estimated: boolean;
  factors: Record<string, number>;
  /** How those that follow by hand came about. */
  worked?: Record<string, string>;
  rule: string;
  strength: number | null;
  above: boolean;
  curve: { cycles: number; stress: number }[];
  /** Amplitudes that are borne for a life over their mean, Pa; level: about no mean. None of strains, or of curves by ratio. */
  diagram?: { life: number; level: number; line: [number, number][] } | null;
  law: Record<string, number> | null;
  /** Of strains: branch after branch at the worst point, strains and stresses in Pa; the way up from rest first. */
  course?: [number[], number[]][] | null;
  /** Whether strain is what a study in stages found, and follows from no elastic stress. */
  as_found?: boolean;
  utilisation: number | null;
  margin: number | null;
  holds: boolean;
}

/** A course of time by modes; coarse: how many of them swing too fast for the step. */
export interface TransientFinding {
  kind: "transient";
  statement: string;
  of: string;
  moments: number;
  until: number;
  step: number;
  modes: number;
  residual: boolean;
  relative: boolean;
  coarse: number;
}

/** What flows in (and, negative, out) of a heat study, W; temperatures in K. */
export interface HeatFinding {
  kind: "heat";
  statement: string;
  rows: { statement: string; how: string; target: string; power: number }[];
  error: number;
  least: number;
  greatest: number;
  holds: boolean;
}
