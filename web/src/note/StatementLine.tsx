import type { Statement } from "../api/types";
import { entryOf } from "./kinds";

/** One statement as a sentence with chips; of a kind that is not known here, as it was written. */
export function StatementLine({ statement }: { statement: Statement }) {
  const Line = entryOf(statement.kind)?.Line;
  return Line ? <Line statement={statement as never} /> : <code className="text-[12px] text-faint">{JSON.stringify(statement)}</code>;
}
