import { createContext, useContext } from "react";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";

/** Where tables tell of a study of their own, and not of the one on the desk. */
export const ToldStudy = createContext<string | null>(null);

/** @returns the name of the study that tables tell of, and the frame of it */
export function useToldStudy() {
  const told = useContext(ToldStudy);
  const { study, frame } = useDesk();
  return told === null ? { study, frame } : { study: told, frame: 0 };
}

/** The study that the tray tells of, what was found, and the frame that is shown. */
export function useFrame() {
  const { view } = useNote();
  const { study, frame } = useToldStudy();
  const state = view.studies.find((s) => s.name === study) ?? view.studies[0];
  const summary = state?.findings?.summary;
  return { state, summary, shownFrame: summary?.frames[frame] ?? summary?.frames[0], stale: state?.state === "stale" };
}
