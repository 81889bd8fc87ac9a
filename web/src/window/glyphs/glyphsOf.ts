import type { Arrays } from "../../api/client";
import type { ModelView, Of, PlaceKey, ShapeMeta, Statement } from "../../api/types";
import { arrow, bead, block, coil, hoop, lump, stop, turn, type Solid } from "./solids";
import { spotsOf, type Spot } from "./spots";

type Vec = [number, number, number];
export type Ink = "held" | "pushed" | "carried";

/** One glyph: what it stands for, where, its solid and the family of its ink. */
export interface Glyph {
  statement: string;
  words: string;
  body: string;
  at: Vec;
  solid: Solid;
  ink: Ink;
}

const AXES: Record<string, Vec> = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] };
const flip = (v: Vec): Vec => [-v[0], -v[1], -v[2]];
const unit = (v: Vec): Vec => {
  const size = Math.hypot(...v) || 1;
  return [v[0] / size, v[1] / size, v[2] / size];
};

/** A direction of the document as a vector. */
export function vectorOf(direction: string | number[]): Vec {
  if (typeof direction !== "string") return unit(direction as Vec);
  const axis = AXES[direction[1] ?? "x"] as Vec;
  return direction.startsWith("-") ? flip(axis) : axis;
}

const cross = (a: Vec, b: Vec): Vec => [a[1] * b[2] - a[2] * b[1], a[2] * b[0] - a[0] * b[2], a[0] * b[1] - a[1] * b[0]];

/** The axes of a support at a spot. */
export function axesAt(frame: Of<"support">["frame"], spot: Spot, through: Vec = [0, 0, 0]): [Vec, Vec, Vec] {
  if (!frame) return [AXES.x as Vec, AXES.y as Vec, AXES.z as Vec];
  if ("surface" in frame) {
    const n = flip(spot.normal ?? [0, 0, 1]);
    return [n, n, n];
  }
  if ("axis" in frame) {
    const axis = vectorOf(frame.axis);
    const arm = spot.at.map((c, k) => c - (through[k] as number)) as Vec;
    const along = arm[0] * axis[0] + arm[1] * axis[1] + arm[2] * axis[2];
    const away = unit([arm[0] - along * axis[0], arm[1] - along * axis[1], arm[2] - along * axis[2]]);
    return [away, cross(axis, away), axis];
  }
  const x = vectorOf(frame.x);
  const z = unit(cross(x, vectorOf(frame.y)));
  return [x, cross(z, x), z];
}

