import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { TextChip } from "../chips";
import { fresh, type Template } from "../template";
import { useStatement } from "../useStatement";

export function StaticLine({ statement }: { statement: Of<"study"> }) {
  const { edit, callIt } = useStatement(statement);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is a static study with all loads times <TextChip label="load factor" value={statement.load_factor ?? "1"} onCommit={(v) => edit((s) => setOrDrop(s, "load_factor", v))} />
    </>
  );
}

export const statics: Template = { word: "static", text: "study: static", also: "study solve analysis case", make: (v) => ({ kind: "study", name: fresh(v, "Static"), type: "static" }) };
