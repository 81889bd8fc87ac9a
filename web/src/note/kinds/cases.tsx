import type { Of } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { rename } from "../rename";
import { fresh } from "../template";
import { NamesChips } from "../NamesChips";
import { useCases as caseNames } from "../useCases";
import { entry } from "./entry";

function CaseLine({ statement }: { statement: Of<"case"> }) {
  const { view, arrange } = useNote();
  const count = view.document.statements.filter((s) => "case" in s && s.case === statement.name && !s.off).length;
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={(v) => arrange((all) => rename(all, statement.id, v))} /> is a load case{" "}
      <span className={count ? "text-spruce" : "text-amber-ink"}>{count === 0 ? "in which nothing acts yet: choose it in a load" : `of ${count} ${count === 1 ? "statement" : "statements"}`}</span>
    </>
  );
}

const useCases = () => caseNames().map((name) => [name, name] as const);

function CombinationLine({ statement }: { statement: Of<"combination"> }) {
  const { change, arrange } = useNote();
  const cases = useCases();
  const edit = (apply: (s: Of<"combination">) => void) => change(statement.id, (s) => s.kind === "combination" && apply(s));
  const next = cases.find(([name]) => !statement.terms.some((t) => t.case === name))?.[0];
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={(v) => arrange((all) => rename(all, statement.id, v))} /> adds up{" "}
      {statement.terms.map((term, i) => (
        <span key={i} className="whitespace-nowrap">
          {i > 0 && " and "}
          <TextChip label={`factor ${i + 1}`} value={term.factor} onCommit={(v) => edit((s) => void (s.terms[i] && (s.terms[i].factor = v)))} /> ×{" "}
          <ChoiceChip
            label={`case ${i + 1}`}
            value={term.case}
            options={[...cases, ["", "remove"]] as readonly (readonly [string, string])[]}
            missing={!cases.some(([n]) => n === term.case)}
            onChoose={(v) =>
              void edit((s) => {
                const own = s.terms[i];
                if (own && v) own.case = v;
                else if (s.terms.length > 1) s.terms.splice(i, 1);
              })
            }
          />
        </span>
      ))}
      {next !== undefined && (
        <button className="ml-1 rounded px-1 font-sans text-[11.5px] text-faint hover:bg-glow hover:text-ink" onClick={() => void edit((s) => void s.terms.push({ case: next, factor: "1" }))}>
          + case
        </button>
      )}
    </>
  );
}

function EnvelopeLine({ statement }: { statement: Of<"envelope"> }) {
  const { view, change, arrange } = useNote();
  const combinations = view.document.statements.flatMap((s) => (s.kind === "combination" && !s.off ? [s.name] : []));
  const names = [...useCases().map(([n]) => n), ...combinations];
  const over = statement.over ?? [];
  const choose = (next: string[]) =>
    change(statement.id, (s) => {
      if (s.kind !== "envelope") return;
      if (next.length) s.over = next;
      else delete s.over;
    });
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={(v) => arrange((all) => rename(all, statement.id, v))} /> takes the greatest and the least of{" "}
      {over.length === 0 && <span>{combinations.length ? "all combinations" : "all cases"} </span>}
      <NamesChips names={names} chosen={over} onChange={(next) => void choose(next)} />
    </>
  );
}

const first = (names: string[]) => names[0] ?? "all loads";

export default [
  entry({ kind: "case", section: "Loads and stages", order: 0, Line: CaseLine, templates: [{ word: "case", text: "load case", also: "loads separate scenario live dead wind snow", make: (v) => ({ kind: "case", name: fresh(v, "Case") }) }] }),
  entry({
    kind: "combination",
    section: "Loads and stages",
    order: 8,
    Line: CombinationLine,
    templates: [
      {
        word: "combination",
        text: "combination of load cases with factors",
        also: "add superpose factor partial safety cases",
        make: (v) => {
          const cases = v.document.statements.flatMap((s) => (s.kind === "case" ? [s.name] : []));
          return { kind: "combination", name: fresh(v, "Combination"), terms: (cases.length ? cases : [first(cases)]).map((name) => ({ case: name, factor: "1" })) as Of<"combination">["terms"] };
        },
      },
    ],
  }),
  entry({ kind: "envelope", section: "Loads and stages", order: 9, Line: EnvelopeLine, templates: [{ word: "envelope", text: "envelope over cases and combinations", also: "greatest least maximum minimum extreme governs", make: (v) => ({ kind: "envelope", name: fresh(v, "Envelope") }) }] }),
];
