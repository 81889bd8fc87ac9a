import { Plus } from "lucide-react";
import type { ModelView, Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { useDesk } from "../../workspace/desk";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { Spot } from "../shape/parts";
import { ReadChip } from "../studies/ReadChip";
import { TargetChip } from "../TargetChip";
import { boundsOf, fresh, groupsOf, lastRead, typed } from "../template";
import { useStatement } from "../useStatement";
import { LIMITED } from "../words";
import { entry } from "./entry";

type Path = Of<"path">;

function PathLine({ statement }: { statement: Path }) {
  const { view } = useNote();
  const { edit, callIt } = useStatement(statement);
  const found = view.studies.flatMap((s) => s.findings?.findings ?? []).find((f) => f.kind === "path" && f.statement === statement.id);
  const along = statement.target !== undefined;
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> reads <ChoiceChip label="quantity" value={statement.quantity} options={LIMITED} onChoose={(v) => void edit((s) => (s.quantity = v))} />
      <MoreFields statement={statement} /> of <ReadChip value={statement.study} onChoose={(v) => void edit((s) => (s.study = v))} />{" "}
      <ChoiceChip label="way" value={along ? "edges" : "straight"} options={WAYS} onChoose={(v) => void edit((s) => reshape(s, v, view))} />{" "}
      {along ? (
        <TargetChip statement={{ ...statement, target: statement.target ?? "" }} kinds={["edges"]} />
      ) : (
        <>
          {statement.from && <Spot label="from" value={statement.from} onPut={(axis, v) => edit((s) => s.from && (s.from[axis] = v))} />} to {statement.to && <Spot label="to" value={statement.to} onPut={(axis, v) => edit((s) => s.to && (s.to[axis] = v))} />} at{" "}
          <TextChip label="points" value={String(statement.points ?? 21)} onCommit={(v) => edit((s) => (s.points = Number(v)))} /> points
          <BetweenLabels statement={statement} />
        </>
      )}
      {found?.kind === "path" && found.outside > 0 && <span className="text-amber-ink"> · {found.outside} of them outside the part</span>}
    </>
  );
}

/** Fields that are read beside the first. */
function MoreFields({ statement }: { statement: Path }) {
  const { edit } = useStatement(statement);
  const more: Path["quantity"][] = statement.more ?? [];
  const left = LIMITED.filter(([name]) => name !== statement.quantity && !more.includes(name));
  const set = (names: Path["quantity"][]) => void edit((s) => setOrDrop(s, "more", names));
  return (
    <>
      {more.map((name, i) => (
        <span key={name}>
          , <ChoiceChip label={`quantity ${i + 2}`} value={name} options={[["", "none"], ...LIMITED.filter(([n]) => n === name || left.some(([l]) => l === n))]} onChoose={(v) => set(more.flatMap((n) => (n !== name ? [n] : v ? [v] : [])))} />
        </span>
      ))}
      {more.length < 6 && (
        <ChoiceChip label="another field" value="" options={left} onChoose={(v) => v && set([...more, v])}>
          <Plus className="inline size-3" aria-hidden />
        </ChoiceChip>
      )}
    </>
  );
}

/** Picked: between the two labels that were put last in the window. */
function BetweenLabels({ statement }: { statement: Path }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const [from, to] = useDesk((desk) => desk.probes).slice(-2);
  if (!from || !to) return null;
  const spot = (at: number[]) => ({ x: typed(view, at[0] ?? 0, 7), y: typed(view, at[1] ?? 0, 7), z: typed(view, at[2] ?? 0, 7) });
  return (
    <button className="ml-1 rounded border border-rule px-1 font-sans text-[12px] text-faint hover:bg-glow" onClick={() => void edit((s) => Object.assign(s, { from: spot(from.at), to: spot(to.at) }))}>
      from label {from.number} to {to.number}
    </button>
  );
}

const WAYS = [
  ["straight", "straight from"],
  ["edges", "along edges"],
] as const;

/** Straight through the first body, or along the first group of edges. */
function reshape(s: Path, way: "straight" | "edges", v: ModelView) {
  if (way === "edges") {
    delete s.from;
    delete s.to;
    delete s.points;
    s.target = groupsOf(v, "edges")[0] ?? "";
    return;
  }
  delete s.target;
  Object.assign(s, straight(v));
}

function straight(v: ModelView) {
  const [low, high] = boundsOf(v.shape.bodies[0]);
  const at = (p: number[]) => ({ x: typed(v, p[0] ?? 0, 6), y: typed(v, p[1] ?? 0, 6), z: typed(v, p[2] ?? 0, 6) });
  return { from: at(low), to: at(high), points: 21 };
}

export default [
  entry({
    kind: "path",
    section: "Findings",
    order: 3,
    Line: PathLine,
    templates: [
      {
        word: "path",
        text: "path: values along a straight line, or along edges",
        also: "graph plot curve line probe section linear edge border",
        make: (v) => ({ kind: "path", name: fresh(v, "Path"), study: lastRead(v), quantity: "von_mises", ...straight(v) }),
      },
    ],
  }),
];
