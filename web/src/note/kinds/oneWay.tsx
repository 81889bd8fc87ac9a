import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip, TextChip } from "../chips";
import { ConnectorForces } from "../ConnectorForces";
import { useNote } from "../context";
import { Way } from "../loadChips";
import { CalledChip } from "../CalledChip";
import { NamesChips } from "../NamesChips";
import { TargetChip } from "../TargetChip";
import { ToChip } from "../ToChip";
import { statedCases } from "../useCases";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

const WAYS = [
  ["push", "push"],
  ["pull", "pull"],
] as const;

function OneWayLine({ statement }: { statement: Of<"one_way"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const cases = statedCases(view);
  return (
    <>
      Each place of <TargetChip statement={statement} kinds={["faces", "edges", "points"]} /> is linked to <ToChip statement={statement} kinds={["faces", "edges", "points"]} />, and the link can only{" "}
      <ChoiceChip label="way" value={statement.way} options={WAYS} onChoose={(v) => void edit((s) => (s.way = v))} />; its other end stands towards{" "}
      <Way value={statement.direction ?? "-z"} label="direction" onPut={(v) => edit((s) => (s.direction = v))} />
      {statement.to !== undefined && statement.direction && (
        <button className="ml-1 rounded px-1 font-sans text-[11.5px] text-faint hover:bg-glow hover:text-ink" onClick={() => void edit((s) => delete s.direction)}>
          use the line between both
        </button>
      )}
      , with a {statement.way === "push" ? "clearance" : "slack"} of <TextChip label="gap" value={statement.gap ?? ""} placeholder="none" optional onCommit={(v) => edit((s) => setOrDrop(s, "gap", v))} /> and a stiffness of{" "}
      <TextChip label="stiffness" value={statement.stiffness ?? ""} placeholder="hard" optional onCommit={(v) => edit((s) => setOrDrop(s, "stiffness", v))} />
      {cases.length > 0 && (
        <span className={statement.after ? "" : "when-open"}>
          ; it comes after{" "}
          <NamesChips
            names={cases}
            chosen={statement.after ?? []}
            onChange={(names) =>
              void edit((s) => {
                if (names.length) s.after = names as typeof s.after;
                else delete s.after;
              })
            }
          />
        </span>
      )}
      <CalledChip statement={statement} />
      <ConnectorForces id={statement.id} />
    </>
  );
}

export default [
  entry({
    kind: "one_way",
    section: "Joins and supports",
    order: 9,
    Line: OneWayLine,
    templates: [
      { word: "pad", text: "pads that only push: each place of a group on the ground", also: "one-way compression only lift-off uplift support gap unilateral", make: () => ({ kind: "one_way", target: "", way: "push", direction: "-z" }) },
      { word: "tie-down", text: "ties that only pull, with slack", also: "one-way tension only rope lashing cable chain strap link", make: () => ({ kind: "one_way", target: "", way: "pull", direction: "-z" }) },
    ],
  }),
];
