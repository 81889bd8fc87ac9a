import type { Of } from "../../api/types";
import { ChoiceChip } from "../chips";
import { useNote } from "../context";
import type { ModelView } from "../../api/types";
import { useStatement } from "../useStatement";

/** Names of the studies of a type in a note. */
export const studiesOf = (view: ModelView, type: Of<"study">["type"]) => view.document.statements.flatMap((s) => (s.kind === "study" && s.type === type && !s.off ? [s.name] : []));
export const staticsOf = (view: ModelView) => studiesOf(view, "static");

type Study = Of<"study">;

/** The study that another one starts from, of some types; onPut: what a choice changes besides. */
export function OfChip({ statement, types = ["static"], onPut }: { statement: Study; types?: Study["type"][]; onPut?: (s: Study, of: string) => void }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const names = types.flatMap((type) => studiesOf(view, type));
  return (
    <ChoiceChip
      label="of study"
      value={statement.of ?? ""}
      missing={!names.includes(statement.of ?? "")}
      options={names.map((n) => [n, n] as const)}
      onChoose={(v) =>
        void edit((s) => {
          s.of = v;
          onPut?.(s, v);
        })
      }
    />
  );
}
