import type { Of } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { rename } from "../rename";
import { Spot } from "../shape/parts";
import { boundsOf, fresh, lastRead, typed } from "../template";
import { LIMITED } from "../words";
import { entry } from "./entry";

type Path = Of<"path">;

function PathLine({ statement }: { statement: Path }) {
  const { view, change, arrange } = useNote();
  const edit = (apply: (s: Path) => void) => change(statement.id, (s) => s.kind === "path" && apply(s));
  const studies = view.document.statements.flatMap((s) => (s.kind === "study" && !s.off ? [[s.name, s.name] as const] : []));
  const found = view.studies.flatMap((s) => s.findings?.findings ?? []).find((f) => f.kind === "path" && f.statement === statement.id);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={(v) => arrange((all) => rename(all, statement.id, v))} /> reads <ChoiceChip label="quantity" value={statement.quantity} options={LIMITED} onChoose={(v) => void edit((s) => (s.quantity = v))} /> of{" "}
      <ChoiceChip label="study" value={statement.study} missing={!studies.some(([n]) => n === statement.study)} options={studies} onChoose={(v) => void edit((s) => (s.study = v))} /> from{" "}
      <Spot label="from" value={statement.from} onPut={(axis, v) => edit((s) => (s.from[axis] = v))} /> to <Spot label="to" value={statement.to} onPut={(axis, v) => edit((s) => (s.to[axis] = v))} /> at{" "}
      <TextChip label="points" value={String(statement.points ?? 21)} onCommit={(v) => edit((s) => (s.points = Number(v)))} /> points
      {found?.kind === "path" && found.outside > 0 && <span className="text-amber-ink"> · {found.outside} of them outside the part</span>}
    </>
  );
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
        text: "path: values along a straight line through the part",
        also: "graph plot curve line probe section linear",
        make: (v) => {
          const [low, high] = boundsOf(v.shape.bodies[0]);
          const at = (p: number[]) => ({ x: typed(v, p[0] ?? 0, 6), y: typed(v, p[1] ?? 0, 6), z: typed(v, p[2] ?? 0, 6) });
          return { kind: "path", name: fresh(v, "Path"), study: lastRead(v), quantity: "von_mises", from: at(low), to: at(high), points: 21 };
        },
      },
    ],
  }),
];
