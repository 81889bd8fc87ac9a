import type { Of } from "../../api/types";
import { TextChip } from "../chips";
import { useNote } from "../context";
import { CaseChip, Direction, Through } from "../loadChips";
import { entry } from "./entry";

function SpinLine({ statement }: { statement: Of<"spin"> }) {
  const { change } = useNote();
  return (
    <>
      Everything turns at <TextChip label="speed" value={statement.speed} onCommit={(v) => change(statement.id, (s) => s.kind === "spin" && (s.speed = v))} /> about <Direction statement={statement} about />
      <Through statement={statement} otherwise="the origin" />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "spin",
    section: "Loads and stages",
    order: 7,
    Line: SpinLine,
    templates: [{ word: "spin", text: "spin: everything turns about an axis", also: "rotation centrifugal speed rpm flywheel", make: (v) => ({ kind: "spin", speed: "10 Hz", direction: v.shape.bodies.some((b) => b.make === "axisymmetric") ? "+y" : "+z" }) }],
  }),
];
