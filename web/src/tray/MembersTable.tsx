import { useState } from "react";
import { Copy } from "lucide-react";
import type { MemberRow } from "../api/types";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useDesk } from "../workspace/desk";

const FORCES = ["N", "V2", "V3", "T", "M2", "M3"] as const;
type Force = (typeof FORCES)[number];
const KIND: Record<Force, "force" | "moment"> = { N: "force", V2: "force", V3: "force", T: "moment", M2: "moment", M3: "moment" };
const SHOWN = 400;

/** Of the values along a member the one that is largest in size. */
const largest = (row: MemberRow, force: Force) => (Math.abs(row.forces[force].least) > Math.abs(row.forces[force].greatest) ? row.forces[force].least : row.forces[force].greatest);

/** The members of a frame with their forces and stress, the most stressed first; a row lights its member. */
export function MembersTable() {
  const { view, shown } = useNote();
  const { study, frame, set } = useDesk();
  const [order, setOrder] = useState<{ column: "name" | "stress" | Force; down: boolean }>({ column: "stress", down: true });
  const state = view.studies.find((s) => s.name === study) ?? view.studies[0];
  const frames = state?.findings?.summary.frames ?? [];
  const rows = (frames[frame] ?? frames[0])?.members;
  if (!rows) return <p className="text-faint">An envelope has no members of its own: choose a case or a combination under the model.</p>;
  const value = (row: MemberRow) => (order.column === "name" ? row.name : order.column === "stress" ? row.stress : Math.abs(largest(row, order.column)));
  const sorted = [...rows].sort((a, b) => {
    const [p, q] = [value(a), value(b)];
    return (order.down ? -1 : 1) * (typeof p === "number" && typeof q === "number" ? p - q : String(p).localeCompare(String(q), undefined, { numeric: true }));
  });
  /** What rounding left over is shown as the zero it stands for. */
  const scale = (force: Force) => Math.max(...rows.map((r) => Math.abs(largest(r, KIND[force] === "force" ? "N" : "M3"))), ...rows.map((r) => Math.abs(largest(r, force))), 1e-300);
  const scales = Object.fromEntries(FORCES.map((f) => [f, scale(f)]));
  const text = (row: MemberRow, force: Force) => (Math.abs(largest(row, force)) < 1e-6 * (scales[force] ?? 1) ? "0" : digits(shown.number(largest(row, force), KIND[force])));
  const heads: ["name" | "stress" | Force, string][] = [["name", "member"], ...FORCES.map((f): [Force, string] => [f, `${f}, ${shown.unit(KIND[f])}`]), ["stress", `stress, ${shown.unit("stress")}`]];

  function copy() {
    const lines = [heads.map(([, words]) => words), ...sorted.map((row) => [row.name, ...FORCES.map((f) => shown.number(largest(row, f), KIND[f])), shown.number(row.stress, "stress")])];
    void navigator.clipboard.writeText(lines.map((line) => line.join("\t")).join("\n"));
  }

  return (
    <div className={state?.state === "stale" ? "opacity-60" : ""}>
      <table className="text-[12.5px]" aria-label="Members">
        <thead>
          <tr className="text-left text-faint">
            {heads.map(([column, words]) => (
              <th key={column} className="pr-6 font-normal" aria-sort={order.column === column ? (order.down ? "descending" : "ascending") : "none"}>
                <button onClick={() => setOrder((o) => ({ column, down: o.column === column ? !o.down : column !== "name" }))}>{words}</button>
              </th>
            ))}
            <th>
              <button className="flex items-center gap-1 rounded px-1 hover:bg-glow" onClick={copy}>
                <Copy className="size-3" /> copy
              </button>
            </th>
          </tr>
        </thead>
        <tbody className="font-mono">
          {sorted.slice(0, SHOWN).map((row) => (
            <tr key={`${row.body} ${row.name}`} className="cursor-pointer hover:bg-glow" onMouseEnter={() => set({ lit: [[row.body, row.name]] })} onMouseLeave={() => set({ lit: [] })} onClick={() => set({ chosen: [[row.body, row.name]], look: "shape" })}>
              <td className="pr-6 font-serif text-[13.5px]">{row.name}</td>
              {FORCES.map((force) => (
                <td key={force} className="pr-6 text-right" title={`start ${shown.text(row.forces[force].start, KIND[force])}, end ${shown.text(row.forces[force].finish, KIND[force])}`}>
                  {text(row, force)}
                </td>
              ))}
              <td className="pr-6 text-right">{digits(shown.number(row.stress, "stress"))}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[11.5px] text-faint">
        The value largest in size along each member; 2 and 3 are the principal axes of its section.
        {rows.length > SHOWN && ` The first ${SHOWN} of ${digits(rows.length)} are shown; all are copied.`}
      </p>
    </div>
  );
}
