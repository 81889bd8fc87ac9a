import type { BarsFinding, Of } from "../../api/types";
import { TextChip } from "../chips";
import { useNote } from "../context";
import { MaterialChip, MaterialProperties } from "../MaterialChip";
import { FigureChip } from "../shape/parts";
import { TargetChip } from "../TargetChip";
import { fresh, last, length, onlyBody } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";
import { Verdict } from "../Verdict";

function BarsLine({ statement }: { statement: Of<"bars"> }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement(statement);
  const study = view.studies.find((s) => s.findings?.findings.some((f) => f.kind === "bars" && f.statement === statement.id));
  const found = study?.findings?.findings.find((f): f is BarsFinding => f.kind === "bars" && f.statement === statement.id);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} />: <TextChip label="count" value={String(statement.count)} onCommit={(v) => edit((s) => (s.count = Number(v)))} /> bars of{" "}
      <TextChip label="diameter" value={statement.diameter} onCommit={(v) => edit((s) => (s.diameter = v))} /> lie in <TargetChip statement={statement} kinds={["bodies"]} /> along <FigureChip label="line" value={statement.line} kinds={["line"]} onChoose={(v) => void edit((s) => (s.line = v))} />, of{" "}
      <MaterialChip statement={statement} />
      <MaterialProperties statement={statement} />
      {found && (
        <Verdict holds={found.holds} margin={found.margin} stale={study?.state === "stale"}>
          {shown.text(found.stress, "stress")} at most{found.frame_name && ` in ${found.frame_name}`}
        </Verdict>
      )}
    </>
  );
}

export default [
  entry({
    kind: "bars",
    section: "Joins and supports",
    order: 13,
    Line: BarsLine,
    templates: [
      {
        word: "embedded bars",
        text: "bars laid into a body, whatever its mesh",
        also: "reinforcement rebar concrete tendon embedded",
        make: (v) => ({ kind: "bars", name: fresh(v, "Bars"), target: onlyBody(v), line: last(v, "line"), count: 4, diameter: length(v, "16 mm", "0.625 in"), material: "steel S355" }),
      },
    ],
  }),
];