/** What is drawn at one spot of a statement. */
function solidsAt(s: Statement, spot: Spot, through: Vec | undefined): [Solid, Ink][] {
  switch (s.kind) {
    case "support":
      if (["x", "y", "z"].every((c) => s.components.includes(c as "x"))) {
        const turns = s.components.filter((c) => c.length > 1);
        return [[block(turns.length === 3), "held"], ...(turns.length < 3 ? turns.map((c): [Solid, Ink] => [hoop(axesAt(s.frame, spot, through)["xyz".indexOf(c.at(-1) ?? "x")] as Vec), "held"]) : [])];
      }
      return s.components.map((c) => {
        const axis = axesAt(s.frame, spot, through)["xyz".indexOf(c.at(-1) ?? "x")] as Vec;
        return [c.length > 1 ? hoop(axis) : stop(axis), "held"];
      });
    case "displacement":
      return [[stop(AXES[s.component] as Vec), "held"], [arrow(vectorOf(`${s.value.trim().startsWith("-") ? "-" : "+"}${s.component}`), 1), "pushed"]];
    case "rigid":
      return Object.entries(s.moves ?? {}).map(([axis, value]): [Solid, Ink] =>
        /^[+-]?0*\.?0*\s/.test(`${value} `) ? [stop(AXES[axis as "x"] as Vec), "held"] : [arrow(vectorOf(`${value.trim().startsWith("-") ? "-" : "+"}${axis as "x"}`), 1), "pushed"],
      );
    case "displacement_map":
      return (s.components ?? (["x", "y", "z"] as const)).map((c) => [stop(AXES[c] as Vec), "held"]);
    case "rotation":
      return [[turn(vectorOf(s.direction)), "pushed"], [stop(vectorOf(s.direction)), "held"]];
    case "spring":
      return [...(s.components ?? []).flatMap((c): [Solid, Ink][] => (c === "line" ? [] : [[coil(AXES[c] as Vec), "held"]])), ...(s.about ?? []).map((c): [Solid, Ink] => [hoop(AXES[c.at(-1) as "x"] as Vec), "held"])];
    case "bed":
      return [[coil(flip(spot.normal ?? [0, 0, 1])), "held"]];
    case "one_way":
      return s.direction ? [[stop(vectorOf(s.direction)), "held"]] : [];
    case "joint":
      return [s.axis ? [hoop(vectorOf(s.axis)), "held"] : [bead(), "held"]];
    case "mass":
      return [[lump(), "carried"]];
    case "pressure": {
      const inward = flip(spot.normal ?? [0, 0, 1]);
      return [[arrow(/^[-−]/.test(s.value.trim()) ? flip(inward) : inward, 1), "pushed"]];
    }
    // Which way each place is pressed, the file says.
    case "pressure_map":
      return [[arrow(flip(spot.normal ?? [0, 0, 1]), 1), "pushed"]];
    case "bearing_load": {
      const way = vectorOf(s.direction);
      const n = spot.normal;
      return n && n[0] * way[0] + n[1] * way[1] + n[2] * way[2] > -0.2 ? [] : [[arrow(way, 1), "pushed"]];
    }
    case "moment":
    case "torque":
      return [[turn(vectorOf(s.direction)), "pushed"]];
    case "force":
    case "traction":
    case "line_load":
      return [[arrow(vectorOf(s.direction)), "pushed"]];
    case "temperature":
      return [[bead(), "carried"]];
    default:
      return [];
  }
}

/** What acts on everything stands once, at the middle of all. */
function whole(s: Statement): Solid | null {
  if (s.kind === "gravity") return arrow(vectorOf(s.direction), 2.4);
  if (s.kind === "acceleration") return arrow(flip(vectorOf(s.direction)), 2.4);
  return s.kind === "spin" ? turn(vectorOf(s.direction)) : null;
}

function wordsOf(s: Statement): string {
  const what = s.kind.replaceAll("_", " ");
  const value = "value" in s ? ` ${s.value}` : "stiffness" in s ? ` ${s.stiffness}` : "speed" in s ? ` ${s.speed}` : "";
  const held = s.kind === "support" ? ` (${s.components.join(", ")})` : "";
  const target = "target" in s ? ` on ${s.target}` : "";
  return `${what}${value}${held}${target}${"case" in s && s.case ? `, ${s.case}` : ""}`;
}

/** Glyphs of all supports, loads and masses in force. */
export function glyphsOf(view: ModelView, surfaces: Arrays<ShapeMeta>): Glyph[] {
  const middle = [0, 1, 2].map((k) => {
    const all = view.shape.bodies.flatMap((b) => b.bounds.map((c) => c[k] as number));
    return (Math.min(...all) + Math.max(...all)) / 2;
  }) as Vec;
  return view.document.statements
    .filter((s) => !s.off)
    .flatMap((s) => {
      const words = wordsOf(s);
      const one = whole(s);
      if (one) return view.shape.bodies.length ? [{ statement: s.id, words, body: "", at: middle, solid: one, ink: "pushed" as Ink }] : [];
      if (!("target" in s) || !s.target) return [];
      const keys: PlaceKey[] = s.target === "everything" ? view.shape.bodies.map((b) => [b.name, b.name]) : (view.groups[s.target] ?? [[s.target, s.target]]);
      return keys.flatMap((key) => spotsOf(surfaces, key, view.shape.size ?? 0).flatMap((spot) => solidsAt(s, spot, view.shape.through[s.id]).map(([solid, ink]) => ({ statement: s.id, words, body: spot.body, at: spot.at, solid, ink }))));
    });
}
