import type { Of } from "../../api/types";
import { CaseChip, Direction, Value } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { imperial } from "../template";
import { entry } from "./entry";

function TractionLine({ statement }: { statement: Of<"traction"> }) {
  return (
    <>
      <Value statement={statement} /> drags <TargetChip statement={statement} kinds={["faces", "edges"]} /> along <Direction statement={statement} />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "traction",
    section: "Loads and stages",
    order: 1.2,
    Line: TractionLine,
    templates: [{ word: "traction", text: "traction: a force per area along a direction", also: "shear friction stress distributed surface load", make: (v) => ({ kind: "traction", target: "", value: imperial(v) ? "10 psi" : "0.1 MPa", direction: "+x" }) }],
  }),
];
