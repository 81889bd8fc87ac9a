import { useEffect, useRef, useState } from "react";
import { Command } from "cmdk";
import { Popover } from "radix-ui";
import { useDesk } from "../workspace/desk";
import { useNote } from "./context";
import { TEMPLATES } from "./kinds";
import { freshId, type Template } from "./template";
import { useImport } from "./useImport";

/** Where statements are written: "/" opens it from anywhere. */
export function InsertLine() {
  const { view, arrange } = useNote();
  const set = useDesk((desk) => desk.set);
  const [open, setOpen] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const button = useRef<HTMLButtonElement>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const { bringIn, reading, stop } = useImport();

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(event.target.tagName);
      if (event.key !== "/" || typing || event.ctrlKey || event.metaKey) return;
      event.preventDefault();
      button.current?.scrollIntoView({ block: "center" });
      setOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  async function insert(template: Template) {
    setOpen(false);
    if (template.file) return chooser.current?.click();
    const draft = template.make(view);
    let id = "";
    try {
      await arrange((all) => {
        id = freshId(all);
        return [...all, { id, ...draft } as (typeof all)[number]];
      });
      setProblem(null);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
      return;
    }
    const drawn = draft.kind === "outline" || draft.kind === "line";
    set({ selected: id, trayOpen: true, paper: drawn, ...(drawn ? { look: "shape" } : {}) });
    const waiting = ("target" in draft && draft.target === "") || (draft.kind === "group" && draft.pick);
    if (waiting) set({ picking: id, pickField: "target", look: "shape", paper: false, pickKind: view.shape.dimension === 2 ? "edges" : "faces" });
    setTimeout(() => {
      const row = document.getElementById(`statement-${id}`);
      row?.scrollIntoView({ block: "nearest" });
      // Whoever types on meanwhile is not interrupted.
      const typing = document.activeElement instanceof HTMLInputElement || document.activeElement instanceof HTMLTextAreaElement;
      if (!waiting && !typing) row?.querySelector<HTMLElement>("[data-chip], textarea")?.focus();
    });
  }

  return (
    <div className="px-3 py-3">
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger asChild>
          <button ref={button} className="w-full rounded border border-dashed border-[#c9b894] px-2 py-1 text-left text-[12.5px] text-faint hover:bg-glow">
            <kbd className="mr-2 font-mono text-amber-ink">/</kbd>add a statement — rectangle, import, body, fix, force, limit…
          </button>
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content className="popover w-96" align="start" side="top" sideOffset={4} onCloseAutoFocus={(event) => event.preventDefault()}>
            <Command label="Statements" filter={(value, search) => (value.includes(search.toLowerCase().replace(/^\//, "").trim()) ? (value.startsWith(search.toLowerCase()) ? 1 : 0.5) : 0)}>
              <Command.Input autoFocus placeholder="What comes next? Type a word." className="mb-1 w-full rounded border border-rule bg-white px-2 py-1" />
              <Command.List className="max-h-72 overflow-auto">
                <Command.Empty className="px-2 py-1 text-faint">No statement goes by that word.</Command.Empty>
                {TEMPLATES.map((template) => (
                  <Command.Item
                    key={template.word}
                    value={`${template.word} ${template.text} ${template.also}`}
                    className="flex cursor-pointer items-baseline gap-3 rounded px-2 py-1 data-[selected=true]:bg-glow"
                    onSelect={() => void insert(template)}
                  >
                    <span className="w-28 shrink-0 font-mono text-[12px]">/{template.word}</span>
                    <span className="font-serif">{template.text}</span>
                  </Command.Item>
                ))}
              </Command.List>
            </Command>
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      <input
        ref={chooser}
        type="file"
        aria-label="Geometry file"
        accept=".step,.stp,.iges,.igs,.stl,.obj"
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = "";
          if (file) void bringIn(file);
        }}
      />
      {reading && (
        <p role="status" className="mt-1 flex items-center gap-2 text-[12.5px] text-amber-ink">
          Reading {reading}…
          <button className="button" onClick={stop}>
            Stop
          </button>
        </p>
      )}
      {problem && <p role="alert" className="mt-1 text-[12px] text-vermilion">{problem}</p>}
    </div>
  );
}
