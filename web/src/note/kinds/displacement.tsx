import type { Of } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { CaseChip } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { length } from "../template";
import { HELD } from "../words";
import { entry } from "./entry";

function DisplacementLine({ statement }: { statement: Of<"displacement"> }) {
  const { view, change } = useNote();
  const axes = (view.shape.dimension === 2 ? ["x", "y"] : ["x", "y", "z"]) as ("x" | "y" | "z")[];
  return (
    <>
      <TargetChip statement={statement} kinds={HELD} /> is moved by{" "}
      <TextChip label="displacement" value={statement.value} onCommit={(v) => change(statement.id, (s) => s.kind === "displacement" && (s.value = v))} /> along{" "}
      <ChoiceChip label="component" value={statement.component} options={axes.map((a) => [a, a] as const)} onChoose={(v) => void change(statement.id, (s) => s.kind === "displacement" && (s.component = v))} />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "displacement",
    section: "Joins and supports",
    order: 2,
    Line: DisplacementLine,
    templates: [
      {
        word: "move",
        text: "prescribed displacement",
        also: "displacement settlement imposed enforced",
        make: (v) => ({ kind: "displacement", target: "", component: "x", value: length(v, "0.1 mm", "0.005 in") }),
      },
    ],
  }),
];
