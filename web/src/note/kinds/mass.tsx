import type { Of } from "../../api/types";
import { Value } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { imperial } from "../template";
import { entry } from "./entry";

function MassLine({ statement }: { statement: Of<"mass"> }) {
  return (
    <>
      <TargetChip statement={statement} kinds={["faces", "edges", "points"]} /> carries <Value statement={statement} />, shared evenly
    </>
  );
}

export default [
  entry({
    kind: "mass",
    section: "Joins and supports",
    order: 4,
    Line: MassLine,
    templates: [{ word: "mass", text: "mass that a place carries", also: "weight equipment point lumped machine payload nonstructural", make: (v) => ({ kind: "mass", target: "", value: imperial(v) ? "20 lb" : "10 kg" }) }],
  }),
];
