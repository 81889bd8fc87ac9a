import { useMemo, useState, type ReactNode } from "react";
import { ChevronDown, ChevronRight, MoreHorizontal, Search } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { Refused } from "../api/client";
import { useEdit, useShape } from "../api/hooks";
import type { Finding, Model, ModelView, PlaceKey, Statement } from "../api/types";
import type { Shown } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { Context, useNote, type NoteContext } from "./context";
import { HandCheckVerdict, LimitVerdict, StudyFindings } from "./FindingLines";
import { MeetingPanel } from "./MeetingPanel";
import { HandOffers } from "./HandOffers";
import { InsertLine } from "./InsertLine";
import { StatementLine } from "./StatementLine";
import { freshId } from "./template";
import { SECTIONS } from "./kinds";

/** Gives the parts of the note the model and the ways to change it. */
export function NoteProvider({ view, shown, children }: { view: ModelView; shown: Shown; children: ReactNode }) {
  const edit = useEdit(view.id);
  const { data: surfaces = null } = useShape(view.id, view.shape.digest);
  const value = useMemo<NoteContext>(() => {
    const arrange = (change: (statements: Statement[]) => Statement[]) =>
      edit("document", (document: Model) => ({ ...document, statements: change(document.statements) as Model["statements"] }));
    const change = (id: string, apply: (statement: Statement) => void) =>
      arrange((all) => {
        const statement = all.find((s) => s.id === id);
        if (statement) apply(statement);
        return all;
      });
    return { view, shown, surfaces, places: surfaces?.meta.places ?? [], change, arrange };
  }, [view, shown, surfaces, edit]);
  return <Context.Provider value={value}>{children}</Context.Provider>;
}

export function Note() {
  const { view } = useNote();
  const [folded, setFolded] = useState<Set<string>>(new Set());
  const [filter, setFilter] = useState("");
  const wanted = filter.trim().toLowerCase();
  const long = view.document.statements.length > 12;
  let number = 0;
  return (
    <div className="flex h-full flex-col">
      {long && (
        <label className="flex items-center gap-2 border-b border-rule px-4 py-1 text-faint">
          <Search className="size-3.5" />
          <input className="w-full bg-transparent text-[12.5px] text-ink outline-none" placeholder="Filter the note" aria-label="Filter the note" value={filter} onChange={(event) => setFilter(event.target.value)} />
        </label>
      )}
      <div className="min-h-0 flex-1 overflow-auto pb-6 pl-1 pr-2 pt-2" data-testid="note">
        {SECTIONS.map(({ title, kinds }) => {
          const statements = view.document.statements.filter((s) => kinds.includes(s.kind) && (!wanted || JSON.stringify(s).toLowerCase().includes(wanted)));
          const findings = title === "Findings" && view.studies.length > 0;
          const meeting = title === "Joins and supports" && !wanted && view.shape.bodies.filter((b) => b.make === "solid" || b.make === "faces").length > 1;
          if (statements.length === 0 && !findings && !meeting) return null;
          number += 1;
          const shut = folded.has(title);
          return (
            <section key={title} className="mt-2" aria-label={title}>
              <h2 className="flex items-baseline">
                <span className="w-7 shrink-0 text-center text-[12px] text-[#8d7f5e]">{number}</span>
                <button
                  className="flex items-center gap-1 py-0.5 text-[13px] font-semibold text-earth"
                  aria-expanded={!shut}
                  onClick={() => setFolded((old) => new Set(shut ? [...old].filter((t) => t !== title) : [...old, title]))}
                >
                  {title}
                  {shut ? <ChevronRight className="size-3.5" /> : <ChevronDown className="size-3.5 opacity-0" />}
                </button>
              </h2>
              {!shut && (
                <div className="ml-5">
                  {findings && view.studies.map((study) => <StudyFindings key={study.name} study={study} />)}
                  {statements.map((statement) => (
                    <Row key={statement.id} statement={statement} />
                  ))}
                  {meeting && <MeetingPanel />}
                  {findings && !wanted && <HandOffers />}
                </div>
              )}
            </section>
          );
        })}
        <div className="ml-5">
          <InsertLine />
        </div>
      </div>
    </div>
  );
}

