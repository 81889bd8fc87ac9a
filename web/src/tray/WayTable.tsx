import { useState } from "react";
import type { CollapseFinding, GaugeFinding } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { Converging } from "./Converging";
import { DataTable, type Column } from "./DataTable";
import { Graph } from "./Graph";
import { useFrame } from "./useFrame";

interface Row {
  index: number;
  factor: number;
  moved: number;
  iterations: number;
}

/** The load over how far the part moves, and how each increment came to rest. */
export function WayTable() {
  const { view, shown } = useNote();
  const { set } = useDesk();
  const [by, setBy] = useState("");
  const { state, stale } = useFrame();
  const own = (s: typeof state) => s?.findings?.findings.find((f): f is CollapseFinding => f.kind === "collapse");
  const found = own(state);
  if (!found) return <p className="text-faint">A collapse study lets loads grow until the part gives way: press / and write collapse, solve it, and choose it above the model.</p>;
  const gauges = (state?.findings?.findings ?? []).filter((f): f is GaugeFinding => f.kind === "gauge");
  const gauge = gauges.find((g) => g.statement === by);
  // Drawn the way it goes.
  const ahead = (c: CollapseFinding["curve"]) => ((c.moved.at(-1) ?? 0) < 0 ? c.moved.map((v) => -v) : c.moved);
  const moved = ahead(found.curve);
  const rows: Row[] = found.residuals.map((r, i) => ({ index: i, factor: found.curve.factors[i + 1] ?? 0, moved: (gauge ? gauge.values[i] : moved[i + 1]) ?? 0, iterations: r.length }));
  const dimension = gauge?.dimension ?? "length";
  const words = gauge ? gauge.name : `movement along ${moved === found.curve.moved ? "" : "−"}${found.curve.component} where it is greatest`;
  const columns: Column<Row>[] = [
    { key: "index", words: "increment", kind: "count", value: (r) => r.index + 1 },
    { key: "factor", words: "load factor", kind: "count", value: (r) => Number(r.factor.toPrecision(4)) },
    ...found.loads.map((l): Column<Row> => ({ key: l.label, words: l.label, kind: l.dimension, value: (r) => l.size * r.factor })),
    { key: "moved", words: gauge ? words : "moves by", kind: dimension, value: (r) => r.moved },
    { key: "iterations", words: "iterations", kind: "count", value: (r) => r.iterations },
  ];
  const x = gauge ? [0, ...rows.map((r) => r.moved)] : moved;
  // Studies of the same kind beside it, as before and after.
  const others = gauge ? [] : view.studies.flatMap((s) => (s !== state && own(s) ? [{ name: s.name, found: own(s) as CollapseFinding }] : []));
  const length = (v: number) => shown.number(v, dimension);
  return (
    <div className={`flex gap-4 ${stale ? "opacity-60" : ""}`}>
      <div className="min-w-[330px] flex-1">
        {gauges.length > 0 && (
          <p className="text-[12px]">
            over <ChoiceChip label="over" value={by} options={[["", "the movement where it is greatest"], ...gauges.map((g) => [g.statement, g.name] as const)] as readonly (readonly [string, string])[]} onChoose={setBy} />
          </p>
        )}
        <Graph
          x={x.map(length)}
          curves={[{ name: state?.name ?? "", y: found.curve.factors }, ...others.map((o) => ({ name: o.name, x: ahead(o.found.curve).map(length), y: o.found.curve.factors })), ...(found.factor === null && !found.soft ? [] : [{ name: found.factor === null ? "goes soft" : "gives way", y: found.curve.factors.map(() => found.bears), flat: true }])]}
          xWords={`${words}, ${shown.unit(dimension)}`}
          yWords="load factor"
          label="load factor over movement"
          onChoose={(i) => set({ frame: Math.max(i - 1, 0) })}
        />
      </div>
      <Converging residuals={found.residuals} />
      <div className="self-start">
        <DataTable label="Increments" columns={columns} rows={rows} keyOf={(r) => String(r.index)} onRow={(r) => set({ frame: r.index })} />
      </div>
    </div>
  );
}
