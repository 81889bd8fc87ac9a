import type { MomentCurve } from "../api/types";
import { digits } from "../ui/units";
import { useNote } from "./context";

const [WIDE, HIGH] = [230, 104];
const INKS: Record<string, string> = { "x1": "#2f7171", "x-1": "#8fb3b3", "y1": "#b3541e" };

/** How a section bends on: moments over curvature about both of its axes. */
export function MomentCurves({ curves }: { curves: MomentCurve[] }) {
  const { shown } = useNote();
  if (curves.length === 0) return null;
  const most = Math.max(...curves.flatMap((c) => c.moments), 1e-9);
  const far = Math.max(...curves.flatMap((c) => c.curvatures), 1e-9);
  const line = (c: MomentCurve) => c.moments.map((m, i) => `${(6 + ((c.curvatures[i] ?? 0) / far) * (WIDE - 12)).toFixed(1)} ${(HIGH - 26 - (m / most) * (HIGH - 36)).toFixed(1)}`).join("L");
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label="moment over curvature" className="w-[230px]">
      <line x1="6" x2={WIDE - 6} y1={HIGH - 26} y2={HIGH - 26} stroke="#93a0a6" />
      {curves.map((c) => (
        <path key={`${c.axis}${c.sign}`} d={`M${line(c)}`} fill="none" stroke={INKS[`${c.axis}${c.sign}`]} strokeWidth="1.5" />
      ))}
      <text x="6" y={HIGH - 14} fontSize="9.5" className="fill-faint font-sans">
        moment about <tspan fill={INKS.x1}>x</tspan> up to {shown.text(Math.max(...(curves[0]?.moments ?? [0])), "moment")}, about <tspan fill={INKS.y1}>y</tspan> {shown.text(Math.max(...(curves.at(-1)?.moments ?? [0])), "moment")}
      </text>
      <text x={WIDE - 6} y={HIGH - 3} textAnchor="end" fontSize="9.5" className="fill-faint font-sans">
        over curvature, to {digits(Number(far.toPrecision(3)))} rad/m
      </text>
    </svg>
  );
}