/** The places that a statement speaks of, to light them in the window. */
function useSpokenPlaces(statement: Statement): PlaceKey[] {
  const { view } = useNote();
  if (statement.kind === "imprint") return view.shape.patches[statement.id]?.places ?? [];
  if (statement.kind === "join") return statement.bodies.map((b): PlaceKey => [b, b]);
  if (statement.kind === "cut") return [[statement.body, statement.body]];
  if (statement.kind === "copy") return view.shape.bodies.filter((b) => b.name === statement.name || b.name.startsWith(`${statement.name} `)).map((b): PlaceKey => [b.name, b.name]);
  const name = "target" in statement ? statement.target : "name" in statement ? statement.name : null;
  const both = [name, "to" in statement && typeof statement.to === "string" ? statement.to : null];
  return both.flatMap((one): PlaceKey[] => {
    if (!one) return [];
    if (one === "everything") return view.shape.bodies.map((b) => [b.name, b.name]);
    if (view.document.statements.some((s) => s.kind === "point" && s.name === one)) return [[one, "point"]];
    return view.groups[one] ?? (view.shape.bodies.some((b) => b.name === one) ? [[one, one]] : []);
  });
}

function Row({ statement }: { statement: Statement }) {
  const { view } = useNote();
  const { selected, set } = useDesk();
  const places = useSpokenPlaces(statement);
  const notice = view.notices.find((n) => n.statement === statement.id);
  const chosen = selected === statement.id;
  const told = view.studies.flatMap((study) =>
    (study.findings?.findings ?? []).filter((f: Finding) => "statement" in f && f.statement === statement.id).map((finding) => ({ finding, stale: study.state === "stale" })),
  );
  const found = told[0];
  return (
    <div
      id={`statement-${statement.id}`}
      data-open={chosen || undefined}
      className={`group relative rounded py-[3px] pl-3 pr-6 font-serif text-[14.5px] leading-[25px] ${chosen ? "bg-glow" : "hover:bg-sheet"} ${statement.off ? "text-faint line-through opacity-70" : ""}`}
      onMouseEnter={() => set({ lit: places })}
      onMouseLeave={() => set({ lit: [] })}
      // A press of the mouse selects when it ends: a row that closes meanwhile would move what is pressed.
      onFocus={(event) => set({ lit: places, ...(event.target.matches(":focus-visible") ? { selected: statement.id } : {}) })}
      onBlur={() => set({ lit: [] })}
      onClick={() => set({ selected: statement.id })}
    >
      <div className="flex items-start">
        <div className="min-w-0 flex-1">
          <StatementLine statement={statement} />
          {told.map(({ finding, stale }, i) => finding.kind === "hand_check" && <HandCheckVerdict key={i} finding={finding} stale={stale} />)}
        </div>
        {found?.finding.kind === "limit" && <LimitVerdict finding={found.finding} stale={found.stale} />}
      </div>
      {notice && !statement.off && (
        <p className={`font-sans text-[12px] leading-snug ${notice.severity === "stops" ? "text-amber-ink" : "text-faint"}`}>
          {notice.message}. {notice.cure}
        </p>
      )}
      <Actions statement={statement} />
    </div>
  );
}

function Actions({ statement }: { statement: Statement }) {
  const { arrange, view } = useNote();
  const complain = useDesk((desk) => desk.complain);
  const item = "menu-item";

  async function attempt(change: (all: Statement[]) => Statement[]) {
    try {
      await arrange(change);
    } catch (error) {
      if (error instanceof Refused && error.status !== 409) complain({ message: error.message, cure: error.cure });
    }
  }

  function duplicate() {
    const copy = { ...structuredClone(statement), id: freshId(view.document.statements) };
    if ("name" in copy) copy.name = `${copy.name} copy`;
    return attempt((all) => all.flatMap((s) => (s.id === statement.id ? [s, copy] : [s])));
  }

  /** Past the neighbour of the same section, which is what the reader sees. */
  function move(by: -1 | 1) {
    const kinds = SECTIONS.find((section) => section.kinds.includes(statement.kind))?.kinds ?? [];
    return attempt((all) => {
      const from = all.findIndex((s) => s.id === statement.id);
      let to = from + by;
      while (all[to] && !kinds.includes((all[to] as Statement).kind)) to += by;
      if (!all[to]) return all;
      const rest = all.filter((_, i) => i !== from);
      rest.splice(to, 0, all[from] as Statement);
      return rest;
    });
  }

  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger asChild>
        <button
          aria-label="what to do with this statement"
          className="absolute right-0.5 top-1 grid size-5 place-items-center rounded text-faint opacity-0 hover:bg-paper focus:opacity-100 group-hover:opacity-100"
        >
          <MoreHorizontal className="size-4" />
        </button>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="popover" align="end">
          <DropdownMenu.Item className={item} onSelect={() => void attempt((all) => all.map((s) => (s.id === statement.id ? { ...s, off: !s.off } : s)))}>
            {statement.off ? "Switch on" : "Switch off"}
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => void duplicate()}>
            Duplicate
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => void move(-1)}>
            Move up
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => void move(1)}>
            Move down
          </DropdownMenu.Item>
          <DropdownMenu.Item className={`${item} text-vermilion`} onSelect={() => void attempt((all) => all.filter((s) => s.id !== statement.id))}>
            Remove
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
