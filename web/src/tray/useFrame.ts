import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";

/** The study that the tray tells of, what was found, and the frame that is shown. */
export function useFrame() {
  const { view } = useNote();
  const { study, frame } = useDesk();
  const state = view.studies.find((s) => s.name === study) ?? view.studies[0];
  const summary = state?.findings?.summary;
  return { state, summary, shownFrame: summary?.frames[frame] ?? summary?.frames[0], stale: state?.state === "stale" };
}
