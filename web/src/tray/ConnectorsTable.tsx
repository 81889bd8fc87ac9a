import type { ConnectorInfo } from "../api/types";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { useFrame } from "./useFrame";

interface Row {
  info: ConnectorInfo;
  number: number;
  values: number[];
}

const WORDS: Record<string, string> = { joint: "joint", spring: "spring", one_way: "one-way link", spot_welds: "spot weld" };

/** Everything that joins two places or holds one: its forces along its own axes, and whether it acts. */
export function ConnectorsTable() {
  const { set } = useDesk();
  const { summary, shownFrame, stale } = useFrame();
  if (!summary?.connectors.length) return <p className="text-faint">Joints, springs, links and welds stand here once a study with them is solved.</p>;
  const forces = shownFrame?.connector_forces;
  if (!forces?.length) return <p className="text-faint">An envelope has no joints of its own: choose a case or a combination under the model.</p>;
  const rows = summary.connectors.map((info, i): Row => ({ info, number: i, values: forces[i] ?? [] }));
  const largest = Math.max(...rows.flatMap((r) => r.values.slice(0, 3).map(Math.abs)), 1e-300);
  const turning = rows.some((r) => r.info.components.some((c) => c > 2));
  const letting = rows.some((r) => r.info.way);
  const part = (k: number, words: string, kind: string): Column<Row> => ({ key: words, words, kind, value: (r) => r.values[k] ?? 0, least: (kind === "force" ? 1e-7 : 1e-9) * largest });
  const columns: Column<Row>[] = [
    { key: "joint", words: "joint", kind: "text", value: (r) => r.info.label },
    { key: "kind", words: "kind", kind: "text", value: (r) => WORDS[r.info.kind] ?? r.info.kind },
    ...(letting
      ? ([
          { key: "acts", words: "acts", kind: "text", value: (r: Row) => (!r.info.way ? "" : r.values[6] ? `${r.info.way}es`.replace("pulles", "pulls") : "let go"), alarm: (r: Row) => r.info.way !== null && !r.values[6] },
          { key: "apart", words: "stands apart", kind: "length", value: (r: Row) => r.values[7] ?? 0 },
        ] as Column<Row>[])
      : []),
    part(0, "along its axis", "force"),
    { key: "across", words: "across it", kind: "force", value: (r) => Math.hypot(r.values[1] ?? 0, r.values[2] ?? 0), least: 1e-7 * largest },
    ...(turning ? [part(3, "moment about its axis", "moment"), { key: "bending", words: "moment across it", kind: "moment", value: (r: Row) => Math.hypot(r.values[4] ?? 0, r.values[5] ?? 0), least: 1e-9 * largest }] : []),
  ];
  return (
    <DataTable
      label="Joints"
      columns={columns}
      rows={rows}
      keyOf={(r) => String(r.number)}
      stale={stale}
      onRow={(r) => set({ look: "shape", paper: false, spot: r.info.at, selected: r.info.statement })}
      note="Positive along the axis is pulling. The axis of a link or spring runs from its first side to its second; springs along components have x as their axis."
    />
  );
}
