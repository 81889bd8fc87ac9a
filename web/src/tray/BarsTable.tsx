import type { BarInfo } from "../api/types";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { useFrame } from "./useFrame";

interface Row {
  bar: BarInfo;
  number: number;
  forces: { strain: number; stress: number; force: number };
}

/** Embedded bars, element by element that they cross: strain, stress and force. */
export function BarsTable() {
  const { set } = useDesk();
  const { summary, shownFrame, stale } = useFrame();
  if (!summary?.bars.length) return <p className="text-faint">Embedded bars stand here once a study with them is solved.</p>;
  const forces = shownFrame?.bar_forces;
  if (!forces?.length) return <p className="text-faint">An envelope has no bars of its own: choose a case or a combination under the model.</p>;
  const rows = summary.bars.map((bar, i): Row => ({ bar, number: i, forces: forces[i] ?? { strain: 0, stress: 0, force: 0 } }));
  const columns: Column<Row>[] = [
    { key: "bar", words: "bars", kind: "text", value: (r) => r.bar.label },
    { key: "from", words: "from", kind: "length", value: (r) => r.bar.from },
    { key: "upto", words: "to", kind: "length", value: (r) => r.bar.upto },
    { key: "strain", words: "strain, millionths", kind: "count", value: (r) => r.forces.strain * 1e6 },
    { key: "stress", words: "stress", kind: "stress", value: (r) => r.forces.stress },
    { key: "force", words: "force of all", kind: "force", value: (r) => r.forces.force },
  ];
  return <DataTable label="Embedded bars" columns={columns} rows={rows} keyOf={(r) => String(r.number)} first="stress" stale={stale} onRow={(r) => set({ look: "shape", paper: false, spot: r.bar.at, selected: r.bar.statement })} note="Each row is what of the bars lies in one element." />;
}
