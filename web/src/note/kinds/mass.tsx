import type { Of } from "../../api/types";
import { ChoiceChip } from "../chips";
import { Value } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { imperial } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

const WEIGHS = [
  ["", "with its weight"],
  ["none", "its weight told by other loads"],
] as const;

function MassLine({ statement }: { statement: Of<"mass"> }) {
  const { edit } = useStatement(statement);
  return (
    <>
      <TargetChip statement={statement} kinds={["faces", "edges", "points"]} /> carries <Value statement={statement} />, shared evenly{", "}
      <ChoiceChip label="weight" value={statement.weightless ? "none" : ""} options={WEIGHS} onChoose={(v) => void edit((s) => (v ? (s.weightless = true) : delete s.weightless))} />
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
