import type { LoadTotal } from "../api/types";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { useFrame } from "./useFrame";

interface Row {
  key: string;
  statement: string | null;
  words: string;
  force: number[];
}

const AXES = ["x", "y", "z"];
const size = (v: number[]) => Math.hypot(...v);

/** A name, three components and their size; rounding left over is shown as the zero it stands for. */
function columns<R extends { force: number[] }>(head: string, words: (r: R) => string, least: number): Column<R>[] {
  return [
    { key: "name", words: head, kind: "text", value: words },
    ...AXES.map((axis, k): Column<R> => ({ key: axis, words: `along ${axis}`, kind: "force", value: (r) => r.force[k] ?? 0, least })),
    { key: "size", words: "size", kind: "force", value: (r) => size(r.force), least },
  ];
}

/** Reactions of every support with their sum, beside the loads. */
export function ReactionsTable() {
  const { shown } = useNote();
  const { set } = useDesk();
  const { summary, shownFrame, stale } = useFrame();
  if (!summary) return <p className="text-faint">The reactions stand here once a study is solved.</p>;
  if (!shownFrame?.balance || !shownFrame.supports) return <p className="text-faint">No reactions here: an envelope, shapes, sweeps and lives have none of their own. Choose a case or a combination of a static study.</p>;
  const { balance, supports, energy } = shownFrame;
  const largest = Math.max(balance.size * 1e-3, ...balance.load.map(Math.abs), ...supports.map((s) => size(s.reaction)), 1e-300);
  const rows = supports.map((s): Row => ({ key: s.statement, statement: s.statement, words: s.target, force: s.reaction }));
  const sum = (words: string, force: number[]): Row => ({ key: words, statement: null, words, force });
  const sums = [sum("sum of reactions", balance.reaction), sum("sum of loads", balance.load), sum("difference", balance.reaction.map((r, i) => r + (balance.load[i] ?? 0)))];
  const moment = (load: LoadTotal) => load.moment.map((c) => digits(shown.number(Math.abs(c) < 1e-9 * size(load.moment) ? 0 : c, "moment"))).join("; ");
  const loads: Column<LoadTotal>[] = [...columns<LoadTotal>("load", (r) => (r.case ? `${r.label} in ${r.case}` : r.label), 1e-9 * Math.max(...summary.loads.map((l) => size(l.force)), balance.size)), { key: "moment", words: `moment about the origin, ${shown.unit("moment")}`, kind: "text", value: moment }];
  return (
    <>
      <DataTable label="Reactions" columns={columns<Row>("support", (r) => r.words, 1e-6 * largest)} rows={rows} keyOf={(r) => r.key} stale={stale} below={sums} onRow={(r) => set({ selected: r.statement })} />
      {summary.loads.length > 0 && <DataTable label="Loads" columns={loads} rows={summary.loads} keyOf={(r) => `${r.statement} ${r.case}`} stale={stale} onRow={(r) => set({ selected: r.statement })} />}
      <p className="mt-1 text-[11.5px] text-faint">
        {energy !== null && energy !== undefined && <>Strain energy {shown.text(energy, "moment")} · </>}
        {summary.mass !== null && <>mass {shown.text(summary.mass, "mass")} · </>}imbalance {(balance.error * 100).toExponential(1)} %
      </p>
    </>
  );
}
