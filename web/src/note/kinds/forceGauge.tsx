import type { GaugeFinding, Of, Statement } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { ReadChip } from "../studies/ReadChip";
import { fresh, lastRead } from "../template";
import { useStatement } from "../useStatement";
import { setOrDrop } from "../../ui/assign";
import { entry } from "./entry";

const FORCES = [
  ["along", "the force along the axis"],
  ["across", "the force across the axis"],
  ["all", "the size of the force"],
] as const;
const WORDS = { bolt: "bolts", joint: "joint", spring: "spring", one_way: "one-way link", spot_welds: "spot welds" } as const;
type Held = Extract<Statement, { kind: keyof typeof WORDS }>;
const isHeld = (s: Statement): s is Held => s.kind in WORDS;

function ForceGaugeLine({ statement }: { statement: Of<"force_gauge"> }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement(statement);
  const held = view.document.statements.filter(isHeld).filter((s) => !s.off);
  const found = view.studies.flatMap((s) => s.findings?.findings ?? []).find((f): f is GaugeFinding => f.kind === "gauge" && f.statement === statement.id);
  const known = found?.values.filter((v): v is number => v !== null) ?? [];
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> records <ChoiceChip label="force" value={statement.force} options={FORCES} onChoose={(v) => void edit((s) => (s.force = v))} /> of{" "}
      <ChoiceChip label="of" value={statement.of} missing={!held.some((s) => s.id === statement.of)} options={held.map((s) => [s.id, `${WORDS[s.kind]} at ${s.target}`] as const)} onChoose={(v) => void edit((s) => (s.of = v))} />, number{" "}
      <TextChip
        label="number"
        optional
        value={statement.number ? String(statement.number) : ""}
        placeholder="the largest"
        onCommit={(v) => edit((s) => setOrDrop(s, "number", v && Number(v)))}
      />
      , in <ReadChip value={statement.study} onChoose={(v) => void edit((s) => (s.study = v))} />
      {found?.among !== undefined && (found.among === 0 || (statement.number ?? 1) > found.among) && <span className="text-amber-ink">: {found.among === 0 ? "there is nothing to read" : `there are ${found.among}`}</span>}
      {known.length > 0 && <span className="text-spruce">: {[...new Set([Math.min(...known), Math.max(...known)].map((v) => shown.text(v, "force")))].join(" to ")}</span>}
    </>
  );
}

export default [
  entry({
    kind: "force_gauge",
    section: "Findings",
    order: 8,
    Line: ForceGaugeLine,
    templates: [
      {
        word: "force gauge",
        text: "force gauge: the force in bolts, joints, springs or links, in every frame",
        also: "probe sensor record bolt tension shear preload spring",
        make: (v) => ({ kind: "force_gauge", name: fresh(v, "Force"), study: lastRead(v), of: v.document.statements.find(isHeld)?.id ?? v.document.statements[0]?.id ?? "s1", force: "along" }),
      },
    ],
  }),
];
