import { useEffect, useState } from "react";
import { Group, Panel, Separator } from "react-resizable-panels";
import { useQueryClient } from "@tanstack/react-query";
import { Refused } from "../api/client";
import type { Fault } from "../api/types";
import { useEdit, useModel, useRunEvents } from "../api/hooks";
import { Note, NoteProvider } from "../note/Note";
import { Tray } from "../tray/Tray";
import { useShown } from "../ui/units";
import { ModelWindow } from "../window/ModelWindow";
import { Commands } from "./Commands";
import { CLEARED, useDesk } from "./desk";
import { TopStrip } from "./TopStrip";

export function Workspace({ id }: { id: string }) {
  const { data: view, error } = useModel(id);
  const shown = useShown(view?.document.units ?? "mm-N");
  const { set, trayOpen } = useDesk();
  const [fresh, setFresh] = useState(true);
  const edit = useEdit(id);
  useRunEvents(id);
  useKeys(id);
  useRefusals();

  useEffect(() => set(CLEARED), [id, set]);

  /** A model that is solved opens on its results. */
  useEffect(() => {
    if (!view || !fresh) return;
    setFresh(false);
    if (view.studies.some((s) => s.result)) set({ look: "results" });
  }, [view, fresh, set]);

  useEffect(() => {
    document.title = view ? `${view.document.name} · Gentle Lattice` : "Gentle Lattice";
  }, [view]);

  if (error) {
    return (
      <main className="p-8">
        <p role="alert" className="text-vermilion">{error.message}</p>
        <a className="underline" href="/">Back to the projects</a>
      </main>
    );
  }
  if (!view) return <main className="p-8 text-faint">Opening the note…</main>;
  return (
    <NoteProvider view={view} shown={shown}>
      <div className="flex h-screen flex-col overflow-hidden">
        <TopStrip />
        <ComplaintBar id={id} />
        {view.fault && <FaultBar fault={view.fault} canUndo={view.can_undo} onUndo={() => void edit("undo")} />}
        <main className="min-h-0 flex-1">
        <Group orientation="horizontal" className="h-full">
          <Panel defaultSize="36%" minSize="22%" className="bg-paper">
            <Note />
          </Panel>
          <Separator className="w-px bg-rule hover:bg-amber" />
          <Panel>
            <Group orientation="vertical">
              <Panel minSize="30%">
                <ModelWindow />
              </Panel>
              {trayOpen && <Separator className="h-px bg-rule hover:bg-amber" />}
              {trayOpen && (
                <Panel defaultSize="26%" minSize="12%" className="bg-sheet">
                  <Tray />
                </Panel>
              )}
            </Group>
          </Panel>
        </Group>
        </main>
      </div>
      <Commands />
    </NoteProvider>
  );
}

/** A model that cannot be shown says why; its note can be mended, or the last change undone. */
function FaultBar({ fault, canUndo, onUndo }: { fault: Fault; canUndo: boolean; onUndo: () => void }) {
  return (
    <div role="alert" className="flex items-center gap-3 bg-[#fbe3de] px-4 py-1.5 text-[13px]">
      <span>
        <b className="font-semibold text-vermilion">This model cannot be shown as it is.</b> {fault.message}. {fault.cure}
      </span>
      {canUndo && (
        <button className="button ml-auto shrink-0" onClick={onUndo}>
          Undo the last change
        </button>
      )}
    </div>
  );
}

/** An edit that the server refused is told of, wherever it was made; chips show theirs in place. */
function useRefusals() {
  const complain = useDesk((desk) => desk.complain);
  useEffect(() => {
    const onRefusal = (event: PromiseRejectionEvent) => {
      if (!(event.reason instanceof Refused) || event.reason.status === 409) return;
      event.preventDefault();
      complain({ message: event.reason.message.replace(/\.$/, ""), cure: event.reason.cure });
    };
    window.addEventListener("unhandledrejection", onRefusal);
    return () => window.removeEventListener("unhandledrejection", onRefusal);
  }, [complain]);
}

/** Undo and redo from the keyboard, except while typing. */
function useKeys(id: string) {
  const edit = useEdit(id);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA)$/.test(event.target.tagName);
      if (typing || !(event.ctrlKey || event.metaKey)) return;
      const key = event.key.toLowerCase();
      const move = key === "y" || (key === "z" && event.shiftKey) ? "redo" : key === "z" ? "undo" : null;
      if (!move) return;
      event.preventDefault();
      // Nothing to undo is no error worth a message.
      void edit(move).catch(() => undefined);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [edit]);
}

function ComplaintBar({ id }: { id: string }) {
  const { complaint, complain } = useDesk();
  const client = useQueryClient();
  if (!complaint) return null;
  return (
    <div role="alert" className="flex items-center gap-3 bg-[#fff3d6] px-4 py-1.5 text-[13px]">
      <span>
        {complaint.message}. {complaint.cure}
      </span>
      {complaint.reload && (
        <button
          className="button"
          onClick={() => {
            complain(null);
            void client.invalidateQueries({ queryKey: ["model", id] });
          }}
        >
          Load the newer version
        </button>
      )}
      <button className="ml-auto text-faint underline" onClick={() => complain(null)}>
        dismiss
      </button>
    </div>
  );
}
