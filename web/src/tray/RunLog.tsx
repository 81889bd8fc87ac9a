import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { useSolve } from "../workspace/useSolve";
import { RunCourse } from "./RunCourse";
import { again, COLOURS, seconds, told } from "./runWords";

/** What was run, how it went, and its log. */
export function RunLog() {
  const { view } = useNote();
  const { retry } = useSolve(view);
  const set = useDesk((desk) => desk.set);
  if (view.runs.length === 0) return <p className="text-faint">Nothing has been run yet.</p>;
  return (
    <ol className="space-y-2" aria-label="Runs">
      {view.runs.slice(0, 8).map((run) => (
        <li key={run.id} data-state={run.state}>
          <div className="flex items-baseline gap-3 text-[12.5px]">
            <span className="font-serif text-[14px]">{run.kind === "mesh" ? "Mesh" : run.study}</span>
            <span className={`font-semibold ${COLOURS[run.state]}`}>{run.state}</span>
            {run.state === "running" && (
              <span className="text-faint">
                {run.phase} · {Math.round(run.share * 100)} %
              </span>
            )}
            <span className="font-mono text-faint">{seconds(run)}</span>
            {run.outcome?.memory && <span className="font-mono text-faint">{Math.round(run.outcome.memory / 1e6)} MB</span>}
            {run.outcome?.place && (
              <button className="button" onClick={() => set({ look: "shape", paper: false, spot: run.outcome?.place ?? null })}>
                Show the place
              </button>
            )}
            {run.outcome?.motions?.[0] && (
              <button className="button" onClick={() => set({ look: "shape", paper: false, motion: run.outcome?.motions?.[0] ?? null })}>
                Show it moving
              </button>
            )}
            {["failed", "stopped", "interrupted"].includes(run.state) && (
              <button className="button" onClick={() => void retry(run.id)}>
                {again(run)}
              </button>
            )}
          </div>
          <RunCourse run={run} />
          {run.error && <p className="font-serif text-[13.5px] text-vermilion">{run.error}</p>}
          {told(run) && <pre className="whitespace-pre-wrap font-mono text-[11.5px] leading-[16px] text-faint">{told(run)}</pre>}
          {run.outcome?.phases && (
            <p className="font-mono text-[11.5px] text-faint">
              {Object.entries(run.outcome.phases).map(([name, time]) => `${name} ${time.toFixed(2)} s`).join(" · ")}
            </p>
          )}
        </li>
      ))}
    </ol>
  );
}
