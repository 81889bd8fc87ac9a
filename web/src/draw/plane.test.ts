import { describe, expect, it } from "vitest";
import { fitted, gridStep, polar, snap, toPixels, toPlane, written, zoomed, type Point, type Sight } from "./plane";

const size = { width: 800, height: 500 };
const sight: Sight = { x: 0.05, y: 0.02, scale: 4000 };

describe("the paper's view", () => {
  it("goes from the plane to pixels and back, y pointing up", () => {
    expect(toPixels(sight, size, [0.05, 0.02])).toEqual([400, 250]);
    expect(toPixels(sight, size, [0.05, 0.03])[1]).toBeLessThan(250);
    const [x, y] = toPlane(sight, size, toPixels(sight, size, [0.013, -0.04]));
    expect(x).toBeCloseTo(0.013, 12);
    expect(y).toBeCloseTo(-0.04, 12);
  });

  it("shows all points with room around them, also of a flat or an empty figure", () => {
    const seen = fitted([[0, 0], [0.2, 0.05]], size);
    for (const corner of [[0, 0], [0.2, 0.05]] as Point[]) {
      const [px, py] = toPixels(seen, size, corner);
      expect(px).toBeGreaterThan(80);
      expect(px).toBeLessThan(720);
      expect(py).toBeGreaterThan(50);
      expect(py).toBeLessThan(450);
    }
    expect(Number.isFinite(fitted([[1, 1], [2, 1]], size).scale)).toBe(true);
    expect(fitted([], size).scale).toBeGreaterThan(0);
  });

  it("zooms about the pointer", () => {
    const at: Point = [120, 60];
    const before = toPlane(sight, size, at);
    const after = toPlane(zoomed(sight, size, at, 1.7), size, at);
    expect(after[0]).toBeCloseTo(before[0], 12);
    expect(after[1]).toBeCloseTo(before[1], 12);
  });
});

describe("the grid", () => {
  it("has steps of 1, 2 or 5 in the unit shown, wide enough to see", () => {
    expect(gridStep(4000, 0.001)).toBeCloseTo(0.005, 12);
    expect(gridStep(40, 1)).toBeCloseTo(0.5, 12);
    expect(gridStep(700, 0.0254)).toBeCloseTo(0.0254, 12);
    for (const scale of [3, 47, 990, 12345]) expect(gridStep(scale, 0.001) * scale).toBeGreaterThanOrEqual(14 - 1e-6);
  });

  it("takes over a near corner's x or y, and otherwise goes to the grid", () => {
    const corners: Point[] = [[0.0123, 0.0456], [0.08, 0.0]];
    const near = snap([0.0125, 0.021], corners, 0.005, 0.001);
    expect(near.at[0]).toBe(0.0123);
    expect(near.at[1]).toBeCloseTo(0.02, 12);
    expect(near.alongX).toEqual(corners[0]);
    expect(near.alongY).toBeNull();
  });
});

describe("typed values", () => {
  it("are written without the digits that only rounding made", () => {
    expect(written(0.1 + 0.2, 1, "m")).toBe("0.3 m");
    expect(written(0.0254 * 3, 0.0254, "in")).toBe("3 in");
    expect(written(-1e-15, 0.001, "mm")).toBe("0 mm");
  });

  it("tell length and direction", () => {
    expect(polar([1, 1], [1, 3])).toEqual({ length: 2, angle: 90 });
    expect(polar([0, 0], [-1, 0]).angle).toBe(180);
  });
});
