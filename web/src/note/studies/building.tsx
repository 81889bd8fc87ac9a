import type { ModelView, Of, StoreysFinding } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { digits, percent } from "../../ui/units";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { useStatement } from "../useStatement";

type Study = Of<"study">;

/** Cases and combinations of a note. */
export const casesOf = (view: ModelView) => view.document.statements.flatMap((s) => ((s.kind === "case" || s.kind === "combination") && !s.off ? [s.name] : []));

/** What acts first, and stays. */
export function Held({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const names = casesOf(view);
  const { held = "" } = statement;
  return (
    <>
      , while{" "}
      <ChoiceChip label="held" value={held} missing={held !== "" && !names.includes(held)} options={[["", "nothing else"], ...names.map((n) => [n, n] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => setOrDrop(s, "held", v))} /> acts,{" "}
    </>
  );
}

export function DriftAtMost({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const state = view.studies.find((s) => s.statement === statement.id);
  const found = state?.findings?.findings.find((f): f is StoreysFinding => f.kind === "storeys");
  return (
    <>
      . No storey is to drift by more than <TextChip label="drift" optional placeholder="any part" value={statement.drift_at_most ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "drift_at_most", v))} /> of its height
      {found && (
        <span className={`font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-drift>
          : the most is <b className="font-semibold">{digits(found.drift * 100)} %</b> under {found.target}
          {found.at_most !== null && (
            <span data-verdict={found.holds ? "holds" : "fails"} className={`ml-1 font-semibold ${found.holds ? "text-spruce" : "text-vermilion"}`}>
              {found.holds ? "holds" : "fails"}, {percent(found.margin ?? 0)}
            </span>
          )}
        </span>
      )}
    </>
  );
}
