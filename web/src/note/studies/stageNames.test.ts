import { describe, expect, it } from "vitest";
import type { Statement } from "../../api/types";
import { stageNames } from "./stageNames";

const study = (name: string, stages: string[], more: object = {}): Statement => ({ id: name, kind: "study", name, type: "stages", stages: stages.map((n) => ({ name: n })), ...more }) as Statement;

describe("names of stages", () => {
  const all = [study("dig", ["rest", "pit", "fill"]), study("flood", ["wet"], { of: "dig", stage: "pit" }), study("dry", ["drain"], { of: "flood" }), study("round", ["a"], { of: "round" }), study("off", ["x"], { off: true })];

  it("are those gone through before, up to where it goes on from, and its own", () => {
    expect(stageNames(all, "dig")).toEqual(["rest", "pit", "fill"]);
    expect(stageNames(all, "flood")).toEqual(["rest", "pit", "wet"]);
    expect(stageNames(all, "dry")).toEqual(["rest", "pit", "wet", "drain"]);
  });

  it("are none of what is no study in stages, and end where a study goes on from itself", () => {
    expect(stageNames(all, "gone")).toBeUndefined();
    expect(stageNames(all, "off")).toBeUndefined();
    expect(stageNames(all, "round")).toEqual(["a"]);
  });
});
