import type { Kind, ModelView, Statement } from "../api/types";

type WithoutId<S> = S extends Statement ? Omit<S, "id"> : never;
export type Draft = WithoutId<Statement>;

export interface Template {
  /** What is typed after the slash. */
  word: string;
  text: string;
  /** Further words an engineer would try. */
  also: string;
  make: (view: ModelView) => Draft;
  /** A file is chosen first, which the statement then reads. */
  file?: boolean;
}

export function fresh(view: ModelView, base: string): string {
  const names = new Set(view.document.statements.map((s) => ("name" in s ? s.name : "")));
  if (!names.has(base)) return base;
  let n = 2;
  while (names.has(`${base} ${n}`)) n += 1;
  return `${base} ${n}`;
}

export function last(view: ModelView, kind: Kind): string {
  const found = view.document.statements.filter((s) => s.kind === kind).at(-1);
  return (found && "name" in found && found.name) || "";
}

/** The study that is read by default: the last that finds states, not shapes. */
export function lastRead(view: ModelView): string {
  const found = view.document.statements.filter((s) => s.kind === "study" && s.type !== "vibration" && s.type !== "buckling").at(-1);
  return (found && "name" in found && found.name) || "";
}

export const imperial = (view: ModelView) => view.document.units.startsWith("in") || view.document.units.startsWith("ft");
export const length = (view: ModelView, metric: string, inch: string) => (imperial(view) ? inch : metric);

/** A length as it would be typed, in the unit that the note is written in. */
export function typed(view: ModelView, metres: number, figures = 4): string {
  const [scale, unit] = imperial(view) ? [0.0254, "in"] : [0.001, "mm"];
  return `${Number((metres / scale).toPrecision(figures))} ${unit}`;
}

/** The box of a body, or of a tenth of a metre where there is none. */
export const boundsOf = (body: { bounds?: [number[], number[]] } | undefined): [number[], number[]] => body?.bounds ?? [[0, 0, 0], [0.1, 0.1, 0.1]];

/** A share of the part (a twentieth), as a round number. */
export function suggestedSize(view: ModelView, share = 20): string {
  return typed(view, (view.shape.size || 0.1) / share, 1);
}

/** An id that no statement has yet. */
export function freshId(statements: Statement[]): string {
  const used = new Set(statements.map((s) => s.id));
  let n = statements.length + 1;
  while (used.has(`s${n}`)) n += 1;
  return `s${n}`;
}

/** Groups of a kind of places. */
export const groupsOf = (view: ModelView, of: "faces" | "edges" | "points" | "bodies") => view.document.statements.flatMap((s) => (s.kind === "group" && s.of === of && !s.off ? [s.name] : []));

export const onlyBody = (view: ModelView) => view.shape.bodies[0]?.name ?? "";
export const lastBody = (view: ModelView) => view.shape.bodies.at(-1)?.name ?? "";
export const origin = (view: ModelView) => ({ x: length(view, "0 mm", "0 in"), y: length(view, "0 mm", "0 in") });
/** What the ends of a model are made of: faces of solids, edges of plane regions and shells, points of members. */
export function ends(view: ModelView): "faces" | "edges" | "points" {
  const makes = view.shape.bodies.map((b) => b.make);
  if (makes.length > 0 && makes.every((m) => m === "members")) return "points";
  return view.shape.dimension === 2 || (makes.length > 0 && makes.every((m) => m === "faces")) ? "edges" : "faces";
}

/** Whether anything moves far enough for pressures to turn with it: rings do not. */
export const mayFollow = (view: ModelView) => !view.shape.bodies.some((b) => b.make === "axisymmetric");
