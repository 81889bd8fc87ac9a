import type { CollapseFinding, StagesFinding, StrengthFinding } from "./collapse";
import type { HeatFinding, LifeFinding, PowerFinding, SweepFinding, TransientFinding } from "./cyclic";
import type { BoltsFinding, BoltInfo, BoltForces, BarsFinding, MembersFinding, ConnectorInfo, BarInfo, JoinReport, MemberRow } from "./joined";
import type { ShakingFinding, StoreysFinding } from "./shaking";
import type { MeshSummary } from "./types";

export type { HeatFinding, LifeFinding, LifeLoop, PowerFinding, SweepFinding, TransientFinding } from "./cyclic";

export interface LimitFinding {
  kind: "limit";
  statement: string;
  quantity: string;
  words: string;
  target: string;
  dimension: string;
  value: number;
  allowed: number;
  utilisation: number;
  margin: number;
  holds: boolean;
  at: number[] | null;
  /** The frame that decides, where there are several. */
  frame_name: string | null;
}

export interface HandCheckFinding {
  kind: "hand_check";
  statement: string;
  beam?: string;
  plate?: string;
  body: string;
  what: string;
  dimension: string;
  estimate: number;
  /** Null where no shape that was found is of that kind. */
  computed: number | null;
  /** The frame it was found in. */
  shape?: string | null;
  difference: number | null;
  direction: string;
  span: number;
}

export interface EquilibriumFinding {
  kind: "equilibrium";
  value: number;
  holds: boolean;
}

/** That a linear answer turns far: rad, where (m), and in which frame. */
export interface TurnsFinding {
  kind: "turns";
  statement: string;
  angle: number;
  at: [number, number, number];
  frame: number;
  frame_name: string | null;
}

/** A field along a path, null where it is outside, frame by frame. */
export interface AlongPath {
  quantity: string;
  words: string;
  dimension: string;
  values: (number | null)[][];
}

/** Fields along a path: the first, and more. */
export interface PathFinding extends AlongPath {
  kind: "path";
  statement: string;
  name: string;
  more: AlongPath[];
  distance: number[];
  ends: number[][];
  outside: number;
}

/** What a peak does on ever finer meshes. */
export interface LadderFinding {
  kind: "ladder";
  statement: string;
  of: string;
  target: string | null;
  quantity: string;
  words: string;
  dimension: string;
  /** From coarse to fine; element: the peak before averaging. */
  rows: { finer: number; elements: number; unknowns: number; value: number; element: number; at: number[]; seconds: number; error: number | null }[];
  state: "settled" | "rising" | "singular" | "doubtful" | "uneven";
  order: number | null;
  extrapolated: number | null;
  change: number;
  at: number[];
  /** Balls in which the first mesh should be finer. */
  proposed: { at: number[]; radius: number; size: number; error: number }[];
  /** Planes about which the model is symmetric, and how far its answer is from it. */
  symmetry?: { axis: "x" | "y" | "z"; at: number; difference: number; holds: boolean }[];
}

/** How a close-up fits its whole. */
export interface CloseUpFinding {
  kind: "close_up";
  statement: string;
  of: string;
  nodes: number;
  /** Of the stress on the cut, as a share of the peak. */
  difference: number;
  depth: number;
  elements: number;
  peak: { value: number; element: number; at: number[] };
  whole: { value: number; at: number[] } | null;
}

/** A quantity at a place, frame by frame. */
export interface GaugeFinding {
  kind: "gauge";
  statement: string;
  name: string;
  words: string;
  dimension: string;
  values: (number | null)[];
  /** Of a sweep: the frame of its greatest value, how far it lags behind in degrees, and how many times the static value it is. */
  peak?: number;
  lags?: number[] | null;
  amplification?: number | null;
  /** By hand: what one mass on a spring would do there, of the nearest mode. */
  one_mass?: { mode: number; amplification: number } | null;
  /** Of a gauge of forces: how many bolts or joints it may read. */
  among?: number;
}

