import type { Of } from "../../api/types";
import { CaseChip, Direction, Value } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { imperial } from "../template";
import { entry } from "./entry";

function LineLoadLine({ statement }: { statement: Of<"line_load"> }) {
  return (
    <>
      <Value statement={statement} /> acts all along <TargetChip statement={statement} kinds={["bodies", "edges"]} /> towards <Direction statement={statement} />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "line_load",
    section: "Loads and stages",
    order: 4,
    Line: LineLoadLine,
    templates: [
      {
        word: "line load",
        text: "line load: a force per length on members or edges",
        also: "distributed uniform beam floor udl",
        make: (v) => ({ kind: "line_load", target: v.shape.bodies.find((b) => b.make === "members")?.name ?? "", value: imperial(v) ? "50 lbf/ft" : "1 kN/m", direction: "-z" }),
      },
    ],
  }),
];
