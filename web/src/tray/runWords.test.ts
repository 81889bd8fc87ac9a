import { describe, expect, it } from "vitest";
import type { Run } from "../api/types";
import { again } from "./runWords";

const run = (state: Run["state"], keeps: boolean) => ({ state, keeps, increments: 3 }) as Run;

describe("what brings a run on again", () => {
  it("goes on where what came to rest was kept before it was stopped or killed", () => {
    expect([run("stopped", true), run("interrupted", true)].map(again)).toEqual(["Go on", "Go on"]);
  });

  it("begins again where nothing was kept, as of an earthquake, or where it failed", () => {
    expect([run("stopped", false), run("interrupted", false), run("failed", true)].map(again)).toEqual(["Retry", "Retry", "Retry"]);
  });
});
