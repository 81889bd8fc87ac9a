import type { Of } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { imperial } from "../template";
import { entry } from "./entry";

type Spring = Of<"spring">;

const WAYS = ["x,y,z", "x", "y", "z", "x,y", "x,z", "y,z"] as const;

function SpringLine({ statement }: { statement: Spring }) {
  const { view, change } = useNote();
  const edit = (apply: (s: Spring) => void) => change(statement.id, (s) => s.kind === "spring" && apply(s));
  const ways = WAYS.filter((w) => view.shape.dimension !== 2 || !w.includes("z"));
  return (
    <>
      <TargetChip statement={statement} kinds={["faces", "edges", "points"]} /> rests on springs of <TextChip label="stiffness" value={statement.stiffness} onCommit={(v) => edit((s) => (s.stiffness = v))} /> in all, along{" "}
      <ChoiceChip label="components" value={[...statement.components].sort().join(",")} options={ways.map((w) => [w, w.replaceAll(",", ", ")] as const)} onChoose={(v) => void edit((s) => (s.components = v.split(",") as Spring["components"]))} />
    </>
  );
}

export default [
  entry({
    kind: "spring",
    section: "Joins and supports",
    order: 3,
    Line: SpringLine,
    templates: [{ word: "spring", text: "springs from a place to the ground", also: "elastic support bed stiffness pad", make: (v) => ({ kind: "spring", target: "", stiffness: imperial(v) ? "5000 lbf/in" : "1 kN/mm", components: ["y"] }) }],
  }),
];
