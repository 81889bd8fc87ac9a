import { Graph } from "../../tray/Graph";
import { digits } from "../../ui/units";
import { PanelChip } from "../chips";
import { useNote } from "../context";

const short = (value: number) => digits(Number(value.toPrecision(3)));

/** How damping by mass and stiffness goes over frequency: what is damped more, and less, than the two ratios that were given. */
export function DampingCurve({ study }: { study: string }) {
  const { view } = useNote();
  const curve = view.dampings[study];
  if (!curve) return null;
  return (
    <>
      {" "}
      <PanelChip label="damping curve" text="curve" width="w-[620px]">
        {() => (
          <>
            <Graph
              x={curve.frequencies}
              log
              curves={[
                { name: "mass and stiffness", y: curve.ratios.map((r) => r * 100) },
                { name: "given", x: curve.ends.map(([f]) => f), y: curve.ends.map(([, r]) => r * 100), flat: true },
              ]}
              xWords="frequency, Hz"
              yWords="damping ratio, %"
              label="Damping over frequency"
            />
            <p className="mt-1 text-[12px] text-faint">
              α = {short(curve.mass)} 1/s by mass, β = {short(curve.stiffness)} s by stiffness.
            </p>
          </>
        )}
      </PanelChip>
    </>
  );
}
