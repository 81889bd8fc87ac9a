import type { Of } from "../api/types";
import { useNote } from "./context";
import { FlagChip } from "./FlagChip";
import { mayFollow } from "./template";
import { useStatement } from "./useStatement";

/** Whether a pressure turns with what it presses on, in studies that follow large movements. */
export function FollowsChip({ statement }: { statement: Of<"pressure" | "pressure_map"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  // Rings move little, and so do their pressures.
  if (!mayFollow(view)) return null;
  const turn = () =>
    edit((s) => {
      if (s.follows) delete s.follows;
      else s.follows = true;
    });
  return (
    <span className={statement.follows ? undefined : "when-open"}>
      , <FlagChip on={statement.follows ?? false} words="turning with it as it moves far" onTurn={() => void turn()} />
    </span>
  );
}
