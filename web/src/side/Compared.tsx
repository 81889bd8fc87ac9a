import type { PathFinding } from "../api/types";
import { useNote } from "../note/context";
import { percent } from "../ui/units";
import { Graph } from "../tray/Graph";
import { figuresOf, type Figure } from "./figures";
import type { PaneData } from "./usePane";

/** The findings of all windows in one table, with the change against the first; paths of one name in one graph. */
export function Compared({ panes }: { panes: PaneData[] }) {
  const { shown } = useNote();
  const lists = panes.map((p) => figuresOf(p.study));
  const keys = [...new Map(lists.flatMap((list) => list.map((f) => [f.key, f] as const))).values()];
  const of = (list: Figure[], key: string) => list.find((f) => f.key === key);
  const paths = panes.map((p) => p.study?.findings?.findings.filter((f): f is PathFinding => f.kind === "path") ?? []);
  const [path] = (paths[0] ?? []).filter((p) => paths[1]?.some((q) => q.quantity === p.quantity && q.name === p.name && q.distance.length === p.distance.length));
  return (
    <div className="flex max-h-[34%] shrink-0 gap-8 overflow-auto border-t border-rule bg-sheet px-4 py-2">
      <table className="self-start text-[12.5px]" aria-label="Findings compared">
        <thead>
          <tr className="text-left text-faint">
            <th className="pr-6 font-normal">finding</th>
            {panes.map((p, i) => (
              <th key={i} className="pr-6 font-normal">
                {"ABCD"[i]}: {p.study?.name ?? "–"}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {keys.map((row) => {
            const base = of(lists[0] ?? [], row.key);
            return (
              <tr key={row.key}>
                <td className="pr-6 font-serif text-[13.5px]">{row.words}</td>
                {lists.map((list, i) => {
                  const found = of(list, row.key);
                  const change = i > 0 && found && base && base.value !== 0 ? found.value / base.value - 1 : null;
                  return (
                    <td key={i} className={`whitespace-nowrap pr-6 font-mono ${found?.holds === false ? "text-vermilion" : ""}`}>
                      {found ? shown.text(found.value, found.kind) : "–"}
                      {change !== null && <span className="ml-2 text-faint">{percent(change, 1)}</span>}
                    </td>
                  );
                })}
              </tr>
            );
          })}
        </tbody>
      </table>
      {path && (
        <div className="min-w-80 flex-1">
          <Graph
            x={path.distance.map((d) => shown.number(d, "length"))}
            curves={panes.flatMap((p, i) => {
              const same = paths[i]?.find((q) => q.name === path.name && q.quantity === path.quantity);
              return same ? [{ name: `${"ABCD"[i]}: ${p.study?.name ?? ""}`, y: (same.values[p.frame] ?? same.values[0] ?? []).map((v) => (v === null ? null : shown.number(v, same.dimension))) }] : [];
            })}
            xWords={`along ${path.name}, ${shown.unit("length")}`}
            yWords={`${path.words}, ${shown.unit(path.dimension)}`}
            label={`${path.words} along ${path.name}, compared`}
          />
        </div>
      )}
    </div>
  );
}
