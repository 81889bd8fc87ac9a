import { describe, expect, it } from "vitest";
import { steps } from "./steps";

describe("steps of an axis", () => {
  it("are round, within the ends, and about as many as wanted", () => {
    expect(steps(0, 100)).toEqual([0, 50, 100]);
    expect(steps(-150, 150)).toEqual([-100, 0, 100]);
    expect(steps(0, 0.0037, 6)).toEqual([0, 0.001, 0.002, 0.003]);
    expect(steps(2, 2)).toEqual([2]);
  });
});
