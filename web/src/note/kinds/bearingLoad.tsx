import type { Of } from "../../api/types";
import { CaseChip, Direction, Value } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { imperial } from "../template";
import { entry } from "./entry";

function BearingLoadLine({ statement }: { statement: Of<"bearing_load"> }) {
  return (
    <>
      Pins push <TargetChip statement={statement} kinds={["faces", "edges"]} /> with <Value statement={statement} /> in all along <Direction statement={statement} />, on the half that faces them
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "bearing_load",
    section: "Loads and stages",
    order: 1.6,
    Line: BearingLoadLine,
    templates: [{ word: "bearing load", text: "bearing load: pins push on the walls of holes", also: "pin bolt hole bore lug cosine", make: (v) => ({ kind: "bearing_load", target: "", value: imperial(v) ? "200 lbf" : "1 kN", direction: "-y" }) }],
  }),
];
