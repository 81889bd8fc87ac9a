import { useState } from "react";
import type { PathFinding } from "../api/types";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { CopyHead } from "./CopyHead";
import { Graph } from "./Graph";
import { useToldStudy } from "./useFrame";

/** Values along the paths of a study: a graph, and the same numbers beside it. */
export function PathsTable() {
  const { view, shown } = useNote();
  const { study, frame } = useToldStudy();
  const { selected } = useDesk();
  const state = view.studies.find((s) => s.name === study) ?? view.studies[0];
  const paths = (state?.findings?.findings ?? []).filter((f): f is PathFinding => f.kind === "path");
  const [chosen, setChosen] = useState<string | null>(null);
  const path = paths.find((p) => p.statement === (chosen ?? selected)) ?? paths.at(-1);
  if (!path) return <p className="text-faint">A path reads a field along a line: press / and write path, then solve.</p>;
  const frames = state?.findings?.summary.frames ?? [];
  const at = path.values[frame] ? frame : 0;
  const x = path.distance.map((d) => shown.number(d, "length"));
  const y = (path.values[at] ?? []).map((v) => (v === null ? null : shown.number(v, path.dimension)));
  const heads = [`along, ${shown.unit("length")}`, `${path.words}, ${shown.unit(path.dimension)}`];
  const lines = () => [heads, ...x.map((d, i) => [d, y[i] ?? ""])];
  return (
    <div className={`flex gap-6 ${state?.state === "stale" ? "opacity-60" : ""}`}>
      <div className="min-w-0 flex-1">
        <div className="mb-1 flex items-center gap-1 text-[12px]" role="radiogroup" aria-label="Paths">
          {paths.map((p) => (
            <button key={p.statement} role="radio" aria-checked={p === path} className={`rounded border px-1.5 ${p === path ? "border-amber bg-glow" : "border-rule text-faint hover:bg-glow"}`} onClick={() => setChosen(p.statement)}>
              {p.name}
            </button>
          ))}
          {frames.length > 1 && <span className="text-faint">in {frames[at]?.name}</span>}
        </div>
        {y.every((v) => v === null) ? <p className="text-amber-ink">All of it lies outside the part: give points in it, or on it.</p> : <Graph x={x} curves={[{ name: path.name, y }]} xWords={heads[0] ?? ""} yWords={heads[1] ?? ""} label={`${path.words} along ${path.name}`} />}
      </div>
      <table className="self-start text-[12.5px]" aria-label="Values along the path">
        <thead>
          <tr className="text-left text-faint">
            {heads.map((h) => (
              <th key={h} className="pr-6 font-normal">
                {h}
              </th>
            ))}
            <CopyHead rows={lines} name={path.name} />
          </tr>
        </thead>
        <tbody className="font-mono">
          {x.map((d, i) => (
            <tr key={i}>
              <td className="pr-6 text-right">{digits(d)}</td>
              <td className="pr-6 text-right">{y[i] === null || y[i] === undefined ? "outside" : digits(y[i])}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
