import { useState } from "react";
import { Copy } from "lucide-react";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useDesk } from "../workspace/desk";

/** Reactions of every support with their sum, beside the loads. */
export function ReactionsTable() {
  const { view, shown } = useNote();
  const { study, frame, set } = useDesk();
  const [order, setOrder] = useState<{ column: number; down: boolean } | null>(null);
  const state = view.studies.find((s) => s.name === study) ?? view.studies[0];
  const whole = state?.findings?.summary;
  if (!whole) return <p className="text-faint">The reactions stand here once a study is solved.</p>;
  const shownFrame = whole.frames[frame] ?? whole.frames[0];
  if (!shownFrame?.balance || !shownFrame.supports) return <p className="text-faint">An envelope has no reactions of its own: choose a case or a combination under the model.</p>;
  const summary = { balance: shownFrame.balance, supports: shownFrame.supports, energy: shownFrame.energy ?? null, mass: whole.mass };

  const size = (v: number[]) => Math.hypot(...v);
  const rows = summary.supports.map((s) => ({ id: s.statement, cells: [s.target, ...s.reaction, size(s.reaction)] as [string, ...number[]] }));
  if (order) {
    const sign = order.down ? -1 : 1;
    rows.sort((a, b) => {
      const [p, q] = [a.cells[order.column], b.cells[order.column]];
      return sign * (typeof p === "number" && typeof q === "number" ? p - q : String(p).localeCompare(String(q)));
    });
  }
  const unit = shown.unit("force");
  const sums: [string, number[]][] = [
    ["sum of reactions", summary.balance.reaction],
    ["sum of loads", summary.balance.load],
    ["difference", summary.balance.reaction.map((r, i) => r + (summary.balance.load[i] ?? 0))],
  ];
  /** Rounding left over from the solution is shown as the zero it stands for. */
  const scale = Math.max(...summary.balance.load.map(Math.abs), ...summary.supports.map((s) => size(s.reaction)), 1e-300);
  const force = (si: number) => (Math.abs(si) < 1e-6 * scale ? "0" : digits(shown.number(si, "force")));
  const heads = ["support", `along x, ${unit}`, `along y, ${unit}`, `along z, ${unit}`, `size, ${unit}`];

  function copy() {
    const lines = [heads, ...rows.map((r) => r.cells), ...sums.map(([name, v]) => [name, ...v, size(v)])];
    const text = lines.map((line) => line.map((c) => (typeof c === "number" ? shown.number(c, "force") : c)).join("\t")).join("\n");
    void navigator.clipboard.writeText(text);
  }

  return (
    <div className={state?.state === "stale" ? "opacity-60" : ""}>
      <table className="text-[12.5px]" aria-label="Reactions">
        <thead>
          <tr className="text-left text-faint">
            {heads.map((head, i) => (
              <th key={head} className="pr-6 font-normal" aria-sort={order?.column === i ? (order.down ? "descending" : "ascending") : "none"}>
                <button onClick={() => setOrder((o) => ({ column: i, down: o?.column === i ? !o.down : true }))}>{head}</button>
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
          {rows.map((row) => (
            <tr key={row.id} className="cursor-pointer hover:bg-glow" onClick={() => set({ selected: row.id })}>
              {row.cells.map((cell, i) => (
                <td key={i} className={`pr-6 ${i ? "text-right" : "font-serif text-[13.5px]"}`}>
                  {typeof cell === "number" ? force(cell) : cell}
                </td>
              ))}
            </tr>
          ))}
          {sums.map(([name, vector]) => (
            <tr key={name} className="border-t border-rule text-faint">
              <td className="pr-6 font-serif text-[13.5px]">{name}</td>
              {[...vector, size(vector)].map((c, i) => (
                <td key={i} className="pr-6 text-right">{force(c)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[11.5px] text-faint">
        {summary.energy !== null && <>Strain energy {shown.text(summary.energy, "moment")} · </>}
        {summary.mass !== null && <>mass {shown.text(summary.mass, "mass")} · </>}imbalance {(summary.balance.error * 100).toExponential(1)} %
      </p>
    </div>
  );
}
