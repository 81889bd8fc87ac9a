import type { ModelView } from "../api/types";
import { useNote } from "./context";
import { CASED } from "./words";

/** Cases that are stated by name. */
export const statedCases = (view: ModelView): string[] => view.document.statements.flatMap((s) => (s.kind === "case" && !s.off ? [s.name] : []));

/** All cases as the strip of frames names them; positions of moving loads left out. */
export function useCases(): string[] {
  const { view } = useNote();
  const stated = statedCases(view);
  const loose = view.document.statements.some((s) => CASED.includes(s.kind) && !s.off && !("case" in s && s.case));
  return loose ? ["all loads", ...stated] : stated;
}
