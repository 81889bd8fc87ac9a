import { useCallback, useMemo } from "react";
import type { Kind, Of, Statement } from "../api/types";
import { useNote } from "./context";
import { rename } from "./rename";
import { MAKERS } from "./words";

/** Ways to change one statement of a known kind. */
export function useStatement<K extends Kind>(statement: Of<K>) {
  const { change, arrange } = useNote();
  const edit = useCallback(
    (apply: (s: Of<K>) => void) => change(statement.id, (s: Statement) => void (s.kind === statement.kind && apply(s as Of<K>))),
    [change, statement.id, statement.kind],
  );
  const callIt = useCallback((name: string) => arrange((all) => rename(all, statement.id, name)), [arrange, statement.id]);
  return { edit, callIt };
}

/** Names of bodies that a statement may speak of: those that are there, and those made on the way. */
export function useBodyNames(): string[] {
  const { view } = useNote();
  return useMemo(() => {
    const made = view.document.statements.flatMap((s) => {
      if (!MAKERS.includes(s.kind) || s.off || !("name" in s) || !s.name) return [];
      return s.kind === "copy" && (s.count ?? 1) > 1 ? Array.from({ length: s.count ?? 1 }, (_, i) => `${s.name} ${i + 1}`) : [s.name];
    });
    return [...new Set([...made, ...view.shape.bodies.map((b) => b.name)])];
  }, [view]);
}
