import type { GaugeFinding, PowerFinding, ResultFrame, SectionFinding, StudyState } from "../api/types";
import { digits } from "../ui/units";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { Graph } from "./Graph";
import { useFrame } from "./useFrame";

interface Line {
  statement: string;
  name: string;
  words: string;
  unit: string;
  y: (number | null)[];
}

interface Row {
  index: number;
  name: string;
}

/** What gauges and section cuts record, frame by frame. */
export function GaugesTable() {
  const { view, shown } = useNote();
  const { selected, set } = useDesk();
  const { state, summary, stale } = useFrame();
  const findings = state?.findings?.findings ?? [];
  const gauges = findings.filter((f): f is GaugeFinding => f.kind === "gauge");
  const cuts = findings.filter((f): f is SectionFinding => f.kind === "section_cut");
  const powers = findings.filter((f): f is PowerFinding => f.kind === "radiated_power");
  if (!summary || gauges.length + cuts.length + powers.length === 0) return <p className="text-faint">A gauge records a value in every frame: press / and write gauge, or section cut, then solve.</p>;
  const rows: Row[] = summary.frames.map((f) => ({ index: f.index, name: f.name }));
  const columns: Column<Row>[] = [
    { key: "name", words: "frame", kind: "text", value: (r) => r.name },
    ...gauges.map((g): Column<Row> => ({ key: g.statement, words: `${g.name}: ${g.words}`, kind: g.dimension, value: (r) => g.values[r.index] ?? "–" })),
    ...gauges.filter((g) => g.lags).map((g): Column<Row> => ({ key: `${g.statement} lag`, words: `${g.name}: lags by, °`, kind: "count", value: (r) => (g.lags?.[r.index] === undefined ? "–" : Number(g.lags[r.index]?.toFixed(1))) })),
    ...powers.flatMap((p): Column<Row>[] => [
      { key: p.statement, words: `${p.name}: radiated power`, kind: "power", value: (r) => p.values[r.index] ?? "–" },
      { key: `${p.statement} db`, words: `dB re 10⁻¹² W`, kind: "count", value: (r) => (p.decibels[r.index] === undefined ? "–" : Number(p.decibels[r.index]?.toFixed(1))) },
      ...p.faces.map((f): Column<Row> => ({ key: `${p.statement} ${f.name}`, words: f.name, kind: "power", value: (r) => f.values[r.index] ?? "–" })),
    ]),
    ...cuts.flatMap((c) =>
      (["x", "y", "z"] as const).flatMap((axis, k): Column<Row>[] => [
        { key: `${c.statement} f${axis}`, words: `${c.name}: force ${axis}`, kind: "force", value: (r) => c.forces[r.index]?.[k] ?? "–", least: 1e-9 * largest(c.forces) },
        { key: `${c.statement} m${axis}`, words: `moment ${axis}`, kind: "moment", value: (r) => c.moments[r.index]?.[k] ?? "–", least: 1e-9 * largest(c.moments) },
      ]),
    ),
  ];
  const axis = summary.frames[0]?.unit ?? "";
  const swept = axis === "frequency" || axis === "time";
  const lines: Line[] = [
    ...gauges.map((g) => ({ statement: g.statement, name: g.name, words: g.words, unit: shown.unit(g.dimension), y: g.values.map((v) => (v === null ? null : shown.number(v, g.dimension))) })),
    ...powers.map((p) => ({ statement: p.statement, name: p.name, words: "radiated power", unit: "dB re 10⁻¹² W", y: p.decibels })),
  ];
  const hertz = (f: ResultFrame) => shown.number(f.value ?? 0, axis);
  const others = swept ? view.studies.flatMap((s) => (s === state ? [] : overlaid(s, axis))) : [];
  const first = lines.find((l) => l.statement === selected) ?? lines[0];
  const drawn = lines.filter((l) => l.unit === first?.unit);
  const dimension = gauges.find((g) => g.statement === first?.statement)?.dimension;
  // An envelope has no place on the axis of frequencies.
  const along = swept ? rows.filter((r) => summary.frames[r.index]?.kind !== "envelope") : rows;
  return (
    <div className="flex gap-6">
      {first && along.length > 2 && (
        <div className="min-w-[440px] flex-1">
          <Graph
            x={along.map((r) => (swept ? hertz(summary.frames[r.index] as ResultFrame) : r.index + 1))}
            curves={[
              ...drawn.map((l) => ({ name: l.name, y: along.map((r) => l.y[r.index] ?? null) })),
              ...others.filter((o) => o.gauge.dimension === dimension).map((o) => ({ name: o.gauge.name, x: o.frames.map(hertz), y: o.frames.map((f) => (o.gauge.values[f.index] === null ? null : shown.number(o.gauge.values[f.index] ?? 0, o.gauge.dimension))) })),
            ]}
            xWords={swept ? `${axis}, ${shown.unit(axis)}` : "frame"}
            yWords={`${first.words}, ${first.unit}`}
            label="gauges over the frames"
            close={first.unit.startsWith("dB")}
            onChoose={(i) => set({ frame: along[i]?.index ?? 0 })}
          />
        </div>
      )}
      <div className="min-w-0 flex-1 overflow-x-auto">
        <DataTable label="Gauges" columns={columns} rows={rows} keyOf={(r) => String(r.index)} stale={stale} onRow={(r) => set({ frame: r.index })} note={cuts.map((c) => `${c.name}: moments about ${c.about.map((v) => digits(shown.number(v, "length"))).join("; ")} ${shown.unit("length")}. `).join("")} />
      </div>
    </div>
  );
}

/** Gauges of another study that sweeps frequencies too, for the same graph. */
function overlaid(study: StudyState, axis: string) {
  const frames = study.findings?.summary.frames.filter((f) => f.unit === axis) ?? [];
  return frames.length ? (study.findings?.findings ?? []).filter((f): f is GaugeFinding => f.kind === "gauge").map((gauge) => ({ gauge, frames })) : [];
}

const largest = (all: (number[] | null)[]) => Math.max(0, ...all.flatMap((v) => (v ?? []).map(Math.abs)));
