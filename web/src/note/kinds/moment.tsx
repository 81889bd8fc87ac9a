import type { Of } from "../../api/types";
import { CaseChip, Direction, Value } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { imperial } from "../template";
import { entry } from "./entry";

function MomentLine({ statement }: { statement: Of<"moment"> }) {
  return (
    <>
      <Value statement={statement} /> turns <TargetChip statement={statement} kinds={["edges", "points"]} /> about <Direction statement={statement} about />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "moment",
    section: "Loads and stages",
    order: 6,
    Line: MomentLine,
    templates: [{ word: "moment", text: "moment on a place of shells or members", also: "torque couple twist turn", make: (v) => ({ kind: "moment", target: "", value: imperial(v) ? "100 lbf ft" : "1 kN m", direction: "+z" }) }],
  }),
];
