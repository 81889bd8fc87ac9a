import { describe, expect, it } from "vitest";
import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/results";
import { presentSkin } from "./presentSkin";

const skin = {
  arrays: { positions: new Float32Array(18), triangles: new Int32Array([0, 1, 2, 3, 4, 5]), lines: new Int32Array([0, 1, 3, 4]) },
  meta: { faces: [["loam", "", 0, 1], ["dig", "", 1, 1]], edges: [["loam", "", 0, 1], ["dig", "", 1, 1]] },
} as unknown as Arrays<SkinMeta>;

describe("what is there of a skin", () => {
  it("shrinks what is dug away to a point, and leaves the rest where it was", () => {
    const left = presentSkin(skin, ["dig"]);
    expect([...(left.arrays.triangles as Int32Array)]).toEqual([0, 1, 2, 3, 3, 3]);
    expect([...(left.arrays.lines as Int32Array)]).toEqual([0, 1, 3, 3]);
    expect([...(skin.arrays.triangles as Int32Array)]).toEqual([0, 1, 2, 3, 4, 5]);
  });

  it("is the same where all is there", () => expect(presentSkin(skin, [])).toBe(skin));
});
