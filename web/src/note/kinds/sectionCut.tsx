import { setOrDrop } from "../../ui/assign";
import type { Of, SectionFinding } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { ReadChip } from "../studies/ReadChip";
import { boundsOf, fresh, groupsOf, lastRead, typed } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

const AXES = [
  ["x", "x"],
  ["y", "y"],
  ["z", "z"],
] as const;

function SectionCutLine({ statement }: { statement: Of<"section_cut"> }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement(statement);
  const found = view.studies.flatMap((s) => s.findings?.findings ?? []).find((f): f is SectionFinding => f.kind === "section_cut" && f.statement === statement.id);
  const solids = view.shape.bodies.filter((b) => b.make === "solid").map((b) => b.name);
  const groups = groupsOf(view, "bodies");
  const along = (found?.forces ?? []).flatMap((f) => (f ? [f["xyz".indexOf(statement.plane.axis)] ?? 0] : []));
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> adds up what passes through{" "}
      <ChoiceChip label="axis" value={statement.plane.axis} options={AXES} onChoose={(v) => void edit((s) => (s.plane.axis = v))} /> = <TextChip label="position" value={statement.plane.at} onCommit={(v) => edit((s) => (s.plane.at = v))} /> of{" "}
      <ChoiceChip label="cut" value={statement.body ?? ""} options={[["", "the whole model"], ...[...solids, ...groups].map((n) => [n, `${n} alone`] as const)]} onChoose={(v) => void edit((s) => setOrDrop(s, "body", v))} /> in{" "}
      <ReadChip value={statement.study} onChoose={(v) => void edit((s) => (s.study = v))} />
      {along.length > 0 && (
        <span className="text-spruce">
          : {[...new Set([Math.min(...along), Math.max(...along)].map((f) => shown.text(f, "force")))].join(" to ")} along {statement.plane.axis}
        </span>
      )}
    </>
  );
}

export default [
  entry({
    kind: "section_cut",
    section: "Findings",
    order: 6,
    Line: SectionCutLine,
    templates: [
      {
        word: "section cut",
        text: "section cut: force and moment through a plane",
        also: "resultant free body internal force normal shear bending plane",
        make: (v) => {
          const [low, high] = boundsOf(v.shape.bodies[0]);
          const extents = [0, 1, 2].map((k) => (high[k] ?? 0) - (low[k] ?? 0));
          const axis = extents.indexOf(Math.max(...extents));
          return { kind: "section_cut", name: fresh(v, "Cut"), study: lastRead(v), plane: { axis: (["x", "y", "z"] as const)[axis] ?? "x", at: typed(v, ((low[axis] ?? 0) + (high[axis] ?? 0)) / 2) } };
        },
      },
    ],
  }),
];
