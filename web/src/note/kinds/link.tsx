import type { Of } from "../../api/types";
import { CalledChip } from "../CalledChip";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { useJoin } from "../joins";
import { setOrDrop } from "../../ui/assign";
import { TargetChip } from "../TargetChip";
import { entry } from "./entry";

const HOW = [
  ["spreading", "spreading its force, the region stays soft"],
  ["rigid", "rigidly, the region moves as one"],
] as const;

function LinkLine({ statement }: { statement: Of<"link"> }) {
  const { change } = useNote();
  const found = useJoin(statement.id);
  return (
    <>
      <TargetChip statement={statement} kinds={["points"]} /> is linked to <TargetChip statement={statement} kinds={["faces", "edges", "points"]} field="to" />{" "}
      <ChoiceChip label="how" value={statement.how} options={HOW} onChoose={(v) => void change(statement.id, (s) => s.kind === "link" && (s.how = v))} />, within{" "}
      <TextChip label="reach" value={statement.reach ?? ""} placeholder="any distance" optional onCommit={(v) => change(statement.id, (s) => s.kind === "link" && setOrDrop(s, "reach", v))} />
      {found && <span className="text-spruce"> · {found.nodes} nodes</span>}
      <CalledChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "link",
    section: "Joins and supports",
    order: 6,
    Line: LinkLine,
    templates: [{ word: "link", text: "link: points tied to a region", also: "rigid spreading coupling spider remote bolt rim beam end", make: () => ({ kind: "link", target: "", to: "", how: "spreading" }) }],
  }),
];
