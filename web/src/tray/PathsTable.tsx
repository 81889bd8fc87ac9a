import { useState } from "react";
import type { AlongPath, PathFinding } from "../api/types";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { Graph } from "./Graph";
import { useToldStudy } from "./useFrame";

interface Row {
  number: number;
  along: number;
  values: (number | null | undefined)[];
}

/** Values along the paths of a study: a graph for each unit, and the same numbers beside them. */
export function PathsTable() {
  const { view, shown } = useNote();
  const { study, frame } = useToldStudy();
  const { selected } = useDesk();
  const state = view.studies.find((s) => s.name === study) ?? view.studies[0];
  const paths = (state?.findings?.findings ?? []).filter((f): f is PathFinding => f.kind === "path");
  const [chosen, setChosen] = useState<string | null>(null);
  const [every, setEvery] = useState(false);
  const path = paths.find((p) => p.statement === (chosen ?? selected)) ?? paths.at(-1);
  if (!path) return <p className="text-faint">A path reads fields along a line: press / and write path, then solve.</p>;
  const frames = state?.findings?.summary.frames ?? [];
  const told = every ? path.values.map((_, i) => i) : [path.values[frame] ? frame : 0];
  const fields: AlongPath[] = [path, ...path.more];
  const x = path.distance.map((d) => shown.number(d, "length"));
  const curves = fields.flatMap((field) => told.map((at) => ({ field, at, name: [fields.length > 1 ? field.words : "", told.length > 1 ? (frames[at]?.name ?? "") : ""].filter(Boolean).join(", ") || path.name })));
  const units = [...new Set(fields.map((f) => f.dimension))];
  const columns: Column<Row>[] = [
    { key: "along", words: "along", kind: "length", value: (r) => r.along },
    ...curves.map(({ field, at, name }, k): Column<Row> => ({ key: `${field.quantity} ${at}`, words: told.length > 1 || fields.length > 1 ? name : field.words, kind: field.dimension, value: (r) => r.values[k] ?? "outside" })),
  ];
  const rows: Row[] = path.distance.map((along, i) => ({ number: i, along, values: curves.map(({ field, at }) => field.values[at]?.[i]) }));
  return (
    <div className={`flex gap-6 ${state?.state === "stale" ? "opacity-60" : ""}`}>
      <div className="min-w-0 flex-1">
        <div className="mb-1 flex items-center gap-1 text-[12px]">
          <div className="flex gap-1" role="radiogroup" aria-label="Paths">
            {paths.map((p) => (
              <button key={p.statement} role="radio" aria-checked={p === path} className={`rounded border px-1.5 ${p === path ? "border-amber bg-glow" : "border-rule text-faint hover:bg-glow"}`} onClick={() => setChosen(p.statement)}>
                {p.name}
              </button>
            ))}
          </div>
          {frames.length > 1 && !every && <span className="text-faint">in {frames[told[0] ?? 0]?.name}</span>}
          {frames.length > 1 && frames.length <= MANY && (
            <button aria-pressed={every} className={`rounded border px-1.5 ${every ? "border-amber bg-glow" : "border-rule text-faint hover:bg-glow"}`} onClick={() => setEvery(!every)}>
              every frame
            </button>
          )}
        </div>
        {rows.every((r) => r.values.every((v) => v === null)) ? (
          <p className="text-amber-ink">All of it lies outside the part: give points in it, or on it.</p>
        ) : (
          units.map((unit) => {
            const here = curves.filter((c) => c.field.dimension === unit);
            const words = [...new Set(here.map((c) => c.field.words))].join(", ");
            return (
              <Graph
                key={unit}
                x={x}
                curves={here.map((c) => ({ name: c.name, y: (c.field.values[c.at] ?? []).map((v) => (v === null ? null : shown.number(v, unit))) }))}
                xWords={`along, ${shown.unit("length")}`}
                yWords={[words, shown.unit(unit)].filter(Boolean).join(", ")}
                label={`${words} along ${path.name}`}
              />
            );
          })
        )}
      </div>
      <DataTable label="Values along the path" columns={columns} rows={rows} keyOf={(r) => String(r.number)} />
    </div>
  );
}

const MANY = 8; // frames, whose curves can be told apart in one graph
