import { useState } from "react";
import { Columns2, FileText, Redo2, Square, Undo2 } from "lucide-react";
import { DropdownMenu, Popover } from "radix-ui";
import { useEdit, useUnits } from "../api/hooks";
import type { Model, StudyState } from "../api/types";
import { useNote } from "../note/context";
import { TEMPLATES } from "../note/kinds";
import { freshId } from "../note/template";
import { go } from "../ui/address";
import { useDesk } from "./desk";
import { useSolve } from "./useSolve";

const DOTS = { solved: "bg-[#3fa37c]", stale: "bg-amber", unsolved: "bg-[#93a0a6]" } as const;
const STATES = { solved: "solved", stale: "stale: the model has changed since", unsolved: "not solved yet" } as const;

export function TopStrip() {
  const { view } = useNote();
  const edit = useEdit(view.id);
  return (
    <header className="flex h-[46px] shrink-0 items-center gap-2 bg-slate px-3 text-[13px] text-white">
      <a
        href="/"
        aria-label="All projects"
        onClick={(event) => {
          event.preventDefault();
          go("/");
        }}
      >
        <img src="/lattice.svg" alt="" className="size-6" />
      </a>
      <span className="truncate text-[#b9c3c6]">{view.project.name} /</span>
      <h1 className="contents">
        <span className="sr-only">{view.document.name}</span>
        <ModelName />
      </h1>
      <button className="ml-1 rounded p-1 hover:bg-slate-soft disabled:opacity-35" aria-label="Undo" title="Undo (Ctrl+Z)" disabled={!view.can_undo} onClick={() => void edit("undo")}>
        <Undo2 className="size-4" />
      </button>
      <button className="rounded p-1 hover:bg-slate-soft disabled:opacity-35" aria-label="Redo" title="Redo (Ctrl+Shift+Z)" disabled={!view.can_redo} onClick={() => void edit("redo")}>
        <Redo2 className="size-4" />
      </button>
      <Studies />
      <div className="ml-auto flex items-center gap-3">
        {view.studies.some((s) => s.result) && (
          <button className="rounded p-1 hover:bg-slate-soft" aria-label="Side by side" title="Side by side: studies, frames and models compared" onClick={() => go(`/models/${view.id}/side`)}>
            <Columns2 className="size-4" />
          </button>
        )}
        <button className="rounded p-1 hover:bg-slate-soft" aria-label="Report" title="Report: the note typeset, with findings, pictures and tables" onClick={() => go(`/models/${view.id}/report`)}>
          <FileText className="size-4" />
        </button>
        <UnitsMenu />
        <Summary />
        <SolveButton />
      </div>
    </header>
  );
}

function ModelName() {
  const { view } = useNote();
  const edit = useEdit(view.id);
  return (
    <input
      key={view.document.name}
      aria-label="Name of the model"
      className="field-sizing-content max-w-56 rounded bg-transparent px-1 font-semibold hover:bg-slate-soft focus:bg-slate-soft"
      defaultValue={view.document.name}
      onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
      onBlur={(event) => {
        const input = event.currentTarget;
        const name = input.value.trim();
        if (name === view.document.name) return;
        edit("document", (d: Model) => ({ ...d, name })).catch(() => (input.value = view.document.name));
      }}
    />
  );
}

function Studies() {
  const { view, arrange } = useNote();
  const { study, set } = useDesk();
  const shown = view.studies.find((s) => s.name === study) ?? view.studies[0];

  function add() {
    const template = TEMPLATES.find((t) => t.word === "static");
    if (template) void arrange((all) => [...all, { id: freshId(all), ...template.make(view) } as (typeof all)[number]]);
  }

  return (
    <nav className="flex min-w-0 items-center gap-1.5 overflow-x-auto py-1 pl-2 [scrollbar-width:none]" aria-label="Studies">
      {view.studies.map((s: StudyState) => (
        <button
          key={s.name}
          aria-pressed={s === shown}
          title={`${s.name}: ${STATES[s.state]}`}
          className={`flex shrink-0 items-center gap-2 whitespace-nowrap rounded-full px-3 py-1 ${s === shown ? "bg-paper text-ink" : "bg-slate-soft hover:bg-[#43555f]"}`}
          onClick={() => set({ study: s.name, selected: s.statement, ...(s.result ? { look: "results" } : {}) })}
        >
          <span className={`size-2 rounded-full ${DOTS[s.state]}`} />
          {s.name}
        </button>
      ))}
      <button className="shrink-0 whitespace-nowrap rounded-full bg-slate-soft px-3 py-1 hover:bg-[#43555f]" onClick={add}>
        + study
      </button>
    </nav>
  );
}

