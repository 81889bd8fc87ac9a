import type { LadderFinding } from "../api/types";
import { useNote } from "../note/context";
import { ladderWords } from "../note/studies/ladder";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { Graph } from "./Graph";
import { useToldStudy } from "./useFrame";

type Row = LadderFinding["rows"][number];

/** The peak on ever finer meshes: graph over unknowns, and the numbers. */
export function LadderTable() {
  const { view, shown } = useNote();
  const { study } = useToldStudy();
  const { selected, set } = useDesk();
  const ladders = view.studies.filter((s) => s.findings?.findings.some((f) => f.kind === "ladder"));
  const state = ladders.find((s) => s.name === study) ?? ladders.find((s) => s.statement === selected) ?? ladders[0];
  const found = state?.findings?.findings.find((f): f is LadderFinding => f.kind === "ladder");
  if (!found) return <p className="text-faint">A refinement ladder solves a study on ever finer meshes: press / and write refinement ladder, then solve it.</p>;
  const columns: Column<Row>[] = [
    { key: "finer", words: "finer", kind: "text", value: (r) => Number(r.finer.toPrecision(3)).toString() },
    { key: "unknowns", words: "unknowns", kind: "count", value: (r) => r.unknowns },
    { key: "value", words: "peak", kind: found.dimension, value: (r) => r.value },
    { key: "element", words: "before averaging", kind: found.dimension, value: (r) => r.element },
    { key: "error", words: "error", kind: "share", value: (r) => r.error ?? "–" },
    { key: "seconds", words: "time, s", kind: "count", value: (r) => Number(r.seconds.toPrecision(3)) },
  ];
  const number = (v: number) => shown.number(v, found.dimension);
  const end = found.extrapolated;
  const curves = [
    { name: "averaged", y: found.rows.map((r) => number(r.value)) },
    { name: "before averaging", y: found.rows.map((r) => number(r.element)) },
    ...(end === null ? [] : [{ name: "extrapolated", y: found.rows.map(() => number(end)), flat: true }]),
  ];
  return (
    <div className={state?.state === "stale" ? "opacity-60" : ""}>
      <p className="mb-1 text-[12.5px]">
        {state?.name}: the peak of {found.words} {ladderWords(found, shown.text)}
        {found.order !== null && `, with order ${found.order.toPrecision(2)}`}.
      </p>
      <div className="flex gap-5">
        <div className="min-w-[380px] flex-1">
          <Graph log close x={found.rows.map((r) => r.unknowns)} curves={curves} xWords="unknowns" yWords={`peak, ${shown.unit(found.dimension)}`} label={`peak of ${found.words} over unknowns`} />
        </div>
        <div className="self-start">
          <DataTable label="Refinement ladder" columns={columns} rows={found.rows} keyOf={(r) => String(r.finer)} onRow={(r) => set({ spot: r.at as [number, number, number] })} />
        </div>
      </div>
    </div>
  );
}
