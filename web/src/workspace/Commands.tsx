import { useEffect, useState } from "react";
import { Command } from "cmdk";
import { useEdit } from "../api/hooks";
import { useNote } from "../note/context";
import { go } from "../ui/address";
import { useDesk } from "./desk";
import { useSolve } from "./useSolve";

const SHORTCUTS = [
  ["/", "add a statement"],
  ["Tab, Shift+Tab", "walk the chips"],
  ["Enter", "keep what was typed in a chip"],
  ["Escape", "leave a chip or a pick"],
  ["Ctrl+Z, Ctrl+Shift+Z", "undo, redo"],
  ["Ctrl+K", "all commands"],
  ["1, 2, 3", "Shape, Mesh, Results"],
  ["F", "fit the model in the window"],
  ["?", "this list"],
] as const;

/** The searchable command list, and the list of shortcuts. */
export function Commands() {
  const { view } = useNote();
  const { set, study: chosen } = useDesk();
  const edit = useEdit(view.id);
  const { solve, mesh, stop } = useSolve(view);
  const [open, setOpen] = useState<"commands" | "shortcuts" | null>(null);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "k") {
        event.preventDefault();
        setOpen("commands");
        return;
      }
      if (event.key === "Escape") {
        setOpen(null);
        set({ picking: null });
      }
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA)$/.test(event.target.tagName);
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === "?") setOpen("shortcuts");
      if (event.key === "1") set({ look: "shape" });
      if (event.key === "2") set({ look: "mesh" });
      if (event.key === "3") set({ look: "results" });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [set]);

  if (!open) return null;
  const study = view.studies.find((s) => s.name === chosen) ?? view.studies[0];
  const commands: [string, () => void][] = [
    ["Solve what is not up to date", () => void solve()],
    ["Mesh", () => void mesh()],
    ["Stop the run", () => void stop()],
    ["Show the shape", () => set({ look: "shape" })],
    ["Show the mesh", () => set({ look: "mesh" })],
    ...(study?.findings?.summary.catalogue ?? []).map(({ name: field, words }): [string, () => void] => [`Show ${words}`, () => set({ look: "results", field, ends: { low: null, high: null } })]),
    ["True scale", () => set({ exaggeration: 1 })],
    ["Undo", () => void edit("undo").catch(() => undefined)],
    ["Redo", () => void edit("redo").catch(() => undefined)],
    ["Show or hide the tray", () => set({ trayOpen: !useDesk.getState().trayOpen })],
    ["Report", () => go(`/models/${view.id}/report`)],
    ["Side by side", () => go(`/models/${view.id}/side`)],
    ["All projects", () => go("/")],
    ["Runs of all models", () => go("/runs")],
    ["Library of materials", () => go("/library")],
    ["Keyboard shortcuts", () => setOpen("shortcuts")],
  ];
  return (
    <div className="fixed inset-0 z-50 grid place-items-start justify-center bg-slate/20 pt-28" onClick={() => setOpen(null)}>
      <div className="popover w-[460px]" role="dialog" aria-label={open === "commands" ? "Commands" : "Keyboard shortcuts"} onClick={(event) => event.stopPropagation()}>
        {open === "shortcuts" ? (
          <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-1 p-2">
            {SHORTCUTS.map(([key, text]) => (
              <div key={key} className="contents">
                <dt className="font-mono text-[12px]">{key}</dt>
                <dd>{text}</dd>
              </div>
            ))}
          </dl>
        ) : (
          <Command label="Commands">
            <Command.Input autoFocus placeholder="Search the commands" className="mb-1 w-full rounded border border-rule bg-white px-2 py-1" />
            <Command.List className="max-h-80 overflow-auto">
              <Command.Empty className="px-2 py-1 text-faint">No such command.</Command.Empty>
              {commands.map(([text, act]) => (
                <Command.Item
                  key={text}
                  className="cursor-pointer rounded px-2 py-1 data-[selected=true]:bg-glow"
                  onSelect={() => {
                    setOpen(null);
                    act();
                  }}
                >
                  {text}
                </Command.Item>
              ))}
            </Command.List>
          </Command>
        )}
      </div>
    </div>
  );
}
