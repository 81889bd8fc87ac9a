import { useEffect, useState } from "react";
import { useIsFetching } from "@tanstack/react-query";
import { useModel } from "../api/hooks";
import type { Finding, ModelView, Of, StudyState } from "../api/types";
import { useNote } from "../note/context";
import { StudyFindings } from "../note/FindingLines";
import { SECTIONS } from "../note/kinds";
import { NoteProvider } from "../note/Note";
import { StatementLine } from "../note/StatementLine";
import { BoltsTable } from "../tray/BoltsTable";
import { GaugesTable } from "../tray/GaugesTable";
import { LadderTable } from "../tray/LadderTable";
import { MemberUseTable } from "../tray/MemberUseTable";
import { LifeTable } from "../tray/LifeTable";
import { ModesTable } from "../tray/ModesTable";
import { StagesTable } from "../tray/StagesTable";
import { StoreysTable } from "../tray/StoreysTable";
import { StrengthTable } from "../tray/StrengthTable";
import { WayTable } from "../tray/WayTable";
import { PathsTable } from "../tray/PathsTable";
import { ReactionsTable } from "../tray/ReactionsTable";
import { ToldStudy } from "../tray/useFrame";
import { go } from "../ui/address";
import { saveFile } from "../ui/saveFile";
import { percent, useShown } from "../ui/units";
import { Picture } from "./Picture";
import { standalone } from "./standalone";
import "./report.css";

/** The note typeset for print, with what the studies found. */
export function Report({ id }: { id: string }) {
  const { data: view, error } = useModel(id);
  const shown = useShown(view?.document.units ?? "mm-N");
  if (error) return <p role="alert" className="p-8 text-vermilion">{error.message}</p>;
  if (!view) return <main className="p-8 text-faint">Setting the report…</main>;
  return (
    <NoteProvider view={view} shown={shown}>
      <Sheet view={view} />
    </NoteProvider>
  );
}

function Sheet({ view }: { view: ModelView }) {
  const paper = new URLSearchParams(window.location.search).get("paper") === "Letter" ? "Letter" : "A4";
  const [drawn, setDrawn] = useState(0);
  const solved = view.studies.filter((s) => s.findings && s.result);
  const fetching = useIsFetching();
  const pictures = solved.reduce((sum, study) => sum + Math.max(viewsOf(view, study).length, 1), 0);
  const ready = fetching === 0 && drawn >= pictures;
  useEffect(() => {
    // For what prints the page from outside.
    Object.assign(window, { latticeReport: () => standalone(view.document.name) });
    document.title = `${view.document.name} · report`;
  }, [view.document.name]);
  return (
    <div className="h-screen overflow-auto bg-[#d9ded9] print:h-auto print:overflow-visible print:bg-white">
      <nav className="no-print sticky top-0 z-10 flex items-center gap-3 bg-slate px-3 py-2 text-[13px] text-white" aria-label="Report">
        <button className="rounded-full bg-slate-soft px-3 py-1" onClick={() => go(`/models/${view.id}`)}>
          ← {view.document.name}
        </button>
        <h1 className="font-semibold">Report</h1>
        <a className="rounded bg-amber px-3 py-1 font-semibold text-ink" href={`/api/models/${view.id}/report.pdf?paper=A4`}>
          PDF, A4
        </a>
        <a className="rounded bg-slate-soft px-3 py-1" href={`/api/models/${view.id}/report.pdf?paper=Letter`}>
          PDF, Letter
        </a>
        <button className="rounded bg-slate-soft px-3 py-1" disabled={!ready} onClick={() => saveFile(`${view.document.name}.html`, standalone(view.document.name), "text/html")}>
          one HTML file
        </button>
        {!ready && <span className="text-[#b9c3c6]">drawing {drawn} of {pictures} pictures…</span>}
      </nav>
      <main className={`report paper-${paper}`} data-report={ready ? "ready" : "drawing"}>
        <Head view={view} />
        <Verdicts view={view} />
        <Notices view={view} />
        {SECTIONS.map(({ title, kinds }, i) => {
          const statements = view.document.statements.filter((s) => kinds.includes(s.kind) && !s.off);
          if (statements.length === 0) return null;
          return (
            <section key={title}>
              <h2>
                {i + 1} {title}
              </h2>
              {statements.map((s) => (
                <p key={s.id} className="statement" inert>
                  <StatementLine statement={s} />
                </p>
              ))}
            </section>
          );
        })}
        {solved.map((study) => (
          <ToldStudy.Provider key={study.name} value={study.name}>
            <Told study={study} onDrawn={() => setDrawn((n) => n + 1)} />
          </ToldStudy.Provider>
        ))}
        {solved.length === 0 && <p className="statement">No study has been solved yet: there are no findings to tell.</p>}
      </main>
    </div>
  );
}

