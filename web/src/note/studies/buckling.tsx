import type { BucklingFinding, Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { digits, percent } from "../../ui/units";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { fresh, type Template } from "../template";
import { useStatement } from "../useStatement";
import { OfChip, staticsOf } from "./OfChip";

export function BucklingLine({ statement }: { statement: Of<"study"> }) {
  const { view } = useNote();
  const { edit, callIt } = useStatement(statement);
  const names = view.document.statements.flatMap((s) => ((s.kind === "case" || s.kind === "combination") && !s.off ? [s.name] : []));
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> finds how far the loads of <OfChip statement={statement} />
      {names.length > 0 && (
        <>
          {" "}
          in <ChoiceChip label="case" value={statement.case ?? ""} options={[["", "the first case"], ...names.map((n) => [n, n] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => setOrDrop(s, "case", v))} />
        </>
      )}{" "}
      may grow until it buckles: <TextChip label="shapes" value={String(statement.modes ?? 4)} onCommit={(v) => edit((s) => (s.modes = Number(v)))} /> shapes, and a factor of at least{" "}
      <TextChip label="at least" optional placeholder="any" value={statement.at_least ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "at_least", v))} />
      <Found id={statement.id} />
    </>
  );
}

function Found({ id }: { id: string }) {
  const { view, shown } = useNote();
  const state = view.studies.find((s) => s.statement === id);
  const found = state?.findings?.findings.find((f): f is BucklingFinding => f.kind === "buckling");
  if (!found) return null;
  return (
    <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-buckling>
      It buckles at <b className="font-semibold">{digits(found.factor)} times</b> the loads
      {found.loads.length > 0 && <> ({found.loads.map((l) => `${l.label}: ${shown.text(l.size * found.factor, l.dimension)}`).join(", ")})</>}
      {found.reverse !== null && <>, turned round at {digits(Math.abs(found.reverse))} times</>}.
      {found.yields && (
        <span className="text-amber-ink">
          {" "}
          {found.yields.body} yields before, at {digits(found.yields.factor)} times: the factor is not what it bears.
        </span>
      )}
      {found.at_least !== null && (
        <span data-verdict={found.holds ? "holds" : "fails"} className={`ml-1 font-semibold ${found.holds ? "text-spruce" : "text-vermilion"}`}>
          {found.holds ? "holds" : "fails"}, {percent(found.margin ?? 0)}
        </span>
      )}
    </span>
  );
}

export const buckling: Template = {
  word: "buckling",
  text: "study: linear buckling, factors and shapes",
  also: "stability critical load euler eigen study",
  make: (v) => ({ kind: "study", name: fresh(v, "Buckling"), type: "buckling", of: staticsOf(v).at(-1) ?? "", modes: 4, at_least: "3" }),
};
