import { describe, expect, it } from "vitest";
import type { Arrays } from "../api/client";
import type { Shape, ShapeMeta } from "../api/types";
import { apartBy, bodiesOf, spanned } from "./drawnBodies";

const surfaces: Arrays<ShapeMeta> = {
  arrays: { positions: Float32Array.from({ length: 5 * 9 }, (_, i) => i), normals: new Float32Array(5 * 9), lines: Float32Array.from({ length: 3 * 6 }, (_, i) => i) },
  meta: {
    faces: [["a", "top", 0, 2, null], ["a", "side", 2, 1, null], ["b", "top", 3, 2, null]],
    edges: [["a", "rim", 0, 1], ["c", "member 1", 1, 2]],
    bodies: [{ name: "a", colour: null }, { name: "b", colour: [1, 0, 0] }, { name: "c", colour: null }],
    places: [],
  },
};

describe("drawn bodies", () => {
  it("are parts of the shape's arrays, faces and edges counted from their own start", () => {
    const [a, b, c] = bodiesOf(surfaces);
    expect(a?.surface?.getAttribute("position").count).toBe(9);
    expect(b?.faces).toEqual([{ name: "top", first: 0, count: 2 }]);
    expect(b?.surface?.getAttribute("position").getX(0)).toBe(27);
    expect(c?.surface).toBeNull();
    expect(c?.ink.getAttribute("position").count).toBe(4);
  });

  it("know the face a triangle belongs to", () => {
    const faces = bodiesOf(surfaces)[0]?.faces ?? [];
    expect([-1, 0, 1, 2, 3].map((item) => spanned(faces, item)?.name ?? null)).toEqual([null, "top", "top", "side", null]);
  });

  it("move away from the middle of all when drawn apart", () => {
    const body = (name: string, x: number) => ({ name, bounds: [[x, 0, 0], [x + 2, 1, 1]] });
    const shape = { bodies: [body("left", 0), body("right", 10)] } as unknown as Shape;
    const moves = apartBy(shape, 0.5);
    expect(moves.get("left")?.[0]).toBeCloseTo(-3.75);
    expect(moves.get("right")?.[0]).toBeCloseTo(3.75);
    expect(apartBy(shape, 0).size).toBe(0);
  });
});
