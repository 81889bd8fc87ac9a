import type { ModelView, Statement } from "../api/types";
import { SHAPE_TEMPLATES } from "./shapeTemplates";
import { fresh, imperial, last, length, onlyBody, type Template } from "./template";

export type { Template };

/** A share of the part (a twentieth), as a round number. */
function suggestedSize(view: ModelView, share = 20): string {
  const size = view.shape.size ? view.shape.size / share : 0.1 / share;
  const scale = imperial(view) ? 0.0254 : 0.001;
  return `${Number((size / scale).toPrecision(1))} ${imperial(view) ? "in" : "mm"}`;
}

export const TEMPLATES: readonly Template[] = [
  ...SHAPE_TEMPLATES,
  {
    word: "material",
    text: "material of a body",
    also: "steel aluminium concrete timber glass plastic young density",
    make: () => ({ kind: "material", target: "everything", material: "steel S355" }),
  },
  {
    word: "fix",
    text: "support: hold a place",
    also: "support clamp fixed restrain hold boundary constraint roller symmetry",
    make: (v) => ({ kind: "support", target: "", components: v.shape.dimension === 2 ? ["x", "y"] : ["x", "y", "z"] }),
  },
  {
    word: "move",
    text: "prescribed displacement",
    also: "displacement settlement imposed enforced",
    make: (v) => ({ kind: "displacement", target: "", component: "x", value: length(v, "0.1 mm", "0.005 in") }),
  },
  {
    word: "force",
    text: "force: a total, spread over a place",
    also: "load push pull thrust weight",
    make: (v) => ({ kind: "force", target: "", value: imperial(v) ? "200 lbf" : "1 kN", direction: "-y" }),
  },
  {
    word: "pressure",
    text: "pressure on a place",
    also: "load distributed uniform",
    make: (v) => ({ kind: "pressure", target: "", value: imperial(v) ? "100 psi" : "1 MPa" }),
  },
  {
    word: "gravity",
    text: "gravity: the weight of everything",
    also: "load self weight acceleration",
    make: (v) => ({ kind: "gravity", value: imperial(v) ? "32.174 ft/s2" : "9.81 m/s2", direction: "-y" }),
  },
  { word: "mesh", text: "mesh: the size of elements", also: "element size divide", make: (v) => ({ kind: "mesh", size: suggestedSize(v) }) },
  { word: "size", text: "size of elements at a place", also: "refine local finer mesh", make: (v) => ({ kind: "size", size: suggestedSize(v, 80), target: "" }) },
  {
    word: "size in a ball",
    text: "size of elements within a ball",
    also: "refine local finer mesh sphere",
    make: (v) => ({ kind: "size", size: suggestedSize(v, 80), ball: { x: length(v, "0 mm", "0 in"), y: length(v, "0 mm", "0 in"), z: length(v, "0 mm", "0 in"), radius: suggestedSize(v, 5) } }),
  },
  {
    word: "size in a box",
    text: "size of elements within a box",
    also: "refine local finer mesh block",
    make: (v) => {
      const zero = { x: length(v, "0 mm", "0 in"), y: length(v, "0 mm", "0 in"), z: length(v, "0 mm", "0 in") };
      return { kind: "size", size: suggestedSize(v, 80), box: { from: zero, to: { x: suggestedSize(v, 5), y: suggestedSize(v, 5), z: suggestedSize(v, 5) } } };
    },
  },
  { word: "division", text: "division of edges into equal or growing pieces", also: "divide count number elements bias seed mesh", make: () => ({ kind: "division", target: "", count: 8 }) },
  { word: "rings", text: "rings of elements round holes", also: "hole washer bolt layers mesh", make: (v) => ({ kind: "rings", target: "", count: 2, width: suggestedSize(v, 20) }) },
  { word: "static", text: "study: static", also: "study solve analysis case", make: (v) => ({ kind: "study", name: fresh(v, "Static"), type: "static" }) },
  {
    word: "stress limit",
    text: "limit: stress stays under a share of yield",
    also: "limit von mises allowable yield strength verdict check",
    make: (v) => ({ kind: "limit", study: last(v, "study"), quantity: "von_mises", target: onlyBody(v), at_most: "yield / 1.5" }),
  },
  {
    word: "deflection limit",
    text: "limit: displacement stays under a value",
    also: "limit displacement sag stiffness verdict check",
    make: (v) => ({ kind: "limit", study: last(v, "study"), quantity: "displacement", target: onlyBody(v), at_most: length(v, "0.5 mm", "0.02 in") }),
  },
  {
    word: "reaction limit",
    text: "limit: reaction at a support stays under a force",
    also: "limit force support verdict check",
    make: (v) => ({ kind: "limit", study: last(v, "study"), quantity: "reaction", target: "", at_most: imperial(v) ? "1000 lbf" : "5 kN" }),
  },
  {
    word: "hand check",
    text: "hand check: beam deflection by hand",
    also: "estimate cantilever simply supported beam",
    make: (v) => ({ kind: "hand_check", study: last(v, "study"), body: onlyBody(v), beam: "cantilever" }),
  },
  { word: "aim", text: "aim: what the note is to answer", also: "purpose question goal", make: () => ({ kind: "aim", text: "" }) },
];

/** An id that no statement has yet. */
export function freshId(statements: Statement[]): string {
  const used = new Set(statements.map((s) => s.id));
  let n = statements.length + 1;
  while (used.has(`s${n}`)) n += 1;
  return `s${n}`;
}
