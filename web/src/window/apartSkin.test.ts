import { describe, expect, it } from "vitest";
import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/results";
import { apartSkin } from "./apartSkin";

const skin = {
  meta: { faces: [["a", "top", 0, 1], ["b", "top", 1, 1]], edges: [["a", "rim", 0, 1], ["b", "rim", 1, 1]], dimension: 3, bodies: ["a", "b"] },
  arrays: { positions: new Float32Array([0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 5, 1, 0, 5, 0, 1, 5]), triangles: new Int32Array([0, 1, 2, 3, 4, 5]), sides: new Int32Array(0), lines: new Int32Array([0, 1, 4, 5]) },
} as unknown as Arrays<SkinMeta>;

describe("parts drawn apart with their results", () => {
  it("move every point with its body, once", () => {
    const moved = apartSkin(skin, new Map([["b", [0, 0, 2] as [number, number, number]]]));
    expect([...(moved.arrays.positions as Float32Array)]).toEqual([0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 7, 1, 0, 7, 0, 1, 7]);
    expect((skin.arrays.positions as Float32Array)[11]).toBe(5);
  });

  it("stay as they are when nothing stands apart", () => {
    expect(apartSkin(skin, new Map())).toBe(skin);
  });
});
