import { tenTo } from "../ui/units";

const [WIDE, HIGH, LEFT, BELOW] = [300, 190, 40, 26];
const ENOUGH = 1e-6;

/** How it converges: each increment a falling line of what is left over, one after the other, towards enough. */
export function Converging({ residuals }: { residuals: number[][] }) {
  const all = residuals.flat().filter((v) => v > 0);
  const [top, low] = [Math.ceil(Math.log10(Math.max(...all, 1))), Math.floor(Math.log10(Math.max(Math.min(...all, ENOUGH / 10), 1e-12)))];
  const count = residuals.reduce((sum, r) => sum + r.length, 0);
  const px = (i: number) => LEFT + (i / Math.max(count - 1, 1)) * (WIDE - LEFT - 8);
  const py = (v: number) => 10 + ((top - Math.log10(Math.max(v, 10 ** low))) / (top - low)) * (HIGH - BELOW - 10);
  let at = 0;
  const begun = residuals.at(-1)?.length === 1 ? residuals.at(-1)?.[0] : undefined; // no line yet
  const lines = residuals.map((r) => {
    const path = r.map((v, k) => `${k ? "L" : "M"}${px(at + k).toFixed(1)} ${py(v).toFixed(1)}`).join("");
    at += r.length;
    return path;
  });
  const decades = Array.from({ length: top - low + 1 }, (_, k) => low + k).filter((d) => (d - low) % Math.ceil((top - low) / 6) === 0);
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label="how it converges" className="w-[210px] shrink-0 self-start">
      {decades.map((d) => (
        <g key={d}>
          <line x1={LEFT} x2={WIDE - 8} y1={py(10 ** d)} y2={py(10 ** d)} stroke="#e2e0d6" />
          <text x={LEFT - 5} y={py(10 ** d) + 3.5} textAnchor="end" fontSize="10" className="fill-faint font-mono">
            {tenTo(d)}
          </text>
        </g>
      ))}
      <line x1={LEFT} x2={WIDE - 8} y1={py(ENOUGH)} y2={py(ENOUGH)} stroke="#3d7f5d" strokeDasharray="4 3" />
      <text x={WIDE - 10} y={py(ENOUGH) - 3} textAnchor="end" fontSize="10.5" className="fill-spruce">
        enough
      </text>
      {lines.map((d, i) => (
        <path key={i} d={d} fill="none" stroke="#2f7171" strokeWidth="1.2" />
      ))}
      {begun !== undefined && <circle cx={px(count - 1)} cy={py(begun)} r="2.5" fill="#2f7171" />}
      <text x={WIDE - 8} y={HIGH - 4} textAnchor="end" fontSize="11" className="fill-faint">
        iterations
      </text>
      <text x={LEFT} y={HIGH - 4} fontSize="11" className="fill-faint">
        left over
      </text>
    </svg>
  );
}