function UnitsMenu() {
  const { view } = useNote();
  const edit = useEdit(view.id);
  const { data } = useUnits();
  const names = Object.keys(data?.systems ?? {});
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>
        <button className="whitespace-nowrap rounded px-1.5 py-0.5 font-mono text-[12px] text-[#b9c3c6] hover:bg-slate-soft" aria-label={`Display units: ${view.document.units}`}>
          {view.document.units}
        </button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="popover" align="end">
          {names.map((name) => (
            <DropdownMenu.Item key={name} className="menu-item" onSelect={() => void edit("document", (d: Model) => ({ ...d, units: name as Model["units"] }))}>
              <span className="w-16 font-mono text-[12px]">{name}</span>
              <span className="text-[12px] text-faint">
                {data?.systems[name]?.length?.unit}, {data?.systems[name]?.force?.unit}, {data?.systems[name]?.stress?.unit}, {data?.systems[name]?.mass?.unit}
              </span>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function Summary() {
  const { view } = useNote();
  const limits = view.studies.flatMap((s) => (s.state === "solved" ? (s.findings?.findings ?? []) : [])).flatMap((f) => ("margin" in f ? [f] : []));
  const hold = limits.filter((f) => f.holds).length;
  const fail = limits.length - hold;
  const stale = view.studies.filter((s) => s.state === "stale").length;
  const parts = [
    hold > 0 && <span key="hold">{hold} {hold === 1 ? "holds" : "hold"}</span>,
    fail > 0 && <b key="fail" className="text-[#ffa58f]">{fail} {fail === 1 ? "fails" : "fail"}</b>,
    stale > 0 && <span key="stale" className="text-[#f3cf8e]">{stale} stale</span>,
  ].filter(Boolean);
  return <span className="whitespace-nowrap text-[12.5px]" data-testid="summary">{parts.map((part, i) => [i > 0 && " · ", part])}</span>;
}

function SolveButton() {
  const { view } = useNote();
  const { solve, stop } = useSolve(view);
  const [open, setOpen] = useState(false);
  const busy = view.runs.find((r) => r.state === "running") ?? view.runs.find((r) => r.state === "queued");
  const waiting = view.studies.filter((s) => s.state !== "solved").length;
  const stops = view.notices.filter((n) => n.severity === "stops").length;
  const odd = view.notices.length - stops;

  if (busy) {
    return (
      <span className="flex items-center gap-2">
        <span className="w-44">
          <span className="flex justify-between text-[11px] text-[#d6dcdd]">
            <span className="truncate">{busy.phase ?? "waiting for the worker"}</span>
            <span>{Math.round(busy.share * 100)} %</span>
          </span>
          <span className="block h-1 overflow-hidden rounded bg-slate-soft" role="progressbar" aria-valuenow={Math.round(busy.share * 100)} aria-valuemin={0} aria-valuemax={100}>
            <span className="block h-full bg-amber transition-[width]" style={{ width: `${busy.share * 100}%` }} />
          </span>
        </span>
        <button className="button-strong" onClick={() => void stop()}>
          <Square className="size-3.5" /> Stop
        </button>
      </span>
    );
  }
  const text = waiting === 0 && view.studies.length > 0 ? "Solved" : view.studies.some((s) => s.state === "stale") ? `Solve ${waiting} stale` : "Solve";
  return (
    <span className="flex items-center gap-2">
      {view.notices.length > 0 && (
        <Popover.Root open={open} onOpenChange={setOpen}>
          <Popover.Trigger asChild>
            <button className="rounded-md border border-[#7b6a45] px-2 py-1 text-[12px] text-[#f3cf8e] hover:bg-slate-soft">
              {stops > 0 ? `${stops} to mend` : `${odd} to look at`}
            </button>
          </Popover.Trigger>
          <Popover.Portal>
            <Popover.Content className="popover w-96" align="end" sideOffset={6}>
              <Readiness close={() => setOpen(false)} />
            </Popover.Content>
          </Popover.Portal>
        </Popover.Root>
      )}
      <button className="button-strong whitespace-nowrap" disabled={waiting === 0} onClick={() => (view.ready ? void solve() : setOpen(true))}>
        {text}
      </button>
    </span>
  );
}

/** What is missing or odd; each line leads to the statement that mends it. */
function Readiness({ close }: { close: () => void }) {
  const { view } = useNote();
  const set = useDesk((desk) => desk.set);
  return (
    <ul aria-label="Readiness" className="space-y-1">
      {view.notices.map((notice, i) => (
        <li key={i}>
          <button
            className="flex w-full gap-2 rounded px-2 py-1 text-left hover:bg-glow"
            onClick={() => {
              close();
              if (notice.place) set({ look: "shape", paper: false, spot: notice.place });
              if (!notice.statement) return;
              set({ selected: notice.statement });
              document.getElementById(`statement-${notice.statement}`)?.scrollIntoView({ block: "center" });
            }}
          >
            <span className={`mt-1.5 size-2 shrink-0 rounded-full ${notice.severity === "stops" ? "bg-amber" : "bg-[#93a0a6]"}`} />
            <span>
              <span className="font-serif text-[14px]">{notice.message}.</span> <span className="text-faint">{notice.cure}</span>
            </span>
          </button>
          {notice.motions && notice.motions.length > 0 && (
            <span className="ml-6 flex flex-wrap items-center gap-1 text-[12px] text-faint">
              see it move:
              {notice.motions.map((motion, k) => (
                <button
                  key={k}
                  className="rounded border border-rule px-1.5 hover:bg-glow"
                  aria-label={`Show free motion ${k + 1}`}
                  onClick={() => {
                    close();
                    set({ motion, look: "shape", paper: false, glyphs: true });
                  }}
                >
                  {k + 1}
                </button>
              ))}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
