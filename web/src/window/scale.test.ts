import { describe, expect, it } from "vitest";
import { FIELD_STOPS, SIGNED_STOPS } from "./palette";
import { scaleOf } from "./scale";

describe("the scale of a field", () => {
  it("runs from zero to the greatest value, or to the limit", () => {
    expect(scaleOf({ min: 2, max: 10 })).toMatchObject({ low: 0, high: 10, signed: false, stops: FIELD_STOPS });
    expect(scaleOf({ min: 2, max: 10 }, {}, 25)).toMatchObject({ low: 0, high: 25 });
  });

  it("runs both ways alike where a field has two signs, and does not take rounding for a sign", () => {
    expect(scaleOf({ min: -3, max: 8 })).toMatchObject({ low: -8, high: 8, signed: true, stops: SIGNED_STOPS });
    expect(scaleOf({ min: -1e-12, max: 8 })).toMatchObject({ signed: false, high: 8 });
    expect(scaleOf({ min: -8, max: 0 })).toMatchObject({ low: -8, high: 0, signed: false });
  });

  it("keeps the ends that are set by hand", () => {
    expect(scaleOf({ min: -3, max: 8 }, { low: -1, high: 2 }, 5)).toMatchObject({ low: -1, high: 2 });
    expect(scaleOf({ min: -3, max: 8 }, { high: 2 })).toMatchObject({ low: -2, high: 2 });
  });
});
