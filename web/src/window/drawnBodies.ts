import { BufferAttribute, BufferGeometry } from "three";
import type { Arrays } from "../api/client";
import type { Shape, ShapeMeta } from "../api/types";

/** A run of triangles or line pieces that belongs to one face or edge. */
export interface Span {
  name: string;
  first: number;
  count: number;
}

/** A body as it is drawn: one geometry for its surface, one for its edges. */
export interface DrawnBody {
  name: string;
  colour: number[] | null;
  surface: BufferGeometry | null;
  ink: BufferGeometry;
  faces: Span[];
  edges: Span[];
}

type Run = readonly [body: string, name: string, first: number, count: number, ...rest: unknown[]];

function spans(runs: readonly Run[], body: string): { from: number; to: number; spans: Span[] } {
  const mine = runs.filter((run) => run[0] === body);
  const from = mine[0]?.[2] ?? 0;
  const last = mine.at(-1);
  return { from, to: last ? last[2] + last[3] : from, spans: mine.map(([, name, first, count]) => ({ name, first: first - from, count })) };
}

/** Parts the arrays of a shape into its bodies; the numbers themselves are shared. */
export function bodiesOf({ arrays, meta }: Arrays<ShapeMeta>): DrawnBody[] {
  const positions = arrays.positions as Float32Array;
  const normals = arrays.normals as Float32Array;
  const lines = arrays.lines as Float32Array;
  return meta.bodies.map(({ name, colour }) => {
    const faces = spans(meta.faces, name);
    const edges = spans(meta.edges, name);
    const surface = faces.spans.length ? new BufferGeometry() : null;
    surface?.setAttribute("position", new BufferAttribute(positions.subarray(faces.from * 9, faces.to * 9), 3));
    surface?.setAttribute("normal", new BufferAttribute(normals.subarray(faces.from * 9, faces.to * 9), 3));
    const ink = new BufferGeometry();
    ink.setAttribute("position", new BufferAttribute(lines.subarray(edges.from * 6, edges.to * 6), 3));
    return { name, colour, surface, ink, faces: faces.spans, edges: edges.spans };
  });
}

/** The span that an item belongs to, by bisection. */
export function spanned(all: Span[], item: number): Span | null {
  let [low, high] = [0, all.length - 1];
  while (low <= high) {
    const middle = (low + high) >> 1;
    const span = all[middle] as Span;
    if (item < span.first) high = middle - 1;
    else if (item >= span.first + span.count) low = middle + 1;
    else return span;
  }
  return null;
}

/** Where each body is drawn when the parts are drawn apart: away from the middle of all. */
export function apartBy(shape: Shape, apart: number): Map<string, [number, number, number]> {
  const moves = new Map<string, [number, number, number]>();
  if (apart === 0 || shape.bodies.length < 2) return moves;
  const centres = shape.bodies.map((b) => b.bounds[0].map((low, k) => (low + (b.bounds[1][k] as number)) / 2));
  const middle = [0, 1, 2].map((k) => centres.reduce((sum, c) => sum + (c[k] as number), 0) / centres.length);
  shape.bodies.forEach((body, i) => {
    moves.set(body.name, [0, 1, 2].map((k) => ((centres[i]?.[k] ?? 0) - (middle[k] as number)) * apart * 1.5) as [number, number, number]);
  });
  return moves;
}
