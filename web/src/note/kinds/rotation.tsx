import type { Of } from "../../api/types";
import { CaseChip, Direction, Through, Value } from "../loadChips";
import { HELD } from "../words";
import { TargetChip } from "../TargetChip";
import { entry } from "./entry";

function RotationLine({ statement }: { statement: Of<"rotation"> }) {
  return (
    <>
      <TargetChip statement={statement} kinds={HELD} /> is turned as a whole by <Value statement={statement} /> about <Direction statement={statement} about />
      <Through statement={statement} otherwise="its middle" />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "rotation",
    section: "Joins and supports",
    order: 2.5,
    Line: RotationLine,
    templates: [{ word: "turn", text: "prescribed rotation of a place", also: "rotate twist imposed angle enforced", make: () => ({ kind: "rotation", target: "", value: "1 deg", direction: "+z" }) }],
  }),
];
