import { describe, expect, it } from "vitest";
import { chosenOf, geometryOf } from "./Arrows";
import { drawn } from "./Diagram";

describe("arrows", () => {
  const positions = new Float32Array(Array.from({ length: 300 }, (_, i) => (i % 3 === 0 ? i / 3 : 0)));
  const vectors = new Float32Array(Array.from({ length: 300 }, (_, i) => (i % 3 === 1 ? (i / 3 > 50 ? 1 : 1e-4) : 0)));

  it("stand where something is worth drawing, thinned evenly", () => {
    const all = chosenOf(positions, vectors, 10_000);
    expect(all.length).toBe(50);
    expect(chosenOf(positions, vectors, 25).length).toBeLessThan(6);
    expect(chosenOf(positions, new Float32Array(300))).toEqual([]);
  });

  it("reach from their point along the vector, the largest as long as wanted", () => {
    const y = geometryOf(positions, positions, vectors, 2).getAttribute("position").array.filter((_, i) => i % 3 === 1);
    expect(Math.max(...y)).toBeCloseTo(2, 5);
    expect(Math.min(...y)).toBeGreaterThan(-0.2);
  });
});

describe("a diagram", () => {
  /** One element along x, its second axis y and third z, with a moment that rises to 4 half way. */
  const arrays = {
    at: new Float32Array([0, 0, 0, 1, 0, 0, 2, 0, 0, 3, 0, 0, 4, 0, 0]),
    moved: new Float32Array(15),
    axes: new Float32Array([0, 1, 0, 0, 0, 1]),
    values: new Float32Array([0, 3, 4, 3, 0].flatMap((m) => [0, 0, 0, 0, -m, m])),
  };

  it("is drawn in the plane in which the force acts, with its extremes", () => {
    const m3 = drawn(arrays, "M3", 0, 0.5);
    expect(m3.high).toEqual({ value: 4, at: [2, 0.5, 0] });
    expect(m3.low.value).toBe(0);
    expect(m3.fill.length).toBe(4 * 18);
    expect(drawn(arrays, "M2", 0, 0.5).low).toEqual({ value: -4, at: [2, 0, -0.5] });
    expect(drawn(arrays, "N", 0, 0.5).high.value).toBe(0);
  });
});
