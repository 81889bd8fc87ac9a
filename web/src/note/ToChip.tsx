import { X } from "lucide-react";
import type { Of, PlaceKind } from "../api/types";
import { ChoiceChip } from "./chips";
import { TargetChip } from "./TargetChip";
import { useStatement } from "./useStatement";

type Grounded = Of<"joint"> | Of<"spring"> | Of<"one_way"> | Of<"bed">;

/** The ground, or another region. */
export function ToChip({ statement, kinds }: { statement: Grounded; kinds: PlaceKind[] }) {
  const { edit } = useStatement(statement);
  if (statement.to === undefined)
    return (
      <ChoiceChip
        label="other side"
        value="ground"
        options={[
          ["ground", "the ground"],
          ["region", "another region"],
        ]}
        onChoose={(v) => v === "region" && void edit((s) => (s.to = ""))}
      />
    );
  return (
    <>
      <TargetChip statement={statement} kinds={kinds} field="to" />
      <button aria-label="Back to the ground" className="ml-0.5 text-faint hover:text-vermilion" onClick={() => void edit((s) => delete s.to)}>
        <X className="inline size-3" />
      </button>
    </>
  );
}
