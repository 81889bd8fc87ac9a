import { Gauge, X } from "lucide-react";
import { useEdit } from "../api/hooks";
import { useSkin } from "../api/results";
import type { Of } from "../api/types";
import { useNote } from "../note/context";
import { fresh, freshId, typed } from "../note/template";
import { LIMITED } from "../note/words";
import { useDesk, type Probe } from "../workspace/desk";
import { useProbes, valueAt } from "../window/Probes";
import { useShownField } from "../window/useShownField";
import { DataTable, type Column } from "./DataTable";

type Read = Of<"gauge">["quantity"];

/** The labels that stay in the window, with what the field that is shown is there. */
export function ProbesTable() {
  const { view } = useNote();
  const { study: chosen } = useDesk();
  const study = view.studies.find((s) => s.name === chosen) ?? view.studies[0] ?? null;
  const { fields, field, frames, frame, found } = useShownField(view, study);
  const { data: skin } = useSkin(study?.mesh ?? null);
  const { probes, drop } = useProbes(study?.mesh ?? null);
  const edit = useEdit(view.id);
  if (probes.length === 0) return <p className="text-faint">Click the part in Results: a label stays there, and is listed here.</p>;
  const known = fields.find((f) => f.name === field);
  const value = (p: Probe) => (found && skin ? (valueAt(p, found, field, skin) ?? "–") : "–");
  const recorded = LIMITED.find(([name]) => name === field)?.[0] as Read | undefined;
  const record = (p: Probe) =>
    edit("document", (document) => {
      const [x, y, z] = p.at.map((v) => typed(view, v, 7)) as [string, string, string];
      document.statements.push({ id: freshId(document.statements), kind: "gauge", name: fresh(view, "Gauge"), study: study?.name ?? "", quantity: recorded ?? "displacement", spot: { x, y, z } });
      return document;
    });
  const columns: Column<Probe>[] = [
    { key: "number", words: "label", kind: "count", value: (p) => p.number },
    ...(["x", "y", "z"] as const).map((axis, k): Column<Probe> => ({ key: axis, words: axis, kind: "length", value: (p) => p.at[k] ?? 0, least: 1e-9 })),
    { key: "value", words: known?.words ?? field, kind: known?.dimension ?? "ratio", value },
    {
      key: "acts",
      words: "",
      kind: "text",
      value: () => "",
      draw: (p) => (
        <span className="flex gap-1 font-sans text-[12px]">
          <button className="flex items-center gap-1 rounded px-1 hover:bg-glow disabled:opacity-40" disabled={!recorded} title="A statement that records it in every frame" onClick={() => void record(p)}>
            <Gauge className="size-3" /> make a gauge
          </button>
          <button className="rounded px-1 hover:bg-glow" aria-label={`Take label ${p.number} away`} onClick={() => drop(p)}>
            <X className="size-3" />
          </button>
        </span>
      ),
    },
  ];
  return <DataTable label="Probes" columns={columns} rows={probes} keyOf={(p) => String(p.number)} stale={study?.state === "stale"} note={frames.length > 1 ? `In ${frames[frame]?.name ?? ""}.` : undefined} />;
}
