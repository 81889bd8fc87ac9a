import type { Of } from "../api/types";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";

/** The selected outline or line, which can be drawn on paper. */
export function useDrawn(): Of<"outline"> | Of<"line"> | null {
  const { view } = useNote();
  const { selected } = useDesk();
  const statement = view.document.statements.find((s) => s.id === selected);
  return statement?.kind === "outline" || statement?.kind === "line" ? statement : null;
}
