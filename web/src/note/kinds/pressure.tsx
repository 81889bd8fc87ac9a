import type { Of } from "../../api/types";
import { FollowsChip } from "../FollowsChip";
import { CaseChip, Value } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { imperial, mayFollow } from "../template";
import { entry } from "./entry";

function PressureLine({ statement }: { statement: Of<"pressure"> }) {
  return (
    <>
      <Value statement={statement} /> presses on <TargetChip statement={statement} kinds={["faces", "edges"]} />
      <FollowsChip statement={statement} />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "pressure",
    section: "Loads and stages",
    order: 2,
    Line: PressureLine,
    templates: [{ word: "pressure", text: "pressure on a place", also: "load distributed uniform", make: (v) => ({ kind: "pressure", target: "", value: imperial(v) ? "100 psi" : "1 MPa", ...(mayFollow(v) ? { follows: true } : {}) }) }],
  }),
];
