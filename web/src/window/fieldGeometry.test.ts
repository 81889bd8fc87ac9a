import { describe, expect, it } from "vitest";
import type { Arrays } from "../api/client";
import type { FieldMeta, SkinMeta } from "../api/results";
import { FieldGeometry, spreadOf } from "./fieldGeometry";
import { clipOf, keeps } from "./fieldMaterial";
import { piecesOf } from "./fieldPieces";
import { rangeShown } from "./ScaleTools";
import { valueAt } from "./Probes";

/** Two triangles that share a side, each of a body of its own. */
const skin: Arrays<SkinMeta> = {
  meta: { faces: [["one", "top", 0, 1], ["two", "top", 1, 1]], edges: [], dimension: 3, bodies: ["one", "two"] },
  arrays: { positions: new Float32Array([0, 0, 0, 1, 0, 0, 0, 1, 0, 1, 1, 0]), triangles: new Int32Array([0, 1, 2, 1, 3, 2]), lines: new Int32Array([0, 1]), sides: new Int32Array() },
};
const found = (values: number[], corners: boolean, more: Arrays<FieldMeta>["arrays"] = {}): Arrays<FieldMeta> => ({
  meta: { extremes: {}, corners, cut: [] },
  arrays: { s: new Float32Array(values), moved: new Float32Array(12).fill(0.1), ...more },
});
const rest = skin.arrays.positions as Float32Array;

describe("a skin that is drawn", () => {
  it("shares its points where values come at points, and has corners of its own where they do not", () => {
    const [shared, own] = [false, true].map((o) => new FieldGeometry(skin, rest, o, false)) as [FieldGeometry, FieldGeometry];
    expect(shared.surface.getIndex()?.count).toBe(6);
    expect(own.surface.getIndex()).toBeNull();
    expect(own.surface.getAttribute("position").count).toBe(6);
    [shared, own].forEach((g) => g.place(new Float32Array(12).fill(1), 0.5));
    expect(shared.placeOf(3)).toEqual([1.5, 1.5, 0.5]);
    expect(own.placeOf(4)).toEqual([1.5, 1.5, 0.5]);
    // What a plane cuts stays where nothing has moved.
    expect(own.surface.getAttribute("rest").getX(4)).toBe(1);
    own.colour(new Float32Array([0, 1, 2, 3, 4, 5]), new Float32Array([0, 0, 0, 1]));
    expect([...own.surface.getAttribute("veiled").array]).toEqual([0, 0, 0, 0, 1, 0]);
  });

  it("spreads what is known at points over corners", () => {
    expect([...spreadOf(new Float32Array([5, 6, 7, 8]), skin.arrays.triangles as Int32Array, 1)]).toEqual([5, 6, 7, 6, 8, 7]);
  });

  it("is hidden beyond a plane, on whichever side", () => {
    const [near, far] = [false, true].map((turned) => clipOf({ axis: "y", at: 0.5, turned }));
    expect([near, far].map((plane) => plane && keeps(plane, [0, 0.2, 9]))).toEqual([true, false]);
    expect([near, far].map((plane) => plane && keeps(plane, [0, 0.7, 9]))).toEqual([false, true]);
    expect(keeps(clipOf(null), [1e6, -1e6, 0])).toBe(true);
  });

  it("comes with the inside that a plane lays open, which the plane does not hide", () => {
    const cut = { "cut positions": new Float32Array(9), "cut triangles": new Int32Array([0, 1, 2]), "cut moved": new Float32Array(9), "cut s": new Float32Array([1, 2, 3]) };
    const opened = found([1, 2, 3, 4], false, cut);
    opened.meta.cut = [["two", "cut", 0, 1]];
    const pieces = piecesOf(skin, opened, "s", (bare) => ({ ...bare, meta: { ...bare.meta, dimension: 7 } }));
    expect(pieces.map((p) => [p.clipped, p.values.length])).toEqual([
      [true, 4],
      [false, 3],
    ]);
    expect(pieces[1]?.skin.meta.dimension).toBe(7);
    expect(piecesOf(skin, found([1, 2, 3, 4], false), "s", (bare) => bare)).toHaveLength(1);
  });
});

describe("what is read of a skin", () => {
  it("is the value at a label, at a point or at its own corner", () => {
    const probe = { mesh: "m", corner: 4, at: [1, 1, 0] as [number, number, number], number: 1 };
    expect(valueAt(probe, found([1, 2, 3, 4], false), "s", skin)).toBe(4);
    expect(valueAt(probe, found([1, 2, 3, 4, 5, 6], true), "s", skin)).toBe(5);
    expect(valueAt({ ...probe, corner: 99 }, found([1, 2, 3, 4], false), "s", skin)).toBeUndefined();
    expect(valueAt(probe, found([1], false), "t", skin)).toBeUndefined();
  });

  it("is least and greatest of the bodies that are drawn", () => {
    expect(rangeShown(skin, found([1, 2, 3, 9], false), "s", [])).toEqual({ low: 1, high: 9 });
    expect(rangeShown(skin, found([1, 2, 3, 9], false), "s", ["two"])).toEqual({ low: 1, high: 3 });
    expect(rangeShown(skin, found([1, 2, 3, 4, 5, 6], true), "s", ["one"])).toEqual({ low: 4, high: 6 });
    expect(rangeShown(skin, found([1, 2, 3, 4], false), "s", ["one", "two"])).toBeNull();
  });
});
