import type { Run } from "../api/types";

export const COLOURS: Record<Run["state"], string> = {
  queued: "text-faint",
  running: "text-amber-ink",
  done: "text-spruce",
  failed: "text-vermilion",
  stopped: "text-faint",
  interrupted: "text-vermilion",
};

/** How long a run has taken. */
export function seconds(run: Run): string {
  if (!run.started_at) return "";
  const end = run.finished_at ? new Date(run.finished_at) : new Date();
  return `${((end.getTime() - new Date(run.started_at).getTime()) / 1000).toFixed(1)} s`;
}

/** What brings a run that ended early on again: one that kept how far it had come goes on from there. */
export const again = (run: Run) => (run.keeps && (run.state === "stopped" || run.state === "interrupted") ? "Go on" : "Retry");

/** The log, without the line that says again what went wrong. */
export function told(run: Run): string {
  const lines = run.log.trimEnd().split("\n");
  return lines.filter((line) => !run.error || !line.endsWith(run.error)).join("\n");
}
