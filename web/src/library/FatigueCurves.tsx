import { useFatigueCurves } from "../api/hooks";
import { Graph } from "../tray/Graph";
import { digits } from "../ui/units";

/** Curves of amplitude over cycles, each drawn. */
export function FatigueCurves({ fits }: { fits: (text: string) => boolean }) {
  const { data, error } = useFatigueCurves();
  const found = (data?.curves ?? []).filter((c) => fits(`${c.name} ${c.source}`));
  if (error) return <p role="alert" className="text-vermilion">{error.message}</p>;
  if (data && found.length === 0) return <p className="font-serif text-[16px] text-faint">No curve is called that. In a note any can be typed: a life study takes points, or a power of life.</p>;
  return (
    <ul className="grid grid-cols-2 gap-6" aria-label="Curves">
      {found.map((curve) => (
        <li key={curve.name}>
          <h2 className="font-serif text-[15px]">{curve.name}</h2>
          <Graph x={curve.points.map(([n]) => n)} curves={[{ name: curve.name, y: curve.points.map(([, s]) => s / 1e6) }]} xWords="cycles" yWords="amplitude, MPa" label={`amplitude over cycles of ${curve.name}`} log />
          <p className="text-[11.5px] text-faint">
            {curve.endurance === null ? "It endures no stress for ever." : `It endures ${digits(curve.endurance / 1e6)} MPa for ever.`} {curve.source}
          </p>
        </li>
      ))}
    </ul>
  );
}
