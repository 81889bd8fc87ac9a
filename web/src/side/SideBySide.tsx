import { useMemo, useState } from "react";
import { Columns2, Grid2x2, Link2, Link2Off } from "lucide-react";
import { useModel, useProjects, useRevisions } from "../api/hooks";
import type { ModelView } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { NoteProvider } from "../note/Note";
import { go } from "../ui/address";
import { useShown } from "../ui/units";
import { cameraLink } from "../window/Controls";
import { Compared } from "./Compared";
import { Pane } from "./Pane";
import { usePane, type Chosen } from "./usePane";

/** Two or four model windows over one scale, with cameras that move together; and their findings in one table. */
export function SideBySide({ id }: { id: string }) {
  const { data: view, error } = useModel(id);
  const shown = useShown(view?.document.units ?? "mm-N");
  if (error) return <p role="alert" className="p-8 text-vermilion">{error.message}</p>;
  if (!view) return <main className="p-8 text-faint">Opening the studies…</main>;
  return (
    <NoteProvider view={view} shown={shown}>
      <Windows view={view} />
    </NoteProvider>
  );
}

function Windows({ view }: { view: ModelView }) {
  const [count, setCount] = useState<2 | 4>(2);
  const [linked, setLinked] = useState(true);
  const [shared, setShared] = useState(true);
  const [field, setField] = useState("von_mises");
  const [difference, setDifference] = useState(false);
  const solved = view.studies.filter((s) => s.result);
  const first = (i: number): Chosen => ({ model: view.id, study: (solved[i] ?? solved[0] ?? view.studies[0])?.name ?? "", frame: 0 });
  const [chosen, setChosen] = useState<Chosen[]>(() => [0, 1, 2, 3].map(first));
  const link = useMemo(() => (linked ? cameraLink() : undefined), [linked]);
  const [one, two, three, four] = chosen as [Chosen, Chosen, Chosen, Chosen];
  const a = usePane(one, field);
  const b = usePane(two, field, difference ? one : undefined);
  const [c, d] = [usePane(three, field), usePane(four, field)];
  const panes = [a, b, c, d].slice(0, count);
  const { data: home } = useProjects();
  const { data: history } = useRevisions(view.id);
  const older = (history?.revisions ?? []).filter((r) => r.solved && r.number !== history?.current).map((r) => ({ id: `${view.id}@${r.number}`, name: `revision ${r.number}, ${new Date(r.created_at).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" })}` }));
  const models = [...(home?.projects.find((p) => p.id === view.project.id)?.models ?? []), ...older];
  const fields = a.study?.findings?.summary.catalogue ?? [];
  const ends = panes.flatMap((p) => (p.extreme && !p.parted ? [p.extreme] : []));
  const all = shared && ends.length > 0 ? { min: Math.min(...ends.map((e) => e.min)), max: Math.max(...ends.map((e) => e.max)) } : null;
  const both = Boolean(a.study?.result && b.study?.result);
  const choose = (i: number, change: Partial<Chosen>) => setChosen((all) => all.map((old, k) => (k === i ? { ...old, ...change } : old)));

  return (
    <div className="flex h-screen flex-col overflow-hidden">
      <header className="flex h-[46px] shrink-0 items-center gap-3 bg-slate px-3 text-[13px] text-white">
        <button className="rounded-full bg-slate-soft px-3 py-1" onClick={() => go(`/models/${view.id}`)}>
          ← {view.document.name}
        </button>
        <h1 className="font-semibold">Side by side</h1>
        <span className="flex items-center gap-1 rounded bg-paper px-2 py-0.5 text-ink">
          <ChoiceChip label="field" value={field} options={fields.map((f) => [f.name, f.words] as const)} onChoose={setField} />
        </span>
        <button className="flex items-center gap-1 rounded bg-slate-soft px-2 py-1" aria-pressed={count === 4} onClick={() => setCount(count === 2 ? 4 : 2)}>
          {count === 2 ? <Grid2x2 className="size-4" /> : <Columns2 className="size-4" />} {count === 2 ? "four windows" : "two windows"}
        </button>
        <button className={`flex items-center gap-1 rounded px-2 py-1 ${linked ? "bg-paper text-ink" : "bg-slate-soft"}`} aria-pressed={linked} onClick={() => setLinked(!linked)}>
          {linked ? <Link2 className="size-4" /> : <Link2Off className="size-4" />} cameras together
        </button>
        <button className={`rounded px-2 py-1 ${shared ? "bg-paper text-ink" : "bg-slate-soft"}`} aria-pressed={shared} onClick={() => setShared(!shared)}>
          one scale
        </button>
        <button
          className={`rounded px-2 py-1 disabled:opacity-40 ${difference ? "bg-paper text-ink" : "bg-slate-soft"}`}
          aria-pressed={difference}
          disabled={!both}
          title={both ? "The second window shows the first less the second" : "Both must be solved"}
          onClick={() => setDifference(!difference)}
        >
          A − B
        </button>
      </header>
      <main className="flex min-h-0 flex-1 flex-col">
        <div className={`grid min-h-0 flex-1 grid-cols-2 gap-px bg-rule ${count === 4 ? "grid-rows-2" : ""}`}>
          {panes.map((pane, i) => (
            <Pane
              key={i}
              letter={"ABCD"[i] ?? ""}
              pane={pane}
              box={a.view ?? view}
              link={link}
              shared={pane.parted ? null : all}
              models={models}
              chosen={chosen[i]?.model ?? ""}
              onChoose={(change) => choose(i, change)}
            />
          ))}
        </div>
        <Compared panes={panes} />
      </main>
    </div>
  );
}
