/** Flat triangles of small solids, in units of a glyph's size: lists of corners [x, y, z, …]. */
export type Solid = number[];

const tau = Math.PI * 2;

type Vec = [number, number, number];
const cross = (a: Vec, b: Vec): Vec => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];
const unit = (v: Vec): Vec => {
  const size = Math.hypot(...v) || 1;
  return [v[0] / size, v[1] / size, v[2] / size];
};

/** Two directions across a third. */
export function across(axis: Vec): [Vec, Vec] {
  const least = axis.map(Math.abs).indexOf(Math.min(...axis.map(Math.abs)));
  const helper = [0, 0, 0].map((_, k) => (k === least ? 1 : 0)) as Vec;
  const first = unit(cross(helper, axis));
  return [first, cross(axis, first)];
}

const ring = (axis: Vec, at: number, radius: number, n: number): Vec[] => {
  const [u, v] = across(axis);
  return Array.from({ length: n }, (_, i) => {
    const [c, s] = [Math.cos((i / n) * tau) * radius, Math.sin((i / n) * tau) * radius];
    return [0, 1, 2].map((k) => (axis[k] as number) * at + (u[k] as number) * c + (v[k] as number) * s) as Vec;
  });
};

/** A round bar along an axis from one end to the other, each with its radius; closed. */
function taper(axis: Vec, from: number, to: number, r0: number, r1: number, n = 8): Solid {
  const [a, b] = [ring(axis, from, r0, n), ring(axis, to, r1, n)];
  const [p, q] = [axis.map((c) => c * from) as Vec, axis.map((c) => c * to) as Vec];
  return a.flatMap((v, i) => {
    const j = (i + 1) % n;
    const [w, x, y] = [a[j] as Vec, b[i] as Vec, b[j] as Vec];
    return [...v, ...w, ...x, ...w, ...y, ...x, ...p, ...w, ...v, ...q, ...x, ...y];
  });
}

/** A load: an arrow whose tip stands at the place. */
export const arrow = (axis: Vec, length = 1.5): Solid => [...taper(axis, -length, -0.45, 0.055, 0.055, 6), ...taper(axis, -0.5, 0, 0.17, 0, 8)];

/** What is held along an axis: a tile across it on a short stem, on the side that is not in the part. */
export const stop = (axis: Vec): Solid => [...taper(axis, -0.55, 0, 0.035, 0.035, 5), ...taper(axis, -0.65, -0.55, 0.3, 0.3, 4)];

/** What is held against turning: a flat ring about the axis. */
export function hoop(axis: Vec): Solid {
  const [a, b] = [ring(axis, -0.35, 0.26, 14), ring(axis, -0.35, 0.34, 14)];
  return a.flatMap((v, i) => {
    const j = (i + 1) % a.length;
    return [...v, ...(a[j] as Vec), ...(b[i] as Vec), ...(a[j] as Vec), ...(b[j] as Vec), ...(b[i] as Vec)];
  });
}

/** A moment: three quarters of a hoop with a head, by the right hand. */
export function turn(axis: Vec): Solid {
  const n = 16;
  const [inner, outer] = [ring(axis, 0, 0.62, n), ring(axis, 0, 0.72, n)];
  const band = Array.from({ length: 11 }, (_, i) => [...(inner[i] as Vec), ...(inner[i + 1] as Vec), ...(outer[i] as Vec), ...(inner[i + 1] as Vec), ...(outer[i + 1] as Vec), ...(outer[i] as Vec)]).flat();
  const [p, q] = [ring(axis, 0, 0.44, n)[11] as Vec, ring(axis, 0, 0.9, n)[11] as Vec];
  return [...band, ...p, ...(ring(axis, 0, 0.67, n)[13] as Vec), ...q, ...taper(axis, -0.5, 0.5, 0.025, 0.025, 5)];
}

/** A mass: two tapers base to base. */
export const lump = (): Solid => [...taper([0, 1, 0], -0.32, 0, 0, 0.32, 6), ...taper([0, 1, 0], 0, 0.32, 0.32, 0, 6)];

/** A spring: discs on a stem. */
export const coil = (axis: Vec): Solid => [...[-0.2, -0.36, -0.52].flatMap((at) => taper(axis, at - 0.04, at, 0.2, 0.2, 10)), ...taper(axis, -0.62, 0, 0.03, 0.03, 5), ...taper(axis, -0.7, -0.62, 0.3, 0.3, 4)];

/** Something about a whole body: a rod with a bead. */
export const bead = (): Solid => [...taper([0, 1, 0], -0.34, 0.42, 0.06, 0.06, 6), ...taper([0, 1, 0], -0.5, -0.3, 0.16, 0.16, 10)];

const CUBE: Vec[] = [[-1, -1, -1], [1, -1, -1], [1, 1, -1], [-1, 1, -1], [-1, -1, 1], [1, -1, 1], [1, 1, 1], [-1, 1, 1]];
const SIDES = [[0, 3, 2, 1], [4, 5, 6, 7], [0, 1, 5, 4], [2, 3, 7, 6], [1, 2, 6, 5], [0, 4, 7, 3]] as const;

/** What is held in every direction: a block; with its turns held too, the larger one in a square collar. */
export function block(turns: boolean): Solid {
  const size = turns ? 0.2 : 0.16;
  const cube = (x: number, y: number, z: number) => SIDES.flatMap(([a, b, c, d]) => [a, b, c, a, c, d].flatMap((i) => { const v = CUBE[i] as Vec; return [v[0] * x, v[1] * y, v[2] * z]; }));
  return turns ? [...cube(size, size, size), ...cube(0.34, 0.05, 0.34)] : cube(size, size, size);
}
