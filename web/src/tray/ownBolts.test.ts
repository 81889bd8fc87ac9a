import { describe, expect, it } from "vitest";
import { filledDown, pasted, setOwn, type Bolt } from "./ownBolts";

const bolts = (): Bolt => ({ id: "s1", kind: "bolt", target: "holes", size: "M10", class: "8.8" });

describe("bolts that differ", () => {
  it("are told of by number, and are forgotten when nothing is their own", () => {
    const s = bolts();
    setOwn(s, 4, { tighten: "12 kN" });
    setOwn(s, 2, { off: true });
    expect(s.own).toEqual([{ number: 2, off: true }, { number: 4, tighten: "12 kN" }]);
    setOwn(s, 2, { off: false });
    setOwn(s, 4, { tighten: "" });
    expect(s.own).toBeUndefined();
  });

  it("keep being left out while they get a tightening", () => {
    const s = bolts();
    setOwn(s, 1, { off: true });
    setOwn(s, 1, { tighten: "3 kN" });
    expect(s.own).toEqual([{ number: 1, off: true, tighten: "3 kN" }]);
  });

  it("are filled downwards, to the last", () => {
    const s = bolts();
    setOwn(s, 3, { tighten: "9 kN" });
    filledDown(s, 3, 5);
    expect(s.own?.map((row) => [row.number, row.tighten])).toEqual([[3, "9 kN"], [4, "9 kN"], [5, "9 kN"]]);
  });

  it("take what was copied from a sheet, line by line", () => {
    expect(pasted("10 kN\t1\r\n12 kN\t2\n\n 8 kN ")).toEqual(["10 kN", "12 kN", "8 kN"]);
  });
});
