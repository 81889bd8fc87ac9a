import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { TextChip } from "../chips";
import { useNote } from "../context";
import { useJoin } from "../joins";
import { TargetChip } from "../TargetChip";
import { ToChip } from "../ToChip";
import { imperial } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function BedLine({ statement }: { statement: Of<"bed"> }) {
  const { shown } = useNote();
  const { edit } = useStatement(statement);
  const found = useJoin(statement.id);
  return (
    <>
      <TargetChip statement={statement} kinds={["faces", "edges"]} /> lies on an elastic bed of <TextChip label="stiffness" value={statement.stiffness} onCommit={(v) => edit((s) => (s.stiffness = v))} /> on <ToChip statement={statement} kinds={["faces", "edges"]} />; along the surface it has{" "}
      <TextChip label="sliding" value={statement.sliding ?? ""} placeholder="no" optional onCommit={(v) => edit((s) => setOrDrop(s, "sliding", v))} /> share of that
      {statement.to !== undefined && (
        <>
          , within <TextChip label="reach" value={statement.reach ?? ""} placeholder="0.5 % of the part" optional onCommit={(v) => edit((s) => setOrDrop(s, "reach", v))} />
        </>
      )}
      {found && (
        <span className={found.left ? "text-amber-ink" : "text-spruce"}>
          {" "}
          · {found.nodes} nodes rest, {shown.text(found.greatest, "length")} away at most{found.left ? `; ${found.left} lay out of reach` : ""}
        </span>
      )}
    </>
  );
}

export default [
  entry({
    kind: "bed",
    section: "Joins and supports",
    order: 10,
    Line: BedLine,
    templates: [{ word: "bed", text: "elastic bed under a surface: stiffness per area", also: "foundation winkler subgrade gasket grout soil rubber", make: (v) => ({ kind: "bed", target: "", stiffness: imperial(v) ? "200 lbf/in3" : "0.05 N/mm3" }) }],
  }),
];
