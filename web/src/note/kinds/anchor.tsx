import type { Of, StagesFinding } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { TextChip } from "../chips";
import { useNote } from "../context";
import { MaterialChip, MaterialProperties } from "../MaterialChip";
import { FigureChip } from "../shape/parts";
import { TargetChip } from "../TargetChip";
import { fresh, last } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function AnchorLine({ statement }: { statement: Of<"anchor"> }) {
  const { edit, callIt } = useStatement(statement);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} />: ties of <TextChip label="diameter" value={statement.diameter} onCommit={(v) => edit((s) => (s.diameter = v))} />, <TextChip label="spacing" optional placeholder="one" value={statement.spacing ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "spacing", v))} />{" "}
      {statement.spacing ? "apart" : "alone"}, along <FigureChip label="line" value={statement.line} kinds={["line"]} onChoose={(v) => void edit((s) => (s.line = v))} />, free over <TextChip label="free" value={statement.free} onCommit={(v) => edit((s) => (s.free = v))} /> from its start and then bonded to{" "}
      <TargetChip statement={statement} kinds={["bodies"]} />, are pulled with <TextChip label="force" optional placeholder="no force" value={statement.force ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "force", v))} /> each when they come, of <MaterialChip statement={statement} />
      <MaterialProperties statement={statement} />
      <Pull name={statement.name} />
    </>
  );
}

/** The pull at the end of every stage. */
function Pull({ name }: { name: string }) {
  const { view, shown } = useNote();
  return view.studies.map((study) => {
    const found = study.findings?.findings.find((f): f is StagesFinding => f.kind === "stages");
    const rows = found?.rows.flatMap((row) => (row.anchors ?? []).filter((a) => a.name === name).map((a) => ({ stage: row.name, force: a.force }))) ?? [];
    if (rows.length === 0) return null;
    return (
      <span key={study.statement} className={`block font-sans text-[12px] ${study.state === "stale" ? "opacity-55" : ""}`} data-anchor>
        {study.name}: {rows.map((r) => `${r.stage} ${shown.text(r.force, "force")}`).join(", ")}
      </span>
    );
  });
}

export default [
  entry({
    kind: "anchor",
    section: "Joins and supports",
    order: 13.5,
    Line: AnchorLine,
    templates: [
      {
        word: "anchor",
        text: "ground anchor: a tie that is pulled as it comes, and bonded to the ground",
        also: "tieback ground anchor prestress grout nail strut",
        make: (v) => ({ kind: "anchor", name: fresh(v, "Anchor"), target: "everything", line: last(v, "line"), free: "5 m", diameter: "32 mm", spacing: "2.5 m", force: "150 kN", material: "steel S355" }),
      },
    ],
  }),
];
