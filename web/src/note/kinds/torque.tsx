import type { Of } from "../../api/types";
import { CaseChip, Direction, Value } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { imperial } from "../template";
import { entry } from "./entry";

function TorqueLine({ statement }: { statement: Of<"torque"> }) {
  return (
    <>
      <Value statement={statement} /> twists <TargetChip statement={statement} kinds={["faces", "edges"]} /> about <Direction statement={statement} about />, through its middle
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "torque",
    section: "Loads and stages",
    order: 1.4,
    Line: TorqueLine,
    templates: [{ word: "torque", text: "torque on faces of solids", also: "twist couple moment shaft turn", make: (v) => ({ kind: "torque", target: "", value: imperial(v) ? "100 lbf ft" : "100 N m", direction: "+z" }) }],
  }),
];
