import { useNote } from "./context";

/** Names of the note's studies, to choose from. */
export function useStudies() {
  const { view } = useNote();
  return view.document.statements.flatMap((s) => (s.kind === "study" ? [[s.name, s.name] as const] : []));
}
