import type { Of } from "../../api/types";
import { CalledChip } from "../CalledChip";
import { TextChip } from "../chips";
import { useNote } from "../context";
import { useJoin } from "../joins";
import { setOrDrop } from "../../ui/assign";
import { TargetChip } from "../TargetChip";
import { entry } from "./entry";

function BondLine({ statement }: { statement: Of<"bond"> }) {
  const { shown, change } = useNote();
  const found = useJoin(statement.id);
  return (
    <>
      <TargetChip statement={statement} kinds={["faces", "edges"]} /> is bonded to <TargetChip statement={statement} kinds={["faces", "edges"]} field="to" />, within{" "}
      <TextChip label="reach" value={statement.reach ?? ""} placeholder="0.5 % of the part" optional onCommit={(v) => change(statement.id, (s) => s.kind === "bond" && setOrDrop(s, "reach", v))} />
      {found && found.covered !== null && found.whole !== null && (
        <span className={found.covered < 0.98 * found.whole ? "text-amber-ink" : "text-spruce"}>
          {" "}
          · {((found.covered / found.whole) * 100).toFixed(0)} % of the finer side lies on the other, {shown.text(found.greatest, "length")} apart at most
        </span>
      )}
      <CalledChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "bond",
    section: "Joins and supports",
    order: 5,
    Line: BondLine,
    templates: [{ word: "bond", text: "bond: two regions move as one", also: "glue tie weld join connect bonded seam", make: () => ({ kind: "bond", target: "", to: "" }) }],
  }),
];
