/** Loads that grew until the part gave way, or as far as they were to. */
export interface CollapseFinding {
  kind: "collapse";
  statement: string;
  frame_name: string | null;
  /** The load factor at which it gives way, the frame before it, and the lowest after it. */
  factor: number | null;
  at: number | null;
  least: number | null;
  /** Where it goes soft without falling: the load rises by less than a tenth of what it did on the whole so far. */
  soft: { frame: number; factor: number } | null;
  reached: number;
  /** Of these the one that counts. */
  bears: number;
  /** From where on some direction does not resist any more. */
  lower: { frame: number; factor: number; directions: number | null } | null;
  increments: number;
  iterations: number;
  cuts: number;
  reason: string;
  /** What was left over, iteration by iteration of each increment, against what acts. */
  residuals: number[][];
  /** How far the part, and what joins its parts, turns; rad. */
  turned: number;
  joins: number;
  loads: { label: string; size: number; dimension: string }[];
  /** The place that moves most, from where nothing moves: m, and load factors. */
  curve: { at: number[]; component: string; moved: number[]; factors: number[] };
  imperfection: number | null;
  touches: TouchFinding[];
  yields: { body: string; factor: number } | null;
  at_least: number | null;
  utilisation: number | null;
  margin: number | null;
  holds: boolean;
}

/** What passes through a touch: N, shares of its area, Pa, m. */
export interface TouchAt {
  force: number[];
  normal: number;
  shear: number;
  greatest: number;
  closed: number;
  /** Of those with friction. */
  sticks: number | null;
  slides: number | null;
  into: number;
  size: number;
}

export interface TouchFinding {
  statement: string;
  label: string;
  friction: number;
  start: { least: number; greatest: number; area: number; nodes: number; size: number };
  /** Increment by increment. */
  rows: TouchAt[];
}

/** What every stage ended with; the last one may not have come to its end. */
export interface StagesFinding {
  kind: "stages";
  statement: string;
  rows: { name: string; frame: number | null; increments: number; cuts: number; residuals: number[][]; displacement: number | null; von_mises: number | null; plastic: number | null; cracks?: { strain: number; width: number } | null; absent?: string[]; anchors?: { name: string; force: number; bonded: number }[]; strips?: Record<string, [number, number, number][]> | null }[];
  /** Where it ended before its end; loose: the motion that nothing resists there. */
  broken: { stage: string; level: number; at: number[] | null; loose?: string | null } | null;
  joins: number;
  /** What weak springs took on the way, of what all loads did; null without. */
  steadied?: number | null;
  /** Frames that are ends of stages. */
  ends: number[];
  touches: TouchFinding[];
  /** Slender regions along which forces are told, m; and what is not there, frame by frame, where anything comes or goes. */
  strips?: { name: string; along: number[]; length: number; from: [number, number, number]; upto: [number, number, number]; greatest?: number[][]; least?: number[][]; peaks?: { stage: string; value: number }[] }[];
  absent?: string[][];
  /** What sections of concrete half way along beams bear by hand, sagging and hogging, and what acts there at the ends of stages, N m. */
  sections?: { body: string; at: number; bears: [number, number]; acts: (number | null)[] }[];
  /** The place that moves most, from where nothing moves: m, and what each case is multiplied by then. */
  curve?: { at: number[]; component: string; moved: number[]; factors: Record<string, number[]>; slopes: Record<string, number | null> };
  holds: boolean;
}

/** How many times less ground may bear. */
export interface StrengthFinding {
  kind: "strength";
  statement: string;
  /** The last factor at which it stands, and the least at which it does not; null where it never slid. */
  factor: number;
  slides: number | null;
  factors: number[];
  moved: number[];
  iterations: number;
  cuts: number;
  stage: string;
  residuals: number[][];
  absent: string[];
  at_least: number | null;
  utilisation: number | null;
  margin: number | null;
  holds: boolean;
}
