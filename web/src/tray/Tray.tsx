import { useEffect, useState } from "react";
import { X } from "lucide-react";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { cornersOf } from "../draw/Corners";
import { CornersTable } from "./CornersTable";
import { PartsTable } from "./PartsTable";
import { ReactionsTable } from "./ReactionsTable";
import { RunLog } from "./RunLog";

type Tab = "reactions" | "runs" | "corners" | "parts";

/** Tables and logs that belong to what is selected. */
export function Tray() {
  const { view } = useNote();
  const { selected, set } = useDesk();
  const statement = view.document.statements.find((s) => s.id === selected);
  const drawn = (statement?.kind === "outline" || statement?.kind === "line") && cornersOf(statement).length > 0 ? statement : null;
  const latest = view.runs[0]?.state;
  const [tab, setTab] = useState<Tab>(view.studies.some((s) => s.result) ? "reactions" : "parts");

  /** A run is followed until it is done; what ended otherwise stays in sight. */
  useEffect(() => setTab((old) => (latest && latest !== "done" ? "runs" : old === "runs" ? "reactions" : old)), [latest]);
  useEffect(() => setTab((old) => (drawn ? "corners" : old === "corners" ? "parts" : old)), [drawn]);

  const tabs: [Tab, string][] = [...(drawn ? [["corners", "Corners"] as [Tab, string]] : []), ["parts", "Parts"], ["reactions", "Reactions"], ["runs", "Runs"]];
  return (
    <div className="flex h-full flex-col">
      <div className="flex items-center gap-4 px-4 pt-1.5" role="tablist">
        {tabs.map(([key, text]) => (
          <button key={key} role="tab" aria-selected={tab === key} className={`pb-0.5 text-[12.5px] ${tab === key ? "border-b-2 border-amber font-semibold text-earth" : "text-faint"}`} onClick={() => setTab(key)}>
            {text}
          </button>
        ))}
        <button className="ml-auto rounded p-0.5 text-faint hover:bg-glow" aria-label="Hide the tray" onClick={() => set({ trayOpen: false })}>
          <X className="size-3.5" />
        </button>
      </div>
      <div className="min-h-0 flex-1 overflow-auto px-4 py-2">
        {tab === "corners" && drawn && <CornersTable statement={drawn} />}
        {tab === "parts" && <PartsTable />}
        {tab === "reactions" && <ReactionsTable />}
        {tab === "runs" && <RunLog />}
      </div>
    </div>
  );
}
