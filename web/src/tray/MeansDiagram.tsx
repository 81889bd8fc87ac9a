import type { LifeFinding } from "../api/types";
import { useNote } from "../note/context";
import { MEANS } from "../note/studies/life";
import { digits } from "../ui/units";
import { Graph } from "./Graph";

/** What amplitude is borne over its mean, for one life, and the loops at the worst point in it. */
export function MeansDiagram({ found }: { found: LifeFinding }) {
  const { shown } = useNote();
  const { diagram } = found;
  if (!diagram) return null;
  const stress = (v: number) => shown.number(v, "stress");
  const loops = [...found.loops].sort((a, b) => a.mean - b.mean);
  return (
    <div className="min-w-[380px] flex-1">
      <Graph
        x={diagram.line.map(([mean]) => stress(mean))}
        curves={[
          { name: `${MEANS.find(([rule]) => rule === found.rule)?.[1] ?? found.rule}, ${digits(Number(diagram.life.toPrecision(3)))} cycles`, y: diagram.line.map(([, amplitude]) => stress(amplitude)) },
          { name: "loops of the worst point", x: loops.map((l) => stress(l.mean)), y: loops.map((l) => stress(l.amplitude)), dots: true },
        ]}
        xWords={`mean, ${shown.unit("stress")}`}
        yWords={`amplitude, ${shown.unit("stress")}`}
        label="amplitude over mean"
      />
    </div>
  );
}
