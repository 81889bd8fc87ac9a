/** Arithmetic of the paper: what is seen of the plane, its grid, and where a point snaps to. */

export type Point = [x: number, y: number];

/** The middle of the view (m), and pixels per metre. */
export interface Sight {
  x: number;
  y: number;
  scale: number;
}

export interface Size {
  width: number;
  height: number;
}

export const toPixels = (sight: Sight, size: Size, [x, y]: Point): Point => [(x - sight.x) * sight.scale + size.width / 2, size.height / 2 - (y - sight.y) * sight.scale];

export const toPlane = (sight: Sight, size: Size, [px, py]: Point): Point => [(px - size.width / 2) / sight.scale + sight.x, (size.height / 2 - py) / sight.scale + sight.y];

/** A view that shows all points with room around them. */
export function fitted(points: Point[], size: Size): Sight {
  if (points.length === 0) return { x: 0, y: 0, scale: Math.min(size.width, size.height) / 0.2 };
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const least = Math.max(x1 - x0, y1 - y0, 1e-6) * 0.05;
  const scale = Math.min((size.width * 0.66) / Math.max(x1 - x0, least), (size.height * 0.6) / Math.max(y1 - y0, least));
  return { x: (x0 + x1) / 2, y: (y0 + y1) / 2, scale };
}

/** Zooms about a pixel, so that what is under the pointer stays there. */
export function zoomed(sight: Sight, size: Size, at: Point, factor: number): Sight {
  const [x, y] = toPlane(sight, size, at);
  const scale = sight.scale * factor;
  return { scale, x: x - (at[0] - size.width / 2) / scale, y: y + (at[1] - size.height / 2) / scale };
}

/** The step of the grid: 1, 2 or 5 times a power of ten of the unit, at least +least+ pixels wide. */
export function gridStep(scale: number, unit: number, least = 14): number {
  const wanted = least / (scale * unit);
  const power = 10 ** Math.floor(Math.log10(wanted));
  const factor = [1, 2, 5, 10].find((f) => f * power >= wanted * (1 - 1e-9)) ?? 10;
  return factor * power * unit;
}

export interface Snapped {
  at: Point;
  /** Corners whose x or y was taken over. */
  alongX: Point | null;
  alongY: Point | null;
}

/** Takes over the x or y of a corner that is near; otherwise goes to the grid. */
export function snap([x, y]: Point, corners: Point[], step: number, reach: number): Snapped {
  const nearest = (k: 0 | 1, value: number) => corners.filter((c) => Math.abs(c[k] - value) <= reach).sort((a, b) => Math.abs(a[k] - value) - Math.abs(b[k] - value))[0] ?? null;
  const alongX = nearest(0, x);
  const alongY = nearest(1, y);
  const onGrid = (value: number) => Math.round(value / step) * step;
  return { at: [alongX ? alongX[0] : onGrid(x), alongY ? alongY[1] : onGrid(y)], alongX, alongY };
}

/** Length and direction (degrees, counter-clockwise from x) from one point to another. */
export function polar(from: Point, to: Point): { length: number; angle: number } {
  const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
  return { length: Math.hypot(dx, dy), angle: (Math.atan2(dy, dx) * 180) / Math.PI };
}

/** A length in the display unit, written without digits that only rounding made. */
export function written(si: number, factor: number, unit: string): string {
  const value = Number((si / factor).toPrecision(9));
  return `${Math.abs(value) < 1e-9 ? 0 : value} ${unit}`;
}
