import type { Of } from "../api/types";

export type Bolt = Of<"bolt">;

/** Sets what one bolt of a statement has of its own; what says nothing is taken out. */
export function setOwn(statement: Bolt, number: number, change: { off?: boolean; tighten?: string }): void {
  const rest = (statement.own ?? []).filter((row) => row.number !== number);
  const { off, tighten } = { ...statement.own?.find((row) => row.number === number), ...change };
  const row = { number, ...(off ? { off } : {}), ...(tighten ? { tighten } : {}) };
  const own = (Object.keys(row).length > 1 ? [...rest, row] : rest).sort((a, b) => a.number - b.number);
  if (own.length) statement.own = own as Bolt["own"];
  else delete statement.own;
}

/** What a bolt is tightened to, for all after it. */
export function filledDown(statement: Bolt, from: number, count: number): void {
  const value = statement.own?.find((row) => row.number === from)?.tighten ?? "";
  for (let number = from + 1; number <= count; number += 1) setOwn(statement, number, { tighten: value });
}

/** Lines of what was copied in a sheet: the first cell of each. */
export const pasted = (text: string): string[] =>
  text
    .split(/\r?\n/)
    .map((line) => (line.split("\t")[0] ?? "").trim())
    .filter((line) => line !== "");
