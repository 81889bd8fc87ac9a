import type { CollapseFinding, Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { digits, percent } from "../../ui/units";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { fresh, type Template } from "../template";
import { useStatement } from "../useStatement";
import { casesOf, DriftAtMost, Held } from "./building";
import { studiesOf } from "./OfChip";

type Study = Of<"study">;

const BY = [
  ["path", "by the length of the path"],
  ["loads", "by the loads alone"],
] as const;
const TURNED = 0.1; // rad, from where on joins that do not turn are told

export function CollapseLine({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit, callIt } = useStatement(statement);
  const names = view.document.statements.flatMap((s) => ((s.kind === "case" || s.kind === "combination") && !s.off ? [s.name] : []));
  const { control = "path", held } = statement;
  const floors = view.document.statements.some((s) => s.kind === "floor" && !s.off);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} />
      <Held statement={statement} />
      lets the loads
      {names.length > 0 && (
        <>
          {" "}
          of <ChoiceChip label="case" value={statement.case ?? ""} options={[["", "the first case"], ...names.map((n) => [n, n] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => setOrDrop(s, "case", v))} />
        </>
      )}{" "}
      grow{held && " on top"} until the part gives way, however far it moves, <Start statement={statement} />. Increments go <ChoiceChip label="control" value={control} options={BY} onChoose={(v) => void edit((s) => (v === "path" ? delete s.control : (s.control = v)))} />: the first a load factor of{" "}
      <TextChip label="first" value={statement.first ?? "0.1"} onCommit={(v) => edit((s) => (s.first = v))} />, at most <TextChip label="increments" value={String(statement.increments ?? 60)} onCommit={(v) => edit((s) => (s.increments = Number(v)))} />, up to{" "}
      <TextChip label="up to" optional={control === "path"} placeholder="any factor" value={statement.upto ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "upto", v))} />
      {control === "path" && (
        <>
          , and down to <TextChip label="down to" value={statement.down_to ?? "50 %"} onCommit={(v) => edit((s) => (s.down_to = v))} /> of the greatest load
        </>
      )}
      . It is to bear a factor of at least <TextChip label="at least" optional placeholder="any" value={statement.at_least ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "at_least", v))} />
      . It ends {floors ? "where the highest floor" : "where what moves most"} has moved by <TextChip label="far" optional placeholder="any distance" value={statement.far ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "far", v))} />
      {floors && <DriftAtMost statement={statement} />}
      <Found id={statement.id} />
    </>
  );
}

/** As drawn, or off by a shape. */
function Start({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const { imperfection } = statement;
  const names = studiesOf(view, "buckling");
  return (
    <>
      starting{" "}
      <ChoiceChip
        label="imperfection"
        value={imperfection?.of ?? ""}
        missing={imperfection !== undefined && !names.includes(imperfection.of)}
        options={[["", "as drawn"], ...names.map((n) => [n, `off by a shape of ${n}`] as const)] as readonly (readonly [string, string])[]}
        onChoose={(v) => void edit((s) => (v ? (s.imperfection = { size: "1 mm", ...s.imperfection, of: v }) : delete s.imperfection))}
      />
      {imperfection && (
        <>
          , its number <TextChip label="shape" value={String(imperfection.shape ?? 1)} onCommit={(v) => edit((s) => s.imperfection && (s.imperfection.shape = Number(v)))} />, at most <TextChip label="size" value={imperfection.size} onCommit={(v) => edit((s) => s.imperfection && (s.imperfection.size = v))} />
        </>
      )}
    </>
  );
}

function Found({ id }: { id: string }) {
  const { view, shown } = useNote();
  const state = view.studies.find((s) => s.statement === id);
  const found = state?.findings?.findings.find((f): f is CollapseFinding => f.kind === "collapse");
  if (!found) return null;
  const factor = found.bears;
  return (
    <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-collapse>
      {found.factor !== null ? "It gives way at " : found.soft ? "It goes soft at " : "It bears, as far as the loads grew, "}
      <b className="font-semibold">{digits(factor)} times</b> the loads
      {found.loads.length > 0 && <> ({found.loads.map((l) => `${l.label}: ${shown.text(l.size * factor, l.dimension)}`).join(", ")})</>}
      {found.factor === null && found.soft && <>, from where on it moves ten times as far for a load as it has so far</>}
      {found.least !== null && <>, then bears {digits(found.least)} times at the least</>}. {found.increments} increments, {found.iterations} iterations; it turns by up to {shown.text(found.turned, "angle")}.
      <Doubts found={found} />
      {found.at_least !== null && (
        <span data-verdict={found.holds ? "holds" : "fails"} className={`ml-1 font-semibold ${found.holds ? "text-spruce" : "text-vermilion"}`}>
          {found.holds ? "holds" : "fails"}, {percent(found.margin ?? 0)}
        </span>
      )}
    </span>
  );
}

/** What an engineer has to know before believing the figure. */
function Doubts({ found }: { found: CollapseFinding }) {
  const { shown } = useNote();
  const doubts = [
    found.yields && `${found.yields.body} yields before, at ${digits(found.yields.factor)} times, and here stays elastic: it bears less.`,
    found.lower && found.imperfection === null && `From ${digits(found.lower.factor)} times on it can turn aside to another shape: start it off by a shape of buckling.`,
    found.joins > TURNED && `What joins its parts turns by ${shown.text(found.joins, "angle")}, and is taken as it is drawn.`,
    found.reason === "no further" && "The last increment did not come to rest, however small: take a smaller first increment, or look for what comes loose.",
  ].filter((words): words is string => Boolean(words));
  return doubts.length === 0 ? null : <span className="text-amber-ink"> {doubts.join(" ")}</span>;
}

export const pushover: Template = {
  word: "pushover",
  text: "study: loads across a building grow on its weight, floor by floor",
  also: "push over capacity curve base shear drift earthquake frame mechanism plastic hinge nonlinear static study",
  make: (v) => ({ kind: "study", name: fresh(v, "Pushover"), type: "collapse", held: casesOf(v)[0] ?? "", case: casesOf(v).at(-1) ?? "", first: "0.5", increments: 80, far: "300 mm" }),
};

export const collapse: Template = {
  word: "collapse",
  text: "study: large movements, until it gives way",
  also: "nonlinear large displacement post-buckling snap through limit load arc length study",
  make: (v) => ({ kind: "study", name: fresh(v, "Collapse"), type: "collapse", first: "0.1", increments: 60, at_least: "1" }),
};
