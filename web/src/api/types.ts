import type { Eye } from "../window/eye";
import type { Findings } from "./findings";
import type { Axis, Reading } from "./results";
import type { Model, Section, Statement } from "./model";
import type { MotionView } from "./shaking";

export type { Model, Statement };
export type * from "./collapse";
export type * from "./findings";
export type * from "./joined";
export type * from "./shaking";
export type Kind = Statement["kind"];
export type Of<K extends Kind> = Extract<Statement, { kind: K }>;
export type PlaceKey = [body: string, name: string];
export type PlaceKind = "faces" | "edges" | "points" | "bodies";

export interface Place {
  body: string;
  of: PlaceKind;
  name: string;
  kind: string;
  bounds: [number[], number[]];
  bore: number | null;
  measure: number | null;
  at: number[];
  normal: number[] | null;
  axis: number[] | null;
  radius: number | null;
}

export interface OutlineLoop {
  points: [number, number][];
  keys: string[];
}

export interface SpaceLine {
  points: [number, number, number][];
  keys: string[];
}

export interface Body {
  name: string;
  make: string;
  thickness: number | null;
  volume: number;
  area: number;
  length: number | null;
  mass: number | null;
  material: string | null;
  section: string;
  outline: string | null;
  closed: boolean;
  centre: number[];
  faces: number;
  merged: Record<string, number>;
  bounds: [number[], number[]];
}

/** What reading a file found and mended. */
export type Report = Record<string, number | number[]>;

export interface Shape {
  digest: string;
  dimension: number | null;
  size: number | null;
  up: "y" | "z";
  bodies: Body[];
  /** Of all bodies; the mass is of those whose density, and of members whose section, is known; complete when that is all. */
  total: { volume: number; mass: number | null; complete: boolean; faces: number };
  outlines: Record<string, OutlineLoop[]>;
  lines: Record<string, SpaceLine>;
  /** Where the typed corners of outlines and lines lie, by the statement's id. */
  corners: Record<string, number[][]>;
  /** What dividers part outlines into, by the outline's name. */
  regions: Record<string, { name: string; at: number[]; loops: OutlineLoop[] }[]>;
  /** The faces that imprints made, by the statement's id. */
  patches: Record<string, { places: PlaceKey[]; area: number }>;
  reports: Record<string, Report>;
  /** Where axes of supports and loads go through, by the statement's id. */
  through: Record<string, [number, number, number]>;
  /** The bolts of every statement, in their order. */
  bolts: Record<string, { number: number; radius: number; head: [number, number, number]; nut: [number, number, number]; grip: number; first: string; last: string }[]>;
  /** From one side of every join to the other: body and place in space, m. */
  lines_between: { statement: string; ends: [body: string, at: [number, number, number]][] }[];
}

/** What goes with the arrays of a shape: runs of triangles and of line pieces. */
export interface ShapeMeta {
  faces: [body: string, name: string, first: number, count: number, colour: number[] | null][];
  edges: [body: string, name: string, first: number, count: number][];
  bodies: { name: string; colour: number[] | null }[];
  places: Place[];
}

export interface MeasureLine {
  words: string;
  value: number | number[];
  kind: string;
}

export interface Notice {
  severity: "stops" | "odd";
  statement: string | null;
  path: string | null;
  message: string;
  cure: string | null;
  /** Where in space it is, m. */
  place?: [number, number, number];
  motions?: Motion[];
}

/** What keeps a model from being shown. */
export interface Fault {
  message: string;
  cure: string | null;
  statement: string | null;
}

export interface MeshSummary {
  elements: number;
  nodes: number;
  unknowns: number;
  kinds: Record<string, number>;
  quality: { key: string; measure: string; worst: number; first_percentile: number; mean: number } | null;
}

/** One way to measure elements: its spread over the mesh. */
export interface Measure {
  key: string;
  name: string;
  unit: string | null;
  worse: "low" | "high";
  range: [number, number];
  warns: number;
  worst: number;
  first_percentile: number;
  mean: number;
  histogram: number[];
  warned: number;
}

export interface Quality {
  measures: Measure[];
  measure: string;
  worst: { number: number; kind: string; body: string; value: number; centre: [number, number, number] }[];
}

/** Which elements of a mesh are looked at. */
export interface MeshChoice {
  measure: string;
  axis: "x" | "y" | "z" | null;
  at: number;
  turned: boolean;
  body: string | null;
  worse: number | null;
}

/** A motion that nothing resists. */
export interface Motion {
  bodies: string[];
  slide: [number, number, number];
  turn: [number, number, number];
  centre: [number, number, number];
}

export interface StudyState {
  name: string;
  statement: string;
  state: "solved" | "stale" | "unsolved";
  findings: Findings | null;
  result: string | null;
  mesh: string | null;
}

