import { describe, expect, it } from "vitest";
import type { Statement } from "../api/types";
import { rename, renameStage } from "./rename";

const note = (): Statement[] => [
  { id: "o", kind: "outline", name: "plan", boundary: { circle: { x: "0 mm", y: "0 mm", diameter: "9 mm" } } },
  { id: "w", kind: "outline", name: "wall", boundary: { offset: { outline: "plan", by: "2 mm" } } },
  { id: "l", kind: "line", name: "way", corners: [{ x: "0 mm", y: "0 mm" }, { x: "9 mm", y: "0 mm" }] },
  { id: "b", kind: "body", name: "pipe", outline: "plan", make: "solid", by: "sweep", path: "way" },
  { id: "c", kind: "combine", name: "part", how: "subtract", body: "pipe", with: ["core", "pipe"] },
  { id: "i", kind: "imprint", name: "seat", body: "pipe", outline: "plan" },
  { id: "j", kind: "join", bodies: ["pipe", "core"] },
  { id: "g", kind: "group", name: "ends", of: "faces", pick: [{ body: "pipe", name: "top" }], rule: { all: [{ touching: "pipe" }, { not: { body: "pipe" } }] } },
  { id: "h", kind: "group", name: "grown", of: "faces", rule: { any: [{ grown: { from: "ends" } }, { edges_of: "ends" }] } },
  { id: "s", kind: "support", target: "ends", components: ["x"] },
];

const named = (id: string, name: string) => new Map(rename(note(), id, name).map((s) => [s.id, s]));

describe("renaming", () => {
  it("of an outline follows into bodies, imprints and offsets", () => {
    const all = named("o", "disc");
    expect(all.get("b")).toMatchObject({ outline: "disc", path: "way" });
    expect(all.get("i")).toMatchObject({ outline: "disc" });
    expect(all.get("w")).toMatchObject({ boundary: { offset: { outline: "disc" } } });
  });

  it("of a line follows into paths", () => {
    expect(named("l", "route").get("b")).toMatchObject({ outline: "plan", path: "route" });
  });

  it("of a body follows into combinations, joins, picks and rules", () => {
    const all = named("b", "tube");
    expect(all.get("c")).toMatchObject({ body: "tube", with: ["core", "tube"] });
    expect(all.get("i")).toMatchObject({ body: "tube" });
    expect(all.get("j")).toMatchObject({ bodies: ["tube", "core"] });
    expect(all.get("g")).toMatchObject({ pick: [{ body: "tube", name: "top" }], rule: { all: [{ touching: "tube" }, { not: { body: "tube" } }] } });
  });

  it("of a group follows into targets and the rules that start from it", () => {
    const all = named("g", "caps");
    expect(all.get("s")).toMatchObject({ target: "caps" });
    expect(all.get("h")).toMatchObject({ rule: { any: [{ grown: { from: "caps" } }, { edges_of: "caps" }] } });
    expect(all.get("g")).toMatchObject({ name: "caps" });
  });

  it("leaves the old note as it was", () => {
    const before = note();
    rename(before, "b", "tube");
    expect(before).toEqual(note());
  });

  it("of a ground motion follows into what it shakes, and into batches", () => {
    const all: Statement[] = [
      { id: "m", kind: "ground_motion", name: "quake", step: "10 ms", unit: "m/s2", values: [[0, 1]] },
      { id: "c", kind: "study", name: "shake", type: "shaking", ground: [{ motion: "quake", direction: "+x" }, { motion: "other", direction: "+y" }], runs: { motions: ["other", "quake"], scales: ["1"] } },
    ];
    expect(rename(all, "m", "north gate")[1]).toMatchObject({ ground: [{ motion: "north gate" }, { motion: "other" }], runs: { motions: ["other", "north gate"] } });
  });

  it("of an anchor, a group or a body follows into stages, and into ground that is like another", () => {
    const all: Statement[] = [
      { id: "b", kind: "body", name: "slab", outline: "plan", make: "plane strain" },
      { id: "g", kind: "group", name: "digs", of: "bodies" },
      { id: "a", kind: "anchor", name: "ties", target: "digs", line: "way", free: "5 m", diameter: "30 mm", material: "steel S355" },
      { id: "r", kind: "at_rest", target: "digs", coefficient: "0.5", as: "slab" },
      { id: "c", kind: "study", name: "pit", type: "stages", stages: [{ name: "dig", goes: ["digs"] }, { name: "tie", comes: ["ties", "slab"] }] },
    ];
    const stages = (id: string, name: string) => rename(all, id, name).find((s) => s.id === "c");
    expect(stages("a", "rods")).toMatchObject({ stages: [{ goes: ["digs"] }, { comes: ["rods", "slab"] }] });
    expect(stages("g", "cuts")).toMatchObject({ stages: [{ goes: ["cuts"] }, { comes: ["ties", "slab"] }] });
    const branch: Statement[] = [
      { id: "a", kind: "study", name: "dig", type: "stages", counted_from: "rest", stages: [{ name: "rest" }, { name: "pit" }] },
      { id: "b", kind: "study", name: "flood", type: "stages", of: "dig", stage: "rest", stages: [{ name: "rest" }] },
      { id: "c", kind: "study", name: "safe", type: "strength", of: "dig", stage: "pit" },
    ];
    expect(renameStage(branch, "a", 0, "still")).toMatchObject([{ counted_from: "still", stages: [{ name: "still" }, { name: "pit" }] }, { stage: "still", stages: [{ name: "rest" }] }, { stage: "pit" }]);
    const duty = (of: string): Statement => ({ id: `duty of ${of}`, kind: "study", name: `life of ${of}`, type: "life", of, life: { load: { duty: [{ case: "rest" }, { case: "pit" }] } } });
    const lives: Statement[] = [...branch, { id: "k", kind: "case", name: "rest" }, duty("dig"), duty("plain")];
    expect(renameStage(lives, "a", 0, "still").slice(-2)).toMatchObject([{ life: { load: { duty: [{ case: "still" }, { case: "pit" }] } } }, { life: { load: { duty: [{ case: "rest" }, { case: "pit" }] } } }]);
    expect(rename(lives, "k", "calm").slice(-2)).toMatchObject([{ life: { load: { duty: [{ case: "rest" }, { case: "pit" }] } } }, { life: { load: { duty: [{ case: "calm" }, { case: "pit" }] } } }]);
    const named: Statement[] = [
      { id: "s", kind: "support", name: "prop", target: "tip", components: ["y"] },
      { id: "t", kind: "support", target: "root", components: ["y"] },
      { id: "c", kind: "study", name: "pit", type: "stages", stages: [{ name: "strike", goes: ["prop"] }] },
    ];
    expect(rename(named, "s", "strut")).toMatchObject([{ name: "strut" }, {}, { stages: [{ goes: ["strut"] }] }]);
    expect(rename(named, "t", "strut")).toEqual(named);
    expect(rename(all, "b", "base").find((s) => s.id === "r")).toMatchObject({ as: "base", target: "digs" });
  });
});
