import { X } from "lucide-react";
import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { TextChip } from "../chips";
import { Direction } from "../loadChips";
import { FigureChip } from "../shape/parts";
import { TargetChip } from "../TargetChip";
import { fresh, imperial, last, length } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function MovingLoadLine({ statement }: { statement: Of<"moving_load"> }) {
  const { edit, callIt } = useStatement(statement);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> drives over <TargetChip statement={statement} kinds={["faces", "edges"]} /> along{" "}
      <FigureChip label="line" value={statement.line} kinds={["line"]} onChoose={(v) => void edit((s) => (s.line = v))} /> with{" "}
      {statement.axles.map((axle, i) => (
        <span key={i} className="whitespace-nowrap">
          {i > 0 && " and "}
          <TextChip label={`axle ${i + 1}`} value={axle.force} onCommit={(v) => edit((s) => s.axles[i] && (s.axles[i].force = v))} />
          {i > 0 && (
            <>
              {" "}
              <TextChip label={`behind ${i + 1}`} value={axle.behind ?? ""} placeholder="0" onCommit={(v) => edit((s) => s.axles[i] && setOrDrop(s.axles[i], "behind", v))} /> behind
              <button aria-label={`Remove axle ${i + 1}`} className="ml-0.5 text-faint hover:text-vermilion" onClick={() => void edit((s) => void s.axles.splice(i, 1))}>
                <X className="inline size-3" />
              </button>
            </>
          )}
        </span>
      ))}
      <button className="ml-1 rounded px-1 font-sans text-[11.5px] text-faint hover:bg-glow hover:text-ink" onClick={() => void edit((s) => void s.axles.push({ force: s.axles[0].force, behind: "3 m" }))}>
        + axle
      </button>{" "}
      towards <Direction statement={statement} />, a case every <TextChip label="spacing" value={statement.spacing ?? ""} placeholder="twentieth of the line" optional onCommit={(v) => edit((s) => setOrDrop(s, "spacing", v))} />
    </>
  );
}

export default [
  entry({
    kind: "moving_load",
    section: "Loads and stages",
    order: 13,
    Line: MovingLoadLine,
    templates: [
      {
        word: "moving load",
        text: "moving load: axles along a line, a case for every position",
        also: "vehicle lorry truck crane bridge train axle wheel traffic",
        make: (v) => ({ kind: "moving_load", name: fresh(v, "Vehicle"), target: "", line: last(v, "line"), axles: [{ force: imperial(v) ? "10 kip" : "50 kN" }], direction: v.shape.dimension === 2 ? "-y" : "-z", spacing: length(v, "500 mm", "2 ft") }),
      },
    ],
  }),
];
