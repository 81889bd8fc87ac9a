import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { CaseChip } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { length } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

const TURNS = [
  ["held", "does not turn"],
  ["free", "turns as it is made to"],
] as const;

function RigidLine({ statement }: { statement: Of<"rigid"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const axes = view.shape.dimension === 2 ? (["x", "y"] as const) : (["x", "y", "z"] as const);
  const put = (axis: "x" | "y" | "z", value: string) =>
    edit((s) => {
      const moves = { ...s.moves };
      setOrDrop(moves, axis, value);
      if (Object.keys(moves).length > 0) s.moves = moves;
      else delete s.moves;
    });
  return (
    <>
      <TargetChip statement={statement} kinds={["bodies"]} /> is rigid, and moves by{" "}
      {axes.map((axis, i) => (
        <span key={axis} className="whitespace-nowrap">
          {i > 0 && ", "}
          <TextChip label={`along ${axis}`} value={statement.moves?.[axis] ?? ""} placeholder="as pushed" optional onCommit={(v) => put(axis, v)} /> along {axis}
        </span>
      ))}
      ; it <ChoiceChip label="turns" value={statement.turns ?? "held"} options={TURNS} onChoose={(v) => void edit((s) => (v === "held" ? delete s.turns : (s.turns = v)))} />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "rigid",
    section: "Joins and supports",
    order: 2.35,
    Line: RigidLine,
    templates: [
      {
        word: "rigid body",
        text: "rigid body: it is not deformed, and moves or is pushed as a whole",
        also: "roller die punch tool stiff undeformable imposed motion",
        make: (v) => ({ kind: "rigid", target: "", moves: { x: "0 mm", y: length(v, "-1 mm", "-0.05 in"), ...(v.shape.dimension === 2 ? {} : { z: "0 mm" }) } }),
      },
    ],
  }),
];
