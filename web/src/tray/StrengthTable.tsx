import type { StrengthFinding } from "../api/types";
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

const COLUMNS: Column<Row>[] = [
  { key: "factor", words: "strength over", kind: "count", value: (r) => Number(r.factor.toPrecision(5)) },
  { key: "moved", words: "moves by", kind: "length", value: (r) => r.moved },
  { key: "iterations", words: "iterations", kind: "count", value: (r) => r.iterations },
];

/** The factor over how far the ground moves. */
export function StrengthTable() {
  const { shown } = useNote();
  const { set } = useDesk();
  const { state, stale } = useFrame();
  const found = state?.findings?.findings.find((f): f is StrengthFinding => f.kind === "strength");
  if (!found) return <p className="text-faint">A strength reduction finds how many times less the ground may bear: press / and write strength reduction, solve it, and choose it above the model.</p>;
  const rows = found.factors.map((factor, index) => ({ index, factor, moved: found.moved[index] ?? 0, iterations: found.residuals[index]?.length ?? 0 }));
  const x = [0, ...found.moved].map((v) => shown.number(v, "length"));
  const flat = found.slides;
  return (
    <div className={`flex gap-4 ${stale ? "opacity-60" : ""}`}>
      <div className="min-w-[330px] flex-1">
        <Graph x={x} curves={[{ name: state?.name ?? "", y: [1, ...found.factors] }, ...(flat === null ? [] : [{ name: "slides", y: x.map(() => flat), flat: true }])]} xWords={`greatest movement, ${shown.unit("length")}`} yWords="strength over" label="factor over movement" close onChoose={(i) => set({ frame: Math.max(i - 1, 0) })} />
      </div>
      <DataTable label="Strength reduced" columns={COLUMNS} rows={rows} keyOf={(r) => String(r.index)} onRow={(r) => set({ frame: r.index })} />
      <Converging residuals={found.residuals} />
    </div>
  );
}
