import { useEffect, useState } from "react";
import { X } from "lucide-react";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { CornersTable } from "./CornersTable";
import { ReactionsTable } from "./ReactionsTable";
import { RunLog } from "./RunLog";

type Tab = "reactions" | "runs" | "corners";

/** Tables and logs that belong to what is selected. */
export function Tray() {
  const { view } = useNote();
  const { selected, set } = useDesk();
  const statement = view.document.statements.find((s) => s.id === selected);
  const outline = statement?.kind === "outline" && "corners" in statement.boundary ? statement : null;
  const latest = view.runs[0]?.state;
  const [tab, setTab] = useState<Tab>("reactions");

  /** A run is followed until it is done; what ended otherwise stays in sight. */
  useEffect(() => setTab((old) => (latest && latest !== "done" ? "runs" : old === "runs" ? "reactions" : old)), [latest]);
  useEffect(() => setTab((old) => (outline ? "corners" : old === "corners" ? "reactions" : old)), [outline]);

  const tabs: [Tab, string][] = [...(outline ? [["corners", "Corners"] as [Tab, string]] : []), ["reactions", "Reactions"], ["runs", "Runs"]];
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
        {tab === "corners" && outline && <CornersTable statement={outline} />}
        {tab === "reactions" && <ReactionsTable />}
        {tab === "runs" && <RunLog />}
      </div>
    </div>
  );
}
