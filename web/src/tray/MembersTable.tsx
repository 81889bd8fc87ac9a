import type { MemberRow } from "../api/types";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { MemberUseTable } from "./MemberUseTable";
import { useFrame } from "./useFrame";

const FORCES = ["N", "V2", "V3", "T", "M2", "M3"] as const;
type Force = (typeof FORCES)[number];
const KIND: Record<Force, "force" | "moment"> = { N: "force", V2: "force", V3: "force", T: "moment", M2: "moment", M3: "moment" };

/** Of the values along a member the one that is largest in size. */
const largest = (row: MemberRow, force: Force) => (Math.abs(row.forces[force].least) > Math.abs(row.forces[force].greatest) ? row.forces[force].least : row.forces[force].greatest);

/** The members of a frame with their forces and stress, the most stressed first; a row lights its member. */
export function MembersTable() {
  const { shown } = useNote();
  const { set } = useDesk();
  const { shownFrame, stale } = useFrame();
  const rows = shownFrame?.members;
  if (!rows)
    return (
      <>
        <MemberUseTable />
        <p className="text-faint">An envelope has no members of its own: choose a case or a combination under the model.</p>
      </>
    );
  /** What rounding left over is shown as the zero it stands for. */
  const least = (force: Force) => 1e-6 * Math.max(...rows.map((r) => Math.abs(largest(r, KIND[force] === "force" ? "N" : "M3"))), ...rows.map((r) => Math.abs(largest(r, force))), 1e-300);
  const columns: Column<MemberRow>[] = [
    { key: "name", words: "member", kind: "text", value: (r) => r.name },
    ...FORCES.map((force): Column<MemberRow> => {
      const zero = least(force);
      const ends = (r: MemberRow) => `start ${shown.text(r.forces[force].start, KIND[force])}, end ${shown.text(r.forces[force].finish, KIND[force])}`;
      return { key: force, words: force, kind: KIND[force], value: (r) => largest(r, force), least: zero, title: ends };
    }),
    { key: "stress", words: "stress", kind: "stress", value: (r) => r.stress },
  ];
  return (
    <>
      <MemberUseTable />
      <DataTable
        label="Members"
        columns={columns}
        rows={rows}
        keyOf={(r) => `${r.body} ${r.name}`}
        first="stress"
        stale={stale}
        onRow={(r) => set({ chosen: [[r.body, r.name]], look: "shape" })}
        onHover={(r) => set({ lit: r ? [[r.body, r.name]] : [] })}
        note="The value largest in size along each member; 2 and 3 are the principal axes of its section."
      />
    </>
  );
}
