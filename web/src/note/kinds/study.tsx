import type { Of } from "../../api/types";
import { TextChip } from "../chips";
import { useNote } from "../context";
import { rename } from "../rename";
import { fresh } from "../template";
import { entry } from "./entry";

function StudyLine({ statement }: { statement: Of<"study"> }) {
  const { arrange, change } = useNote();
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={(v) => arrange((all) => rename(all, statement.id, v))} /> is a static study with all loads times{" "}
      <TextChip label="load factor" value={statement.load_factor ?? "1"} onCommit={(v) => change(statement.id, (s) => s.kind === "study" && (v ? (s.load_factor = v) : delete s.load_factor))} />
    </>
  );
}

export default [
  entry({ kind: "study", section: "Studies", order: 1, Line: StudyLine, templates: [{ word: "static", text: "study: static", also: "study solve analysis case", make: (v) => ({ kind: "study", name: fresh(v, "Static"), type: "static" }) }] }),
];
