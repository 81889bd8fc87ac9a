import { describe, expect, it } from "vitest";
import { rubber, typed } from "./sketched";

describe("typed corners", () => {
  it("keep the words they were typed in", () => {
    expect(typed("at", ["20", "1,5"], null, "mm", 0.001)).toEqual({ at: [0.02, 0.0015], corner: { x: "20 mm", y: "1.5 mm" } });
    expect(typed("step", ["-3", "4"], [0.01, 0.01], "mm", 0.001)?.corner).toEqual({ dx: "-3 mm", dy: "4 mm" });
    const turned = typed("angle", ["2", "90"], [1, 1], "in", 0.0254);
    expect(turned?.corner).toEqual({ distance: "2 in", angle: "90 deg" });
    expect(turned?.at[0]).toBeCloseTo(1, 12);
    expect(turned?.at[1]).toBeCloseTo(1.0508, 12);
  });

  it("are refused when a unit or anything else is typed along, rather than read in the wrong one", () => {
    for (const text of ["2 cm", "0.5in", "abc", "", "1 2", "--3", "1e"]) expect(typed("at", [text, "5"], null, "mm", 0.001)).toBeNull();
    expect(typed("at", ["5", "2 cm"], null, "mm", 0.001)).toBeNull();
  });

  it("need a corner to step from", () => {
    expect(typed("step", ["1", "1"], null, "mm", 0.001)).toBeNull();
    expect(typed("angle", ["1", "1"], null, "mm", 0.001)).toBeNull();
  });
});

describe("the rubber line", () => {
  it("runs from the last corner to the pointer, once there is one", () => {
    expect(rubber([], [1, 1])).toBeNull();
    expect(rubber([{ at: [0, 0], corner: {} }], [0, 2])).toEqual({ length: 2, angle: 90 });
    expect(rubber([{ at: [0, 0], corner: {} }], null)).toBeNull();
  });
});
