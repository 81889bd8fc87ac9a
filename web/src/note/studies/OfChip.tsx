import type { Of } from "../../api/types";
import { ChoiceChip } from "../chips";
import { useNote } from "../context";
import type { ModelView } from "../../api/types";
import { useStatement } from "../useStatement";

/** Names of the static studies of a note. */
export const staticsOf = (view: ModelView) => view.document.statements.flatMap((s) => (s.kind === "study" && s.type === "static" && !s.off ? [s.name] : []));

/** The static study that another one starts from. */
export function OfChip({ statement }: { statement: Of<"study"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const names = staticsOf(view);
  return <ChoiceChip label="of study" value={statement.of ?? ""} missing={!names.includes(statement.of ?? "")} options={names.map((n) => [n, n] as const)} onChoose={(v) => void edit((s) => (s.of = v))} />;
}
