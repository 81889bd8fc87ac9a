import type { MembersFinding, Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { lastRead } from "../template";
import { useStatement } from "../useStatement";
import { Verdict } from "../Verdict";
import { entry } from "./entry";

function MemberCheckLine({ statement }: { statement: Of<"member_check"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const studies = view.document.statements.flatMap((s) => (s.kind === "study" && !s.off ? [[s.name, s.name] as const] : []));
  const study = view.studies.find((s) => s.name === statement.study);
  const found = study?.findings?.findings.find((f): f is MembersFinding => f.kind === "members" && f.statement === statement.id);
  return (
    <>
      Members of <TargetChip statement={statement} kinds={["bodies", "edges"]} /> in <ChoiceChip label="study" value={statement.study} missing={!studies.some(([n]) => n === statement.study)} options={studies} onChoose={(v) => void edit((s) => (s.study = v))} /> may be used to{" "}
      <TextChip label="strength" value={statement.strength} onCommit={(v) => edit((s) => (s.strength = v))} />, axial force with bending, buckling over <TextChip label="buckling length" value={statement.buckling_length ?? ""} placeholder="1" optional onCommit={(v) => edit((s) => setOrDrop(s, "buckling_length", v))} /> of
      their length, and shear
      {found && (
        <Verdict holds={found.holds} margin={found.margin} stale={study?.state === "stale"}>
          {found.name} is used to {(found.utilisation * 100).toFixed(0)} % by {found.by}
          {found.frame_name && ` in ${found.frame_name}`}
        </Verdict>
      )}
    </>
  );
}

export default [
  entry({
    kind: "member_check",
    section: "Findings",
    order: 4,
    Line: MemberCheckLine,
    templates: [
      {
        word: "member check",
        text: "how far members are used: axial force, bending, buckling, shear",
        also: "utilisation unity column beam strength euler interaction design",
        make: (v) => ({ kind: "member_check", study: lastRead(v), target: v.shape.bodies.find((b) => b.make === "members")?.name ?? "", strength: "yield / 1.1" }),
      },
    ],
  }),
];
