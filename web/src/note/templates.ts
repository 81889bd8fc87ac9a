import type { Kind, ModelView, Statement } from "../api/types";

type WithoutId<S> = S extends Statement ? Omit<S, "id"> : never;
export type Draft = WithoutId<Statement>;

export interface Template {
  /** What is typed after the slash. */
  word: string;
  text: string;
  /** Further words an engineer would try. */
  also: string;
  make: (view: ModelView) => Draft;
}

function fresh(view: ModelView, base: string): string {
  const names = new Set(view.document.statements.map((s) => ("name" in s ? s.name : "")));
  if (!names.has(base)) return base;
  let n = 2;
  while (names.has(`${base} ${n}`)) n += 1;
  return `${base} ${n}`;
}

function last(view: ModelView, kind: Kind): string {
  const found = view.document.statements.filter((s) => s.kind === kind).at(-1);
  return found && "name" in found ? found.name : "";
}

const imperial = (view: ModelView) => view.document.units.startsWith("in") || view.document.units.startsWith("ft");
const length = (view: ModelView, metric: string, inch: string) => (imperial(view) ? inch : metric);

/** A twentieth of the part, as a round number. */
function suggestedSize(view: ModelView): string {
  const size = view.shape.size ? view.shape.size / 20 : 0.005;
  const scale = imperial(view) ? 0.0254 : 0.001;
  return `${Number((size / scale).toPrecision(1))} ${imperial(view) ? "in" : "mm"}`;
}

const onlyBody = (view: ModelView) => view.shape.bodies[0]?.name ?? "";

export const TEMPLATES: readonly Template[] = [
  {
    word: "rectangle",
    text: "outline: a rectangle",
    also: "outline plate box square draw shape",
    make: (v) => ({ kind: "outline", name: fresh(v, "outline"), boundary: { rectangle: { x: length(v, "0 mm", "0 in"), y: length(v, "0 mm", "0 in"), width: length(v, "100 mm", "4 in"), height: length(v, "40 mm", "1.5 in") } } }),
  },
  {
    word: "circle",
    text: "outline: a circle",
    also: "outline disc round draw shape",
    make: (v) => ({ kind: "outline", name: fresh(v, "outline"), boundary: { circle: { x: length(v, "0 mm", "0 in"), y: length(v, "0 mm", "0 in"), diameter: length(v, "60 mm", "2.5 in") } } }),
  },
  {
    word: "outline",
    text: "outline: a line through typed corners",
    also: "polygon profile points sketch draw shape",
    make: (v) => ({
      kind: "outline",
      name: fresh(v, "outline"),
      boundary: { corners: [["0", "0"], ["100", "0"], ["100", "20"], ["20", "20"], ["20", "80"], ["0", "80"]].map(([x, y]) => ({ x: `${x} mm`, y: `${y} mm` })) as never },
    }),
  },
  {
    word: "body",
    text: "body: an outline made solid, or a plane region",
    also: "extrude solid plane stress strain axisymmetric part thickness",
    make: (v) => ({ kind: "body", name: fresh(v, "part"), outline: last(v, "outline"), make: "solid", thickness: length(v, "10 mm", "0.5 in") }),
  },
  {
    word: "group",
    text: "group: places by pick",
    also: "set selection named target faces edges",
    make: (v) => ({ kind: "group", name: fresh(v, "place"), of: v.shape.dimension === 2 ? "edges" : "faces", pick: [] }),
  },
  {
    word: "plane",
    text: "group: everything on a plane",
    also: "group rule faces at x y z end side",
    make: (v) => ({ kind: "group", name: fresh(v, "end"), of: v.shape.dimension === 2 ? "edges" : "faces", rule: { plane: { axis: "x", at: length(v, "0 mm", "0 in") } } }),
  },
  {
    word: "bores",
    text: "group: all bores of a diameter",
    also: "group rule holes drillings bolt",
    make: (v) => ({ kind: "group", name: fresh(v, "bores"), of: v.shape.dimension === 2 ? "edges" : "faces", rule: { bores: { diameter: length(v, "10 mm", "0.5 in") } } }),
  },
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
