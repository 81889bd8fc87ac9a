import { describe, expect, it } from "vitest";
import { decades, steps } from "./steps";

describe("steps of an axis", () => {
  it("are round, within the ends, and about as many as wanted", () => {
    expect(steps(0, 100)).toEqual([0, 50, 100]);
    expect(steps(-150, 150)).toEqual([-100, 0, 100]);
    expect(steps(0, 0.0037, 6)).toEqual([0, 0.001, 0.002, 0.003]);
    expect(steps(2, 2)).toEqual([2]);
  });
});

describe("decades of an axis", () => {
  it("are ones, twos and fives within the ends, or ones alone where there are many", () => {
    expect(decades(900, 60000)).toEqual([1000, 2000, 5000, 10000, 20000, 50000]);
    expect(decades(1, 1e6)).toEqual([1, 10, 100, 1000, 10000, 100000, 1000000]);
    expect(decades(0, 5)).toEqual([0]);
  });
});
