import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Refused, request } from "../api/client";
import type { Run } from "../api/types";
import { again, COLOURS, seconds, told } from "../tray/runWords";
import { go } from "../ui/address";
import { Screen } from "../ui/Screen";

interface NamedRun extends Run {
  model: string;
  project: string;
}

const ENDED: Run["state"][] = ["done", "failed", "stopped", "interrupted"];

/** What is queued, running, done or interrupted, of all models. */
export function Runs() {
  const client = useQueryClient();
  const [problem, setProblem] = useState<string | null>(null);
  const { data, error } = useQuery({
    queryKey: ["runs"],
    queryFn: () => request<{ runs: NamedRun[] }>("GET", "/api/runs"),
    refetchInterval: (query) => (query.state.data?.runs.some((r) => !ENDED.includes(r.state)) ? 1000 : 5000),
  });
  async function act(run: NamedRun, what: "stop" | "retry") {
    try {
      await request("POST", `/api/runs/${run.id}/${what}`);
      setProblem(null);
    } catch (e) {
      setProblem(e instanceof Refused ? [e.message, e.cure].filter(Boolean).join(". ") : String(e));
    }
    await client.invalidateQueries({ queryKey: ["runs"] });
  }
  return (
    <Screen>
      {problem && <p role="alert" className="mb-3 text-vermilion">{problem}</p>}
      {error && <p role="alert" className="text-vermilion">{error.message}</p>}
      {data?.runs.length === 0 && <p className="font-serif text-[16px] text-faint">Nothing has been run yet: open a model and solve it.</p>}
      {data && data.runs.length > 0 && (
        <table className="w-full text-[13px]" aria-label="Runs">
          <thead>
            <tr className="text-left text-faint">
              {["what", "model", "state", "began", "time", "memory", ""].map((head) => (
                <th key={head} className="pb-1 pr-5 font-normal">
                  {head || <span className="sr-only">actions</span>}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {data.runs.map((run) => (
              <Row key={run.id} run={run} onAct={act} />
            ))}
          </tbody>
        </table>
      )}
    </Screen>
  );
}

function Row({ run, onAct }: { run: NamedRun; onAct: (run: NamedRun, what: "stop" | "retry") => Promise<void> }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <tr className="border-t border-rule" data-state={run.state}>
        <td className="py-1 pr-5 font-serif text-[14.5px]">{run.kind === "mesh" ? "Mesh" : run.study}</td>
        <td className="pr-5">
          <a
            className="underline"
            href={`/models/${run.model_id}`}
            onClick={(event) => {
              event.preventDefault();
              go(`/models/${run.model_id}`);
            }}
          >
            {run.model}
          </a>{" "}
          <span className="text-faint">{run.project}</span>
        </td>
        <td className={`pr-5 font-semibold ${COLOURS[run.state]}`}>
          {run.state}
          {run.state === "running" && (
            <span className="ml-2 font-normal text-faint">
              {run.phase} · {Math.round(run.share * 100)} %
            </span>
          )}
        </td>
        <td className="pr-5 font-mono text-[12px]">{new Date(run.created_at).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" })}</td>
        <td className="pr-5 font-mono text-[12px]">{seconds(run)}</td>
        <td className="pr-5 font-mono text-[12px]">{run.outcome?.memory ? `${Math.round(run.outcome.memory / 1e6)} MB` : ""}</td>
        <td className="whitespace-nowrap text-right">
          {!ENDED.includes(run.state) && (
            <button className="button" onClick={() => void onAct(run, "stop")}>
              Stop
            </button>
          )}
          {ENDED.includes(run.state) && run.state !== "done" && (
            <button className="button" onClick={() => void onAct(run, "retry")}>
              {again(run)}
            </button>
          )}
          <button className="button ml-1" aria-expanded={open} onClick={() => setOpen(!open)}>
            Log
          </button>
        </td>
      </tr>
      {open && (
        <tr>
          <td colSpan={7} className="pb-2">
            {run.error && <p className="font-serif text-[13.5px] text-vermilion">{run.error}</p>}
            <pre className="whitespace-pre-wrap font-mono text-[11.5px] leading-[16px] text-faint">{told(run) || "It said nothing."}</pre>
            {run.outcome?.phases && <p className="font-mono text-[11.5px] text-faint">{Object.entries(run.outcome.phases).map(([name, time]) => `${name} ${time.toFixed(2)} s`).join(" · ")}</p>}
          </td>
        </tr>
      )}
    </>
  );
}
