import { describe, expect, it } from "vitest";
import type { Arrays } from "../../api/client";
import type { ModelView, ShapeMeta } from "../../api/types";
import { axesAt, glyphsOf, vectorOf } from "./glyphsOf";
import { across, arrow, hoop, stop, turn } from "./solids";
import { spotsOf } from "./spots";

/** Two triangles that make a face of 2 × 1 in the plane z = 0, facing up, and its edge along x. */
const surfaces = {
  arrays: {
    positions: new Float32Array([0, 0, 0, 2, 0, 0, 2, 1, 0, 0, 0, 0, 2, 1, 0, 0, 1, 0]),
    normals: new Float32Array(Array.from({ length: 18 }, (_, i) => (i % 3 === 2 ? 1 : 0))),
    lines: new Float32Array([0, 0, 0, 2, 0, 0]),
  },
  meta: {
    faces: [["plate", "top", 0, 2, null]],
    edges: [["plate", "front", 0, 1]],
    bodies: [{ name: "plate", colour: null }],
    places: [
      { body: "plate", name: "top", of: "faces" },
      { body: "plate", name: "front", of: "edges" },
      { body: "plate", name: "corner", of: "points", at: [0, 0, 0] },
      { body: "plate", name: "plate", of: "bodies", at: [1, 0.5, 0] },
    ],
  },
} as unknown as Arrays<ShapeMeta>;

function view(...statements: Record<string, unknown>[]): ModelView {
  return {
    document: { statements: statements.map((s, i) => ({ id: `s${i}`, ...s })) },
    groups: { top: [["plate", "top"]], front: [["plate", "front"]] },
    shape: { through: {}, bodies: [{ name: "plate", bounds: [[0, 0, 0], [2, 1, 0]] }] },
  } as unknown as ModelView;
}

/** Extent of a solid along an axis. */
const reach = (solid: number[], k: number) => solid.filter((_, i) => i % 3 === k);

describe("spots", () => {
  it("spread over a face by area, all on it and each for itself", () => {
    const found = spotsOf(surfaces, ["plate", "top"]);
    expect(found).toHaveLength(7);
    for (const { at, normal } of found) {
      expect(at[0]).toBeGreaterThan(0);
      expect(at[0]).toBeLessThan(2);
      expect(at[2]).toBe(0);
      expect(normal).toEqual([0, 0, 1]);
    }
    expect(new Set(found.map((s) => s.at.map((c) => c.toFixed(3)).join(" "))).size).toBe(7);
  });

  it("run along an edge, and are single at points and bodies", () => {
    expect(spotsOf(surfaces, ["plate", "front"]).map((s) => Number(s.at[0].toFixed(3)))).toEqual([0.2, 0.6, 1, 1.4, 1.8]);
    expect(spotsOf(surfaces, ["plate", "corner"])).toHaveLength(1);
    expect(spotsOf(surfaces, ["plate", "gone"])).toEqual([]);
  });

  it("are fewer on what is small in the part", () => {
    expect(spotsOf(surfaces, ["plate", "front"], 20)).toHaveLength(1);
    expect(spotsOf(surfaces, ["plate", "top"], 10)).toHaveLength(4);
  });
});

describe("solids", () => {
  it("stand with their tip at the place, on the side they come from", () => {
    const solid = arrow([0, 0, -1]);
    expect(Math.min(...reach(solid, 2))).toBeCloseTo(0, 9);
    expect(Math.max(...reach(solid, 2))).toBeCloseTo(1.5, 9);
    expect(Math.max(...reach(stop([1, 0, 0]), 0))).toBeCloseTo(0, 9);
    expect(reach(hoop([0, 1, 0]), 1).every((y) => Math.abs(y + 0.35) < 1e-9)).toBe(true);
    expect(turn([0, 0, 1]).length % 9).toBe(0);
  });

  it("have right-handed directions across any axis", () => {
    for (const axis of [[1, 0, 0], [0, 0, 1], [0.6, 0, 0.8]] as [number, number, number][]) {
      const [u, v] = across(axis);
      expect(u[0] * v[0] + u[1] * v[1] + u[2] * v[2]).toBeCloseTo(0, 12);
      expect(u[1] * v[2] - u[2] * v[1]).toBeCloseTo(axis[0], 12);
    }
  });
});

describe("glyphs", () => {
  it("are drawn for what is held, pushed and carried, and for nothing that is off", () => {
    const all = glyphsOf(view({ kind: "support", target: "front", components: ["x", "rz"] }, { kind: "force", target: "top", value: "1 kN", direction: "-z", off: true }, { kind: "mass", target: "top", value: "3 kg" }), surfaces);
    expect(all.filter((g) => g.ink === "held")).toHaveLength(10);
    expect(all.filter((g) => g.ink === "pushed")).toHaveLength(0);
    expect(all.filter((g) => g.ink === "carried")).toHaveLength(7);
    expect(all[0]?.words).toBe("support (x, rz) on front");
  });

  it("say with one block that a place is held in every way", () => {
    expect(glyphsOf(view({ kind: "support", target: "front", components: ["x", "y", "z", "rx", "ry", "rz"] }), surfaces)).toHaveLength(5);
    expect(glyphsOf(view({ kind: "support", target: "front", components: ["x", "y", "z", "rx"] }), surfaces)).toHaveLength(10);
  });

  it("let pressure come from outside, and suction go there", () => {
    const tip = (value: string) => glyphsOf(view({ kind: "pressure", target: "top", value }), surfaces).map((g) => Math.max(...reach(g.solid, 2)))[0] ?? 0;
    expect(tip("2 MPa")).toBeCloseTo(1, 9);
    expect(tip("−2 MPa")).toBeCloseTo(0, 9);
  });

  it("stand once for what acts on everything", () => {
    const [one, ...rest] = glyphsOf(view({ kind: "gravity", value: "9.81 m/s2", direction: "-y", case: "dead" }), surfaces);
    expect(one).toMatchObject({ at: [1, 0.5, 0], words: "gravity 9.81 m/s2, dead" });
    expect(rest).toEqual([]);
  });

  it("follow the axes of a support", () => {
    const spot = { body: "plate", at: [1.001, 2, 0] as [number, number, number], normal: [0, 0, 1] as [number, number, number] };
    expect(axesAt({ surface: true }, spot)[0]).toEqual([-0, -0, -1]);
    const [away, round, along] = axesAt({ axis: "+z" }, spot, [0.001, 0, 0]);
    expect(away.map((c) => Number(c.toFixed(6)))).toEqual([0.447214, 0.894427, 0]);
    expect(round.map((c) => Number(c.toFixed(6)))).toEqual([-0.894427, 0.447214, 0]);
    expect(along).toEqual([0, 0, 1]);
    expect(axesAt({ x: [0, 2, 0], y: "+z" }, spot)).toEqual([[0, 1, 0], [0, 0, 1], [1, 0, 0]]);
    expect(vectorOf("-z")).toEqual([-0, -0, -1]);
  });
});
