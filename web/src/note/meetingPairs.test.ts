import { describe, expect, it } from "vitest";
import type { ModelView } from "../api/types";
import { keyOf, whoMeets, type Pair } from "./meetingPairs";

const pair = (a: string, b: string) => ({ one: [a, "face 1"], other: [b, "face 2"], share: 1, least: 0, greatest: 0, joined: false }) as Pair;
const view = (statements: object[]) =>
  ({ document: { statements }, groups: { top: [["low", "face 3"]], sole: [["high", "face 4"], ["cap", "face 5"]] } }) as unknown as ModelView;

describe("who meets whom", () => {
  it("tells joins of all bodies of both sides, in either order", () => {
    const { names, between } = whoMeets(view([{ id: "b", kind: "bond", target: "top", to: "sole" }, { id: "t", kind: "touch", target: "sole", to: "top", off: true }]), []);
    expect(names.sort()).toEqual(["cap", "high", "low"]);
    expect(between("high", "low").joins).toEqual([{ id: "b", kind: "bond" }]);
    expect(between("low", "cap").joins).toEqual([{ id: "b", kind: "bond" }]);
    expect(between("cap", "high")).toEqual({ joins: [], pairs: [] });
  });

  it("tells the pairs of faces that meet, beside what joins them", () => {
    const pairs = [pair("low", "rail"), pair("rail", "low"), pair("high", "low")];
    const { between } = whoMeets(view([{ id: "t", kind: "touch", target: "top", to: "sole" }]), pairs);
    expect(between("rail", "low").pairs.map(keyOf)).toEqual([pairs[0], pairs[1]].map((p) => keyOf(p as Pair)));
    expect(between("low", "high")).toEqual({ joins: [{ id: "t", kind: "touch" }], pairs: [pairs[2]] });
  });
});
