import { useCallback } from "react";
import { useQueryClient } from "@tanstack/react-query";
import { Refused, request } from "../api/client";
import type { ModelView, Run } from "../api/types";
import { useDesk } from "./desk";

/** Queues what is not up to date; the runs are followed by their events. */
export function useSolve(view: ModelView) {
  const client = useQueryClient();
  const { complain, set } = useDesk();

  const start = useCallback(
    async (body: { kind: "mesh" } | { kind: "study"; study: string }) => {
      try {
        const run = await request<Run>("POST", `/api/models/${view.id}/runs`, body);
        client.setQueryData<ModelView>(["model", view.id], (old) => old && { ...old, runs: [run, ...old.runs.filter((r) => r.id !== run.id)] });
        set({ trayOpen: true });
      } catch (error) {
        if (error instanceof Refused) complain({ message: error.message, cure: error.cure });
      }
    },
    [client, complain, set, view.id],
  );

  const solve = useCallback(async () => {
    complain(null);
    const names = view.studies.filter((s) => s.state !== "solved").map((s) => s.name);
    for (const study of names) await start({ kind: "study", study });
    set({ look: "results" });
  }, [complain, set, start, view.studies]);

  const mesh = useCallback(async () => {
    complain(null);
    await start({ kind: "mesh" });
    set({ look: "mesh" });
  }, [complain, set, start]);

  const stop = useCallback(async () => {
    for (const run of view.runs.filter((r) => r.state === "queued" || r.state === "running")) {
      await request("POST", `/api/runs/${run.id}/stop`).catch(() => undefined);
    }
  }, [view.runs]);

  const retry = useCallback(
    async (run: string) => {
      try {
        await request("POST", `/api/runs/${run}/retry`);
      } catch (error) {
        if (error instanceof Refused) complain({ message: error.message, cure: error.cure });
      }
    },
    [complain],
  );

  return { solve, mesh, stop, retry };
}