/** What passes through a plane, frame by frame; N, N m and m. */
export interface SectionFinding {
  kind: "section_cut";
  statement: string;
  name: string;
  axis: "x" | "y" | "z";
  about: number[];
  forces: (number[] | null)[];
  moments: (number[] | null)[];
}

export interface ModeRow {
  number: number;
  frequency: number;
  /** s; none of rigid motions. */
  period: number | null;
  /** Of all mass that can move along x, y and z; and summed so far. */
  shares: number[];
  sums: number[];
  rigid: boolean;
  words: string;
  inside: boolean;
}

/** The natural frequencies of a part. */
export interface ModesFinding {
  kind: "modes";
  statement: string;
  rows: ModeRow[];
  mass: number[];
  /** Modes below a frequency by their number, and those found; null where they were too many unknowns to count. */
  counted: { below: number; found: number; frequency: number } | null;
  /** How far it sags under its weight along an axis, and what frequency that makes by hand, beside a mode that goes that way. */
  sags: { axis: string; sag: number; simple: number; whole: number; mode: number }[];
}

/** Whether what runs meets a natural frequency. */
export interface ResonanceFinding {
  kind: "resonance";
  statement: string;
  from: number;
  to: number;
  inside: number[];
  holds: boolean;
}

/** By how much loads may grow until a part buckles. */
export interface BucklingFinding {
  kind: "buckling";
  statement: string;
  of: string;
  frame_name: string | null;
  rows: { number: number; factor: number; words: string }[];
  factor: number;
  /** For loads the other way round. */
  reverse: number | null;
  loads: { label: string; size: number; dimension: string }[];
  yields: { body: string; factor: number } | null;
  at_least: number | null;
  margin: number | null;
  holds: boolean;
}

export type Finding = ModesFinding | ResonanceFinding | BucklingFinding | CollapseFinding | StagesFinding | StrengthFinding | ShakingFinding | StoreysFinding | GaugeFinding | SweepFinding | PowerFinding | LifeFinding | HeatFinding | TransientFinding | SectionFinding | LadderFinding | CloseUpFinding | BoltsFinding | BarsFinding | MembersFinding | LimitFinding | HandCheckFinding | EquilibriumFinding | TurnsFinding | PathFinding;

/** What a load pushes in all, as it came to the nodes; moments about the origin. */
export interface LoadTotal {
  statement: string;
  label: string;
  case: string;
  force: number[];
  moment: number[];
}

/** What is told of one frame; an envelope has peaks alone. */
export interface FrameSummary {
  energy?: number | null;
  balance?: { load: number[]; reaction: number[]; load_moment: number[]; reaction_moment: number[]; error: number; size: number };
  peaks: {
    /** None of shapes, which have no size. */
    von_mises?: { value: number; at: number[]; unaveraged: number | null };
    displacement: { value: number; at: number[] };
  };
  supports?: { statement: string; target: string; reaction: number[] }[];
  members?: MemberRow[];
  bolt_forces?: BoltForces[];
  /** Of every connector: forces along its axes, moments about them, 1 while it acts, m that it stands apart. */
  connector_forces?: number[][];
  /** Of every piece of a bar; force of all that lie side by side. */
  bar_forces?: { strain: number; stress: number; force: number }[];
}

export interface ResultFrame extends FrameSummary {
  index: number;
  kind: string;
  name: string;
  /** Frequency or factor, of the kind of quantity that unit tells. */
  value: number | null;
  unit: string | null;
}

export interface Findings {
  study: string;
  findings: Finding[];
  holds: boolean;
  /** What gives way first, of all that has a utilisation. */
  first: { statement: string; kind: string; what: string; safety: number; utilisation: number } | null;
  summary: {
    mesh: MeshSummary;
    mass: number | null;
    loads: LoadTotal[];
    joins: JoinReport[];
    bolts: BoltInfo[];
    connectors: ConnectorInfo[];
    bars: BarInfo[];
    /** The fields of the result, their words and kinds of quantity. */
    catalogue: { name: string; words: string; dimension: string }[];
    /** Of shells; one without a name elsewhere. */
    layers: string[];
    /** Fields are known as every element has them, and along axes that go around. */
    by_element: boolean;
    frames: ResultFrame[];
  };
}
