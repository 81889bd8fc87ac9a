import type { Model, Statement } from "./model";

export type { Model, Statement };
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
}

export interface OutlineLoop {
  points: [number, number][];
  keys: string[];
}

export interface Body {
  name: string;
  make: string;
  thickness: number;
  volume: number;
  area: number;
  outline: string;
}

export interface Shape {
  digest: string;
  dimension: number | null;
  size: number | null;
  bodies: Body[];
  outlines: Record<string, OutlineLoop[]>;
  places: Place[];
}

export interface Notice {
  severity: "stops" | "odd";
  statement: string | null;
  path: string | null;
  message: string;
  cure: string | null;
}

export interface MeshSummary {
  elements: number;
  nodes: number;
  unknowns: number;
  kinds: Record<string, number>;
  worst: number;
  mean: number;
}

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
}

export interface HandCheckFinding {
  kind: "hand_check";
  statement: string;
  beam: string;
  body: string;
  estimate: number;
  computed: number;
  difference: number | null;
  direction: string;
  span: number;
}

export interface EquilibriumFinding {
  kind: "equilibrium";
  value: number;
  holds: boolean;
}

export type Finding = LimitFinding | HandCheckFinding | EquilibriumFinding;

export interface Findings {
  study: string;
  findings: Finding[];
  holds: boolean;
  summary: {
    mesh: MeshSummary;
    energy: number;
    mass: number | null;
    balance: { load: number[]; reaction: number[]; load_moment: number[]; reaction_moment: number[]; error: number };
    peaks: {
      von_mises: { value: number; at: number[]; unaveraged: number };
      displacement: { value: number; at: number[] };
    };
    supports: { statement: string; target: string; reaction: number[] }[];
  };
}

export interface StudyState {
  name: string;
  statement: string;
  state: "solved" | "stale" | "unsolved";
  findings: Findings | null;
  result: string | null;
  mesh: string | null;
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
  error: string | null;
  outcome: { memory?: number; phases?: Record<string, number> } | null;
  created_at: string;
  started_at: string | null;
  finished_at: string | null;
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
  ready: boolean;
  notices: Notice[];
  mesh: { digest: string; summary: MeshSummary | null } | null;
  studies: StudyState[];
  runs: Run[];
}

export interface ProjectEntry {
  id: string;
  name: string;
  changed_at: string;
  models: { id: string; name: string; changed_at: string; verdict: { hold: number; fail: number; stale: number; studies: number } }[];
}

export interface LibraryMaterial {
  name: string;
  category: string;
  young: string;
  poisson: string;
  density: string;
  yield?: string;
  ultimate?: string;
  source: string;
}
