import { DivisionLine, MeshLine, RingsLine, SizeLine } from "../MeshLines";
import { length, suggestedSize } from "../template";
import { entry } from "./entry";

export default [
  entry({
    kind: "mesh",
    section: "Mesh",
    order: 1,
    Line: MeshLine,
    templates: [{ word: "mesh", text: "mesh: the size of elements", also: "element size divide", make: (v) => ({ kind: "mesh", size: suggestedSize(v) }) }],
  }),
  entry({
    kind: "size",
    section: "Mesh",
    order: 2,
    Line: SizeLine,
    templates: [
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
    ],
  }),
  entry({
    kind: "division",
    section: "Mesh",
    order: 3,
    Line: DivisionLine,
    templates: [{ word: "division", text: "division of edges into equal or growing pieces", also: "divide count number elements bias seed mesh", make: () => ({ kind: "division", target: "", count: 8 }) }],
  }),
  entry({
    kind: "rings",
    section: "Mesh",
    order: 4,
    Line: RingsLine,
    templates: [{ word: "rings", text: "rings of elements round holes", also: "hole washer bolt layers mesh", make: (v) => ({ kind: "rings", target: "", count: 2, width: suggestedSize(v, 20) }) }],
  }),
];
