import { Vector3 } from "three";
import { describe, expect, it } from "vitest";
import { placed } from "./Moving";

const at = (motion: Parameters<typeof placed>[0], point: [number, number, number]) => {
  const { shift, turn } = placed(motion, 2, 1);
  return new Vector3(...point).applyQuaternion(turn).add(shift).toArray().map((c) => Number(c.toFixed(6)));
};

describe("a free motion", () => {
  it("slides by a small share of the part", () => {
    expect(at({ bodies: [], slide: [0, 0, 5], turn: [0, 0, 0], centre: [1, 1, 1] }, [1, 2, 3])).toEqual([1, 2, 3.14]);
  });

  it("turns about its centre, which stays", () => {
    const motion = { bodies: [], slide: [0, 0, 0] as [number, number, number], turn: [0, 0, 3] as [number, number, number], centre: [1, 1, 1] as [number, number, number] };
    expect(at(motion, [1, 1, 5])).toEqual([1, 1, 5]);
    expect(at(motion, [2, 1, 1])).toEqual([Number((1 + Math.cos(0.14)).toFixed(6)), Number((1 + Math.sin(0.14)).toFixed(6)), 1]);
  });
});
