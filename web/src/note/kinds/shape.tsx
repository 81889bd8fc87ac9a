import { GroupLine } from "../GroupLine";
import { OutlineLine } from "../OutlineLine";
import { CombineLine, CopyLine, CutLine, ImprintLine, JoinLine, MidSurfaceLine } from "../shape/AlteringLines";
import { BodyLine } from "../shape/BodyLine";
import { FrameLine, ImportLine, LineLine } from "../shape/DrawnLines";
import { SHAPE_TEMPLATES } from "../shapeTemplates";
import { entry } from "./entry";

export default [
  entry({ kind: "outline", section: "Shape", order: 1, Line: OutlineLine, templates: SHAPE_TEMPLATES }),
  entry({ kind: "line", section: "Shape", order: 2, Line: LineLine }),
  entry({ kind: "body", section: "Shape", order: 3, Line: BodyLine }),
  entry({ kind: "frame", section: "Shape", order: 4, Line: FrameLine }),
  entry({ kind: "import", section: "Shape", order: 5, Line: ImportLine }),
  entry({ kind: "combine", section: "Shape", order: 6, Line: CombineLine }),
  entry({ kind: "cut", section: "Shape", order: 7, Line: CutLine }),
  entry({ kind: "imprint", section: "Shape", order: 8, Line: ImprintLine }),
  entry({ kind: "copy", section: "Shape", order: 9, Line: CopyLine }),
  entry({ kind: "join", section: "Shape", order: 10, Line: JoinLine }),
  entry({ kind: "mid_surface", section: "Shape", order: 11, Line: MidSurfaceLine }),
  entry({ kind: "group", section: "Shape", order: 12, Line: GroupLine }),
];
