/** How far the bolts of a statement are used, the most used of them. */
export interface BoltsFinding {
  kind: "bolts";
  statement: string;
  count: number;
  bolt: string;
  tension: number;
  shear: number;
  used: BoltUse;
  /** Factors of safety; null where nothing acts. */
  safety: { tension: number | null; shear: number | null };
  utilisation: number;
  margin: number;
  holds: boolean;
  frame_name: string | null;
}

export interface BoltUse {
  tension: number;
  shear: number;
  combined: number;
}

/** What a bolt is; its forces stand in each frame, in the same order. */
export interface BoltInfo {
  statement: string;
  label: string;
  number: number;
  size: string;
  class: string;
  head: [number, number, number];
  nut: [number, number, number];
  proof: number;
  shear_force: number;
  tightened: number | null;
}

/** N and N m at head and nut. */
export interface BoltForces {
  tension: number[];
  shear: number[];
  bending: number[];
  used: BoltUse;
}

/** Embedded bars against their yield strength: the most stressed piece. */
export interface BarsFinding {
  kind: "bars";
  statement: string;
  target: string;
  stress: number;
  strain: number;
  allowed: number;
  utilisation: number;
  margin: number;
  holds: boolean;
  at: number[];
  frame_name: string | null;
}

/** How far a member is used, in the frame that uses it most. */
export interface MemberUse {
  body: string;
  name: string;
  tension: number;
  compression: number;
  shear: number;
  by: string;
  utilisation: number;
  frame_name: string | null;
}

export interface MembersFinding {
  kind: "members";
  statement: string;
  target: string;
  name: string;
  by: string;
  utilisation: number;
  margin: number;
  holds: boolean;
  frame_name: string | null;
  /** All members, the most used first. */
  members: MemberUse[];
}

/** What joins two places, or holds one to the ground. */
export interface ConnectorInfo {
  statement: string;
  kind: string;
  label: string;
  at: [number, number, number];
  /** Rows: its axes; forces stand along them. */
  axes: number[][];
  components: number[];
  way: "push" | "pull" | null;
  ground: boolean;
  /** Over the frames that are judged: the greatest size of its force, N, and the frames in which it lets go. */
  most: number;
  opens: string[];
}

/** What of an embedded bar lies in one element. */
export interface BarInfo {
  statement: string;
  label: string;
  from: number;
  upto: number;
  at: [number, number, number];
  area: number;
  young: number;
}

/** What a join found: m² (or m) that lie on the other side, distances in m, nodes that follow. */
export interface JoinReport {
  statement: string;
  label: string;
  covered: number | null;
  whole: number | null;
  least: number;
  greatest: number;
  nodes: number;
  /** Nodes that lay out of reach, of beds. */
  left?: number;
  /** Of mapped temperatures: how many points there were, how many nodes lie too far, a histogram of distances up to the farthest, and what both fields are, K. */
  points?: number;
  far?: number;
  reach?: number;
  farthest?: number;
  bars?: number[];
  /** Of what was carried over, where that is no temperature. */
  dimension?: string;
  source?: { least: number; greatest: number; mean: number };
  target?: { least: number; greatest: number; mean: number };
  /** Some of the points and of the nodes, as across, up and value, m: seen along the shortest side. */
  seen?: { axes: string[]; source: [number, number, number][]; target: [number, number, number][] };
}

/** A member with the forces in it: at its ends, and the extremes between. */
export interface MemberRow {
  body: string;
  name: string;
  /** Largest stress along it, in size, Pa. */
  stress: number;
  forces: Record<"N" | "V2" | "V3" | "T" | "M2" | "M3", { start: number; finish: number; greatest: number; least: number }>;
}
