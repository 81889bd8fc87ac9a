import type { GaugeFinding, SectionFinding } from "../api/types";
import { digits } from "../ui/units";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { Graph } from "./Graph";
import { useFrame } from "./useFrame";

interface Row {
  index: number;
  name: string;
}

/** What gauges and section cuts record, frame by frame. */
export function GaugesTable() {
  const { shown } = useNote();
  const { selected, set } = useDesk();
  const { state, summary, stale } = useFrame();
  const findings = state?.findings?.findings ?? [];
  const gauges = findings.filter((f): f is GaugeFinding => f.kind === "gauge");
  const cuts = findings.filter((f): f is SectionFinding => f.kind === "section_cut");
  if (!summary || gauges.length + cuts.length === 0) return <p className="text-faint">A gauge records a value in every frame: press / and write gauge, or section cut, then solve.</p>;
  const rows: Row[] = summary.frames.map((f) => ({ index: f.index, name: f.name }));
  const columns: Column<Row>[] = [
    { key: "name", words: "frame", kind: "text", value: (r) => r.name },
    ...gauges.map((g): Column<Row> => ({ key: g.statement, words: `${g.name}: ${g.words}`, kind: g.dimension, value: (r) => g.values[r.index] ?? "–" })),
    ...cuts.flatMap((c) =>
      (["x", "y", "z"] as const).flatMap((axis, k): Column<Row>[] => [
        { key: `${c.statement} f${axis}`, words: `${c.name}: force ${axis}`, kind: "force", value: (r) => c.forces[r.index]?.[k] ?? "–", least: 1e-9 * largest(c.forces) },
        { key: `${c.statement} m${axis}`, words: `moment ${axis}`, kind: "moment", value: (r) => c.moments[r.index]?.[k] ?? "–", least: 1e-9 * largest(c.moments) },
      ]),
    ),
  ];
  const drawn = gauges.filter((g) => g.dimension === (gauges.find((h) => h.statement === selected) ?? gauges[0])?.dimension);
  const first = drawn[0];
  return (
    <div className="flex gap-6">
      {first && rows.length > 2 && (
        <div className="min-w-0 flex-1">
          <Graph x={rows.map((r) => r.index + 1)} curves={drawn.map((g) => ({ name: g.name, y: g.values.map((v) => (v === null ? null : shown.number(v, g.dimension))) }))} xWords="frame" yWords={`${first.words}, ${shown.unit(first.dimension)}`} label="gauges over the frames" />
        </div>
      )}
      <DataTable label="Gauges" columns={columns} rows={rows} keyOf={(r) => String(r.index)} stale={stale} onRow={(r) => set({ frame: r.index })} note={cuts.map((c) => `${c.name}: moments about ${c.about.map((v) => digits(shown.number(v, "length"))).join("; ")} ${shown.unit("length")}. `).join("")} />
    </div>
  );
}

const largest = (all: (number[] | null)[]) => Math.max(0, ...all.flatMap((v) => (v ?? []).map(Math.abs)));