/** What came to rest, or is being tried, of a study in increments. */
export interface Increment {
  name: string | null;
  level: number;
  /** What was left over, iteration by iteration, against what acts. */
  residuals: number[];
  /** Places that press, iteration by iteration; none where nothing touches. */
  pressing: number[];
}

export interface Run {
  id: string;
  model_id: string;
  kind: "study" | "mesh";
  study: string | null;
  state: "queued" | "running" | "done" | "failed" | "stopped" | "interrupted";
  phase: string | null;
  share: number;
  log: string;
  /** How many increments came to rest, and whether they are kept to go on from; of what runs the last of them, and what is being tried. */
  increments: number;
  keeps: boolean;
  course: Increment[];
  trying: Increment | null;
  error: string | null;
  /** place: where what kept a run from ending well lies, m. */
  outcome: { memory?: number; phases?: Record<string, number>; place?: [number, number, number]; motions?: Motion[] } | null;
  created_at: string;
  started_at: string | null;
  finished_at: string | null;
}

export interface SavedView {
  low: number | null;
  high: number | null;
  camera: Eye | null;
  around: Reading["around"];
  cut: { axis: Axis; at: number; turned: boolean } | null;
}

/** Moment over curvature about an axis of a section, N m and 1/m. */
export interface MomentCurve {
  axis: string;
  sign: number;
  curvatures: number[];
  moments: number[];
}

export interface ModelView {
  id: string;
  project: { id: string; name: string };
  version: number;
  document: Model;
  can_undo: boolean;
  can_redo: boolean;
  shape: Shape;
  groups: Record<string, PlaceKey[]>;
  /** Curves of what yields, by statement: plastic strain, and Pa. */
  flows: Record<string, [number, number][]>;
  /** By statement how ground presses sideways: parts of the weight above, and what cohesion takes off and adds, Pa. */
  pressures: Record<string, { active: number; passive: number; rest: number; less: number; more: number }>;
  /** Of studies damped by mass and stiffness: Hz and ratios of the curve, the two points given, α in 1/s and β in s. */
  dampings: Record<string, { frequencies: number[]; ratios: number[]; ends: [number, number][]; mass: number; stiffness: number }>;
  /** Springs with a curve, by statement: m and N, both ways. */
  springs: Record<string, { moves: number[]; forces: number[] }>;
  /** Sides and base of ground at rest that nothing holds yet: planes, m, and along what they would be held. */
  holds: { name: string; axis: "x" | "y" | "z"; at: number; components: ("x" | "y" | "z")[] }[];
  /** Materials with a table over temperature, by statement: K, Pa and 1/K. */
  warmths: Record<string, { temperatures: number[]; young: number[] | null; expansion: number[] | null }>;
  /** Sections of concrete with bars, by statement: bars as x, y and diameter, m; how they bend. */
  bends: Record<string, { bars: [number, number, number][]; curves: MomentCurve[] }>;
  /** Sections of members whose metal flows, by what yields: how they bend. */
  bows: Record<string, { outline: string; curves: MomentCurve[] }[]>;
  /** Ground motions that can be read, by statement. */
  motions: Record<string, MotionView>;
  /** Views that can be shown, by statement: ends in the field's unit of SI, lengths in m. */
  views: Record<string, SavedView>;
  ready: boolean;
  notices: Notice[];
  /** Hand checks that would suit, as statements have them. */
  offers: Pick<Of<"hand_check">, "study" | "body" | "beam" | "plate" | "flows">[];
  /** before: the mesh made last, as long as the model as it is now has none. */
  mesh: { digest: string; summary: MeshSummary | null; before: { digest: string; summary: MeshSummary } | null } | null;
  studies: StudyState[];
  runs: Run[];
  fault: Fault | null;
}

export interface ProjectEntry {
  id: string;
  name: string;
  changed_at: string;
  models: { id: string; name: string; changed_at: string; verdict: { hold: number; fail: number; stale: number; studies: number; fault?: string } }[];
}

/** A section as an outline draws it. */
export type SectionData = Section["section"];

/** A cross-section as it is drawn, and what it measures: m², m⁴ about the level and the upright axis. */
export interface LibrarySection {
  name: string;
  kind?: string;
  category?: string;
  source?: string;
  own?: boolean;
  shape: SectionData["shape"];
  height: string;
  width?: string;
  web: string;
  flange?: string;
  root?: string;
  area: number;
  level: number;
  upright: number;
}

export interface LibraryMaterial {
  name: string;
  category?: string;
  young: string;
  poisson: string;
  density?: string;
  expansion?: string;
  conductivity?: string;
  yield?: string;
  ultimate?: string;
  source?: string;
  /** Of the user's own. */
  own?: boolean;
}
