import { describe, expect, it } from "vitest";
import type { Run } from "../api/types";
import { again } from "./runWords";

const run = (state: Run["state"], increments: number) => ({ state, increments }) as Run;

describe("what brings a run on again", () => {
  it("goes on where something came to rest before it was stopped or killed", () => {
    expect([run("stopped", 3), run("interrupted", 1)].map(again)).toEqual(["Go on", "Go on"]);
  });

  it("begins again where nothing did, or where it failed", () => {
    expect([run("stopped", 0), run("interrupted", 0), run("failed", 5)].map(again)).toEqual(["Retry", "Retry", "Retry"]);
  });
});
