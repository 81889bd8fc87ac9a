import type { JoinReport } from "../api/types";
import { useNote } from "./context";

/** What a join found when it was solved last, as long as that still holds. */
export function useJoin(id: string): JoinReport | null {
  const { view } = useNote();
  return view.studies.filter((s) => s.state === "solved").flatMap((s) => s.findings?.summary.joins ?? []).find((j) => j.statement === id) ?? null;
}

/** What ships goes by its name alone; what is one's own says what it is. */
export type Named = string | { name: string };

export const nameOf = (one: Named) => (typeof one === "string" ? one : one.name);