function Head({ view }: { view: ModelView }) {
  return (
    <header>
      <p className="project">{view.project.name}</p>
      <h1>{view.document.name}</h1>
      <p className="meta">
        Revision {view.version} · {new Date().toLocaleDateString("en-GB", { day: "numeric", month: "long", year: "numeric" })} · shape {view.shape.digest.slice(0, 12)} · units {view.document.units} · Gentle Lattice
      </p>
    </header>
  );
}

type Judged = Finding & { holds: boolean };
const WORDS: Partial<Record<Finding["kind"], string>> = { bolts: "bolts", members: "members", bars: "embedded bars", resonance: "natural frequencies in the running range", buckling: "factor until it buckles", collapse: "load factor that it bears", stages: "all stages come to rest", strength: "factor on the strength of the ground", storeys: "drift of storeys", shaking: "all steps come to rest", life: "life" };

/** All that holds or fails. */
function Verdicts({ view }: { view: ModelView }) {
  const { shown } = useNote();
  const rows = view.studies.flatMap((s) =>
    (s.findings?.findings ?? []).filter((f): f is Judged => "holds" in f && f.kind !== "equilibrium" && !((f.kind === "buckling" || f.kind === "collapse") && f.at_least === null) && !(f.kind === "life" && f.design === null) && !(f.kind === "storeys" && f.at_most === null)).map((f) => ({ study: s, f })),
  );
  if (rows.length === 0) return null;
  return (
    <section>
      <h2>Verdict</h2>
      <table aria-label="Verdict">
        <tbody>
          {rows.map(({ study, f }, i) => (
            <tr key={i}>
              <td>{f.kind === "limit" ? `${f.words} in ${f.target}` : (WORDS[f.kind] ?? f.kind)}</td>
              <td>{study.name}</td>
              <td className="number">{f.kind === "limit" ? `${shown.text(f.value, f.dimension)} of ${shown.text(f.allowed, f.dimension)}` : f.kind === "buckling" ? f.factor.toPrecision(4) : f.kind === "collapse" ? f.bears.toPrecision(4) : "utilisation" in f && f.utilisation !== null ? `${Math.round(f.utilisation * 100)} %` : ""}</td>
              <td className={f.holds ? "holds" : "fails"}>
                {f.holds ? "holds" : "fails"}
                {"margin" in f && f.margin !== null && `, ${percent(f.margin)}`}
                {study.state === "stale" && " (stale)"}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Notices({ view }: { view: ModelView }) {
  if (view.notices.length === 0) return <p className="meta">Nothing is missing or odd.</p>;
  return (
    <section>
      <h2>Missing or odd</h2>
      {view.notices.map((n, i) => (
        <p key={i} className="statement">
          {n.message}. {n.cure}
        </p>
      ))}
    </section>
  );
}

/** The views of a study that the note keeps: the report's pictures, in place of one of its own choice. */
const viewsOf = (view: ModelView, study: StudyState) => view.document.statements.filter((s): s is Of<"view"> => s.kind === "view" && s.study === study.name && !s.off);

/** One study: what it found, its picture and its tables. */
function Told({ study, onDrawn }: { study: StudyState; onDrawn: () => void }) {
  const { view } = useNote();
  const findings = study.findings?.findings ?? [];
  const has = (...kinds: Finding["kind"][]) => findings.some((f) => kinds.includes(f.kind));
  const summary = study.findings?.summary;
  const shapes = has("modes", "buckling");
  const views = viewsOf(view, study);
  return (
    <section className="study">
      <h2>
        {study.name}
        {study.state === "stale" && " (stale: the model has changed since)"}
      </h2>
      <StudyFindings study={study} />
      {views.length === 0 && <Picture study={study} view={view} onDrawn={onDrawn} />}
      {views.map((v) => (
        <Picture key={v.id} study={study} view={view} sight={v} saved={view.views[v.id] ?? null} name={v.name} onDrawn={onDrawn} />
      ))}
      {shapes && <ModesTable />}
      {has("sweep") && <ModesTable />}
      {has("life") && <LifeTable />}
      {has("collapse") && <WayTable />}
      {has("stages") && <StagesTable />}
      {has("strength") && <StrengthTable />}
      {has("storeys", "shaking") && <StoreysTable />}
      {has("ladder") && <LadderTable />}
      {has("path") && <PathsTable />}
      {has("gauge", "section_cut", "radiated_power") && <GaugesTable />}
      {(summary?.bolts.length ?? 0) > 0 && <BoltsTable />}
      {has("members") && <MemberUseTable />}
      {!shapes && <ReactionsTable />}
    </section>
  );
}
