import type { Arrays } from "../../api/client";
import type { PlaceKey, ShapeMeta } from "../../api/types";

type Vec = [number, number, number];

/** Where a glyph stands, and outward there; nothing outward on edges and points. */
export interface Spot {
  body: string;
  at: Vec;
  normal: Vec | null;
}

const MOST = 7; // glyphs of a face
const MOST_ALONG = 5; // and of an edge
const SPACING = 0.07; // of the part, between them

const point = (list: Float32Array, i: number): Vec => [list[i * 3] as number, list[i * 3 + 1] as number, list[i * 3 + 2] as number];

/** The run of each place. */
function runOf(runs: ShapeMeta["faces"] | ShapeMeta["edges"], [body, name]: PlaceKey) {
  return runs.find((run) => run[0] === body && run[1] === name);
}

/** Where along running sums evenly spread shares lie. */
function spread(sizes: number[], count: number): number[] {
  const whole = sizes.reduce((a, b) => a + b, 0);
  const found: number[] = [];
  let [sum, next] = [0, 0];
  sizes.forEach((size, i) => {
    sum += size;
    while (next < count && sum >= ((next + 0.5) / count) * whole - whole * 1e-9) {
      found.push(i);
      next += 1;
    }
  });
  return found;
}

function onFace({ arrays, meta }: Arrays<ShapeMeta>, key: PlaceKey, size: number): Spot[] {
  const run = runOf(meta.faces, key);
  if (!run) return [];
  const [positions, normals] = [arrays.positions as Float32Array, arrays.normals as Float32Array];
  const [first, count] = [run[2], run[3]];
  const corners = (t: number) => [0, 1, 2].map((k) => point(positions, (first + t) * 3 + k)) as [Vec, Vec, Vec];
  const areas = Array.from({ length: count }, (_, t) => {
    const [a, b, c] = corners(t);
    const [u, v] = [a.map((x, k) => (b[k] as number) - x), a.map((x, k) => (c[k] as number) - x)] as [Vec, Vec];
    return Math.hypot(u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]) / 2;
  });
  const seen = new Map<number, number>();
  const wanted = areas.reduce((a, b) => a + b, 0) / (SPACING * size) ** 2;
  return spread(areas, Math.min(MOST, Math.max(1, Math.round(wanted)))).map((t) => {
    const again = seen.get(t) ?? 0;
    seen.set(t, again + 1);
    // Several on one large triangle are parted.
    const shares = ([[1, 1, 1], [4, 1, 1], [1, 4, 1], [1, 1, 4], [2, 2, 0.5], [0.5, 2, 2], [2, 0.5, 2]][again % 7] ?? [1, 1, 1]) as Vec;
    const [a, b, c] = corners(t);
    const sum = shares[0] + shares[1] + shares[2];
    const at = [0, 1, 2].map((k) => ((a[k] as number) * shares[0] + (b[k] as number) * shares[1] + (c[k] as number) * shares[2]) / sum) as Vec;
    return { body: key[0], at, normal: point(normals, (first + t) * 3) };
  });
}

function onEdge({ arrays, meta }: Arrays<ShapeMeta>, key: PlaceKey, size: number): Spot[] {
  const run = runOf(meta.edges, key);
  if (!run) return [];
  const lines = arrays.lines as Float32Array;
  const ends = Array.from({ length: run[3] }, (_, i) => [point(lines, (run[2] + i) * 2), point(lines, (run[2] + i) * 2 + 1)] as [Vec, Vec]);
  const lengths = ends.map(([a, b]) => Math.hypot(b[0] - a[0], b[1] - a[1], b[2] - a[2]));
  const whole = lengths.reduce((x, y) => x + y, 0);
  const count = Math.min(MOST_ALONG, Math.max(1, Math.round(whole / (SPACING * size))));
  return Array.from({ length: count }, (_, i) => {
    let left = ((i + 0.5) / count) * whole;
    let piece = 0;
    while (piece < lengths.length - 1 && left > (lengths[piece] as number)) left -= lengths[piece++] as number;
    const [a, b] = ends[piece] as [Vec, Vec];
    const share = left / ((lengths[piece] as number) || 1);
    return { body: key[0], at: a.map((x, k) => x + ((b[k] as number) - x) * share) as Vec, normal: null };
  });
}

/** Spots of a place: spread over a face or along an edge; a point, or the middle of a body. */
export function spotsOf(surfaces: Arrays<ShapeMeta>, key: PlaceKey, size = 0): Spot[] {
  const place = surfaces.meta.places.find((p) => p.body === key[0] && p.name === key[1]);
  if (place?.of === "faces") return onFace(surfaces, key, size);
  if (place?.of === "edges") return onEdge(surfaces, key, size);
  if (place) return [{ body: key[0], at: place.at as Vec, normal: null }];
  return [];
}
