import type { Of } from "../../api/types";
import { TextChip } from "../chips";
import { TargetChip } from "../TargetChip";
import { fresh } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function FloorLine({ statement }: { statement: Of<"floor"> }) {
  const { callIt } = useStatement(statement);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is a floor: <TargetChip statement={statement} kinds={["points"]} /> move and turn in its plane as one
    </>
  );
}

export default [
  entry({
    kind: "floor",
    section: "Joins and supports",
    order: 6.5,
    Line: FloorLine,
    templates: [{ word: "floor", text: "floor: points that are rigid in its plane", also: "rigid diaphragm slab storey story level deck", make: (v) => ({ kind: "floor", name: fresh(v, "floor"), target: "" }) }],
  }),
];
