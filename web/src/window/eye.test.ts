import { Vector3 } from "three";
import { describe, expect, it } from "vitest";
import { lengthAt, shareAt } from "./boxes";
import { cameraOf, eyeOf } from "./eye";
import { bandsOf, colourAt, FIELD_STOPS } from "./palette";
import { wordsAround } from "./useShownField";

describe("an eye", () => {
  it("sees all of a model, whatever its shape and that of the picture", () => {
    for (const high of [[1, 1, 1], [4, 0.1, 0.1], [0.1, 0.1, 5]])
      for (const [up, flat] of [["y", false], ["z", false], ["y", true]] as const)
        for (const ratio of [0.5, 1, 3]) {
          const model = { low: [0, 0, 0], high, up, flat };
          const camera = cameraOf(eyeOf(model, ratio), model, ratio);
          for (let k = 0; k < 8; k += 1) {
            const corner = new Vector3(...[0, 1, 2].map((a) => ((k >> a) & 1) * (high[a] as number))).project(camera);
            expect(Math.max(Math.abs(corner.x), Math.abs(corner.y), Math.abs(corner.z))).toBeLessThan(1);
          }
        }
  });

  it("has what it looks at in the middle, and as much of it as asked", () => {
    const model = { low: [0, 0, 0], high: [1, 1, 1], up: "z" as const, flat: false };
    const camera = cameraOf({ from: [0, -1, 0], at: [0.2, 0.5, 0.3], height: 0.4 }, model, 2);
    const at = (x: number, z: number) => new Vector3(x, 0.5, z).project(camera).toArray().slice(0, 2).map((v) => Number(v.toFixed(6)) + 0);
    expect(at(0.2, 0.3)).toEqual([0, 0]);
    expect(at(0.6, 0.5)).toEqual([1, 1]);
  });
});

describe("the scale", () => {
  it("goes evenly from one colour to the next, and in steps that begin and end with the same", () => {
    expect(colourAt(FIELD_STOPS, 0)).toEqual([...(FIELD_STOPS[0] as number[])]);
    expect(colourAt(FIELD_STOPS, 2)).toEqual([...(FIELD_STOPS.at(-1) as number[])]);
    expect(colourAt(FIELD_STOPS, 0.1)[0]).toBeCloseTo((0.122 + 0.184) / 2, 6);
    const bands = bandsOf(FIELD_STOPS, 4);
    expect(bands.match(/rgb/g)).toHaveLength(4);
    expect(bands).toContain("0% 25%");
    expect(bands).toContain("75% 100%");
  });
});

describe("words of fields", () => {
  it("tell directions around an axis", () => {
    expect(wordsAround("stress_xx", "stress xx", true)).toBe("stress r");
    expect(wordsAround("stress_xy", "stress xy", true)).toBe("stress r θ");
    expect(wordsAround("stress_zz", "stress zz", true)).toBe("stress axis");
    expect(wordsAround("displacement_y", "displacement along y", true)).toBe("displacement along θ");
    expect(wordsAround("von_mises", "von Mises stress", true)).toBe("von Mises stress");
    expect(wordsAround("stress_xx", "stress xx", false)).toBe("stress xx");
  });
});

describe("a place on an axis", () => {
  it("is a share of a box's extent, there and back", () => {
    const box = { low: [-1, 0, 2], high: [3, 0, 6] };
    expect([lengthAt(box, "x", 0.25), lengthAt(box, "z", 1)]).toEqual([0, 6]);
    expect([shareAt(box, "x", 0), shareAt(box, "z", 5)]).toEqual([0.25, 0.75]);
    // A flat box has one place.
    expect([lengthAt(box, "y", 0.7), shareAt(box, "y", 0)]).toEqual([0, 0]);
  });
});
