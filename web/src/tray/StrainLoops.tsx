import type { LifeFinding } from "../api/types";
import { useNote } from "../note/context";
import { digits } from "../ui/units";

const [WIDE, HIGH] = [400, 250];
const [LEFT, RIGHT, TOP, FOOT] = [58, 10, 8, 34];

/** Stress over strain at the worst point, branch after branch: the way up from rest dashed, then the loops that close; as a study found them, straight from step to step. */
export function StrainLoops({ found }: { found: LifeFinding }) {
  const { shown } = useNote();
  const { course } = found;
  if (!course || course.length < 2) return null;
  const rises = (i: number) => i === 0 && !found.as_found;
  const strains = course.flatMap(([e]) => e.map((v) => v * 100));
  const stresses = course.flatMap(([, s]) => s.map((v) => shown.number(v, "stress")));
  const [x0, x1] = wide(strains);
  const [y0, y1] = wide(stresses);
  const x = (v: number) => LEFT + ((v - x0) / (x1 - x0)) * (WIDE - LEFT - RIGHT);
  const y = (v: number) => HIGH - FOOT - ((v - y0) / (y1 - y0)) * (HIGH - FOOT - TOP);
  const way = ([e, s]: [number[], number[]]) => `M${e.map((v, i) => `${x(v * 100).toFixed(1)} ${y(shown.number(s[i] ?? 0, "stress")).toFixed(1)}`).join("L")}`;
  const text = (v: number) => digits(Number(v.toPrecision(3)));
  return (
    <div className="min-w-[380px] flex-1">
      <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label="stress over strain" className="w-full max-w-[460px]">
        {[y0, 0, y1].map((v) => (
          <g key={v}>
            <line x1={LEFT} x2={WIDE - RIGHT} y1={y(v)} y2={y(v)} stroke={v === 0 ? "#93a0a6" : "#d9dedc"} />
            <text x={LEFT - 5} y={y(v) + 3.5} textAnchor="end" fontSize="10" className="fill-faint font-mono">
              {text(v)}
            </text>
          </g>
        ))}
        {[x0, 0, x1].map((v) => (
          <g key={v}>
            <line x1={x(v)} x2={x(v)} y1={TOP} y2={HIGH - FOOT} stroke={v === 0 ? "#93a0a6" : "#d9dedc"} />
            <text x={x(v)} y={HIGH - FOOT + 12} textAnchor="middle" fontSize="10" className="fill-faint font-mono">
              {text(v)}
            </text>
          </g>
        ))}
        {course.map((branch, i) => (
          <path key={i} d={way(branch)} fill="none" stroke={rises(i) ? "#93a0a6" : "#2f7171"} strokeWidth={rises(i) ? 1.2 : 1.5} strokeDasharray={rises(i) ? "4 3" : undefined} />
        ))}
        <text x={WIDE - RIGHT} y={HIGH - 6} textAnchor="end" fontSize="10.5" className="fill-faint">
          strain, %
        </text>
        <text x={LEFT} y={HIGH - 6} fontSize="10.5" className="fill-faint">
          stress, {shown.unit("stress")}
        </text>
      </svg>
    </div>
  );
}

/** The ends of an axis that holds all values, and none. */
function wide(values: number[]): [number, number] {
  const [low, high] = [Math.min(0, ...values), Math.max(0, ...values)];
  const room = (high - low || 1) * 0.05;
  return [low < 0 ? low - room : low, high > 0 ? high + room : high];
}
