import { useEffect, useState } from "react";
import { X } from "lucide-react";
import { Tabs } from "radix-ui";
import type { Kind, Of } from "../api/types";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { cornersOf } from "../draw/Corners";
import { CornersTable } from "./CornersTable";
import { MembersTable } from "./MembersTable";
import { ExtremesTable } from "./ExtremesTable";
import { LifeTable } from "./LifeTable";
import { ModesTable } from "./ModesTable";
import { NodesTable } from "./NodesTable";
import { PartsTable } from "./PartsTable";
import { BarsTable } from "./BarsTable";
import { BoltsTable } from "./BoltsTable";
import { ConnectorsTable } from "./ConnectorsTable";
import { GaugesTable } from "./GaugesTable";
import { LadderTable } from "./LadderTable";
import { PathsTable } from "./PathsTable";
import { ProbesTable } from "./ProbesTable";
import { ReactionsTable } from "./ReactionsTable";
import { RunLog } from "./RunLog";
import { StagesTable } from "./StagesTable";
import { StoreysTable } from "./StoreysTable";
import { StrengthTable } from "./StrengthTable";
import { WayTable } from "./WayTable";

type Tab = "reactions" | "modes" | "way" | "stages" | "strength" | "storeys" | "ladder" | "gauges" | "paths" | "probes" | "nodes" | "extremes" | "life" | "bolts" | "joints" | "bars" | "members" | "runs" | "corners" | "parts";

/** The table of a kind of statement. */
const OWN: Partial<Record<Kind, Tab>> = { path: "paths", gauge: "gauges", force_gauge: "gauges", section_cut: "gauges", radiated_power: "gauges", bolt: "bolts", joint: "joints", one_way: "joints", spot_welds: "joints", bars: "bars", member_check: "members" };

const OF_STUDY: Partial<Record<Of<"study">["type"], Tab>> = { ladder: "ladder", vibration: "modes", buckling: "modes", collapse: "way", stages: "stages", strength: "strength", shaking: "storeys", harmonic: "gauges", transient: "gauges", life: "life" };

/** Tables and logs that belong to what is selected. */
export function Tray() {
  const { view } = useNote();
  const { selected, set } = useDesk();
  const probes = useDesk((desk) => desk.probes.length);
  const statement = view.document.statements.find((s) => s.id === selected);
  const drawn = (statement?.kind === "outline" || statement?.kind === "line") && cornersOf(statement).length > 0 ? statement : null;
  const framed = view.studies.some((s) => s.findings?.summary.frames.some((f) => (f.members?.length ?? 0) > 0));
  const latest = view.runs[0]?.state;
  const own = statement?.kind === "study" ? OF_STUDY[statement.type] : statement ? OWN[statement.kind] : undefined;
  const [tab, setTab] = useState<Tab>(view.studies.some((s) => s.result) ? "reactions" : "parts");

  /** A run is followed until it is done; what ended otherwise stays in sight. */
  useEffect(() => setTab((old) => (latest && latest !== "done" ? "runs" : old === "runs" ? "reactions" : old)), [latest]);
  useEffect(() => {
    if (own) setTab(own);
  }, [own]);
  // The first label that is put opens their list; when the last is gone there is none.
  useEffect(() => setTab((old) => (probes > 0 && old !== "probes" ? "probes" : probes === 0 && old === "probes" ? "reactions" : old)), [probes]);
  useEffect(() => setTab((old) => (drawn ? "corners" : old === "corners" ? "parts" : old)), [drawn]);

  const has = (...kinds: Kind[]) => view.document.statements.some((s) => kinds.includes(s.kind) && !s.off);
  const all: [Tab, string, boolean][] = [
    ["corners", "Corners", drawn !== null],
    ["parts", "Parts", true],
    ["reactions", "Reactions", true],
    ["modes", "Modes", view.document.statements.some((s) => s.kind === "study" && (s.type === "vibration" || s.type === "buckling" || s.type === "harmonic") && !s.off)],
    ["way", "Load and movement", view.document.statements.some((s) => s.kind === "study" && s.type === "collapse" && !s.off)],
    ["strength", "Strength", view.document.statements.some((s) => s.kind === "study" && s.type === "strength" && !s.off)],
    ["stages", "Stages", view.document.statements.some((s) => s.kind === "study" && s.type === "stages" && !s.off)],
    ["storeys", "Storeys", view.document.statements.some((s) => s.kind === "study" && (s.type === "shaking" || (s.type === "collapse" && has("floor"))) && !s.off)],
    ["ladder", "Ladder", view.document.statements.some((s) => s.kind === "study" && s.type === "ladder" && !s.off)],
    ["probes", "Probes", probes > 0],
    ["extremes", "Extremes", view.studies.some((s) => s.result)],
    ["nodes", "Nodes", view.studies.some((s) => s.result)],
    ["paths", "Paths", has("path")],
    ["gauges", "Gauges", has("gauge", "force_gauge", "section_cut", "radiated_power")],
    ["life", "Life", view.document.statements.some((s) => s.kind === "study" && s.type === "life" && !s.off)],
    ["bolts", "Bolts", has("bolt")],
    ["joints", "Joints", has("joint", "one_way", "spot_welds") || view.studies.some((s) => (s.findings?.summary.connectors.length ?? 0) > 0)],
    ["bars", "Bars", has("bars")],
    ["members", "Members", framed],
    ["runs", "Runs", true],
  ];
  const tabs = all.filter(([, , there]) => there);
  return (
    <Tabs.Root className="flex h-full flex-col" value={tab} onValueChange={(next) => setTab(next as Tab)}>
      <div className="flex items-center px-4 pt-1.5">
        <Tabs.List className="flex items-center gap-4" aria-label="Tables and logs">
          {tabs.map(([key, text]) => (
            <Tabs.Trigger key={key} value={key} className="pb-0.5 text-[12.5px] text-faint data-[state=active]:border-b-2 data-[state=active]:border-amber data-[state=active]:font-semibold data-[state=active]:text-earth">
              {text}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <button className="ml-auto rounded p-0.5 text-faint hover:bg-glow" aria-label="Hide the tray" onClick={() => set({ trayOpen: false })}>
          <X className="size-3.5" />
        </button>
      </div>
      <Tabs.Content value={tab} className="min-h-0 flex-1 overflow-auto px-4 py-2" tabIndex={0} data-scroll>
        {tab === "corners" && drawn && <CornersTable statement={drawn} />}
        {tab === "parts" && <PartsTable />}
        {tab === "reactions" && <ReactionsTable />}
        {tab === "members" && <MembersTable />}
        {tab === "probes" && <ProbesTable />}
        {tab === "extremes" && <ExtremesTable />}
        {tab === "nodes" && <NodesTable />}
        {tab === "modes" && <ModesTable />}
        {tab === "way" && <WayTable />}
        {tab === "stages" && <StagesTable />}
        {tab === "strength" && <StrengthTable />}
        {tab === "storeys" && <StoreysTable />}
        {tab === "ladder" && <LadderTable />}
        {tab === "paths" && <PathsTable />}
        {tab === "gauges" && <GaugesTable />}
        {tab === "life" && <LifeTable />}
        {tab === "bolts" && <BoltsTable />}
        {tab === "joints" && <ConnectorsTable />}
        {tab === "bars" && <BarsTable />}
        {tab === "runs" && <RunLog />}
      </Tabs.Content>
    </Tabs.Root>
  );
}
