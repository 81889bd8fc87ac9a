import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip } from "../chips";
import { useNote } from "../context";
import { useStatement } from "../useStatement";

type Study = Of<"study">;

/** From where its stages go on: the beginning, or a stage of another study. */
export function BranchChip({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const others = view.document.statements.filter((s): s is Study => s.kind === "study" && s.type === "stages" && s.id !== statement.id && !s.off);
  if (others.length === 0 && !statement.of) return null;
  const base = others.find((s) => s.name === statement.of);
  const stage = statement.stage ?? base?.stages?.at(-1)?.name ?? "";
  const value = statement.of ? key(statement.of, stage) : "";
  const options = [["", "from the beginning"] as const, ...others.flatMap((s) => (s.stages ?? []).map((one) => [key(s.name, one.name), `after ${one.name} of ${s.name}`] as const))];
  return (
    <span className={statement.of ? undefined : "when-open"}>
      , <ChoiceChip<string>
        label="goes on"
        value={value}
        missing={value !== "" && !options.some(([k]) => k === value)}
        options={options}
        onChoose={(v) =>
          void edit((s) => {
            const [of = "", after = ""] = v === "" ? [] : (JSON.parse(v) as [string, string]);
            setOrDrop(s, "of", of);
            setOrDrop(s, "stage", after);
          })
        }
      />
    </span>
  );
}

const key = (study: string, stage: string) => JSON.stringify([study, stage]);
