import type { Of, StrengthFinding } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { digits, percent } from "../../ui/units";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { fresh, type Template } from "../template";
import { useStatement } from "../useStatement";
import { OfChip, studiesOf } from "./OfChip";
import { stageNames } from "./stageNames";

type Study = Of<"study">;

export function StrengthLine({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit, callIt } = useStatement(statement);
  const names = stageNames(view.document.statements, statement.of ?? "") ?? [];
  const { stage = "", target = "" } = statement;
  const bodies = [...view.shape.bodies.map((b) => b.name), ...view.document.statements.flatMap((s) => (s.kind === "group" && s.of === "bodies" && !s.off ? [s.name] : []))];
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> reduces the strength of <ChoiceChip label="ground" value={target} missing={target !== "" && !bodies.includes(target)} options={[["", "all ground"], ...bodies.map((n) => [n, n] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => setOrDrop(s, "target", v))} /> after{" "}
      <ChoiceChip label="stage" value={stage} missing={stage !== "" && !names.includes(stage)} options={[["", "the last stage"], ...names.map((n) => [n, n] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => setOrDrop(s, "stage", v))} /> of <OfChip statement={statement} types={["stages"]} /> until it slides, up to{" "}
      <TextChip label="up to" optional placeholder="5" value={statement.upto ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "upto", v))} /> times less. It is to stand a factor of at least <TextChip label="at least" optional placeholder="any" value={statement.at_least ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "at_least", v))} />
      <Found id={statement.id} />
    </>
  );
}

function Found({ id }: { id: string }) {
  const { view, shown } = useNote();
  const state = view.studies.find((s) => s.statement === id);
  const found = state?.findings?.findings.find((f): f is StrengthFinding => f.kind === "strength");
  if (!found) return null;
  return (
    <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-strength>
      {found.slides === null ? "It stands, as far as strength was reduced, " : "It stands "}
      <b className="font-semibold">{digits(found.factor)} times</b> less strength{found.slides !== null && <>, and slides before {digits(found.slides)} times</>}; it moves by {shown.text(found.moved.at(-1) ?? 0, "length")} until then.
      {found.at_least !== null && (
        <span data-verdict={found.holds ? "holds" : "fails"} className={`ml-1 font-semibold ${found.holds ? "text-spruce" : "text-vermilion"}`}>
          {found.holds ? "holds" : "fails"}, {percent(found.margin ?? 0)}
        </span>
      )}
    </span>
  );
}

export const strength: Template = {
  word: "strength reduction",
  text: "study: how many times less ground may bear until it slides",
  also: "factor of safety phi c reduction slope stability slip failure mechanism geotechnical study",
  make: (v) => ({ kind: "study", name: fresh(v, "Safety"), type: "strength", of: studiesOf(v, "stages")[0] ?? "", at_least: "1.3" }),
};
