import { describe, expect, it } from "vitest";
import { strokesOf } from "./Cracks";

describe("strokes of cracks", () => {
  it("lie across the way in which they open, and leave out what is hardly open", () => {
    const strokes = strokesOf(new Float32Array([1, 2, 0, 1e-3, 0, 3, 4, Math.PI / 2, 1e-3, 0, 5, 6, 0, 1e-6, 0]), 10);
    expect(strokes.length).toBe(12);
    // The first opens along x: its stroke runs along y.
    expect(strokes[0]).toBeCloseTo(strokes[3] as number, 6);
    expect(Math.abs((strokes[1] as number) - (strokes[4] as number))).toBeCloseTo(0.24, 5);
    expect(Math.abs((strokes[6] as number) - (strokes[9] as number))).toBeCloseTo(0.24, 5);
  });
});
