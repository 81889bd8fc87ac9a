import type { Of } from "../../api/types";
import { CaseChip, Direction, Value } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { imperial } from "../template";
import { entry } from "./entry";

function ForceLine({ statement }: { statement: Of<"force"> }) {
  return (
    <>
      <Value statement={statement} /> acts on <TargetChip statement={statement} kinds={["faces", "edges", "points"]} /> along <Direction statement={statement} />, spread evenly
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "force",
    section: "Loads and stages",
    order: 1,
    Line: ForceLine,
    templates: [{ word: "force", text: "force: a total, spread over a place", also: "load push pull thrust weight", make: (v) => ({ kind: "force", target: "", value: imperial(v) ? "200 lbf" : "1 kN", direction: "-y" }) }],
  }),
];
