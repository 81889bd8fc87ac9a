import { useState } from "react";
import { digits } from "../ui/units";
import { steps } from "./steps";

const [WIDE, HIGH, LEFT, BELOW] = [560, 190, 64, 30];

interface Props {
  x: number[];
  y: (number | null)[];
  xWords: string;
  yWords: string;
  label: string;
}

/** A curve with its axes; gaps stay gaps, and the value at the pointer is told. */
export function Graph({ x, y, xWords, yWords, label }: Props) {
  const [near, setNear] = useState<number | null>(null);
  const known = y.filter((v): v is number => v !== null);
  const ys = steps(Math.min(...known, 0), Math.max(...known, 0));
  const xs = steps(Math.min(...x), Math.max(...x), 6);
  const [y0, y1] = [Math.min(...ys, ...known), Math.max(...ys, ...known)];
  const [x0, x1] = [Math.min(...x), Math.max(...x)];
  const px = (v: number) => LEFT + ((v - x0) / (x1 - x0 || 1)) * (WIDE - LEFT - 12);
  const py = (v: number) => 10 + (1 - (v - y0) / (y1 - y0 || 1)) * (HIGH - BELOW - 10);
  let pen = "M";
  const line = x
    .map((d, i) => {
      const v = y[i];
      if (v === null || v === undefined) return (pen = "M"), "";
      const text = `${pen}${px(d).toFixed(1)} ${py(v).toFixed(1)}`;
      pen = "L";
      return text;
    })
    .join("");
  function point(event: React.PointerEvent<SVGSVGElement>) {
    const box = event.currentTarget.getBoundingClientRect();
    const at = ((event.clientX - box.left) / box.width) * WIDE;
    const found = x.reduce((best, d, i) => (y[i] !== null && (best < 0 || Math.abs(px(d) - at) < Math.abs(px(x[best] as number) - at)) ? i : best), -1);
    setNear(found < 0 ? null : found);
  }
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={label} className="w-full max-w-[720px]" onPointerMove={point} onPointerLeave={() => setNear(null)}>
      {ys.map((v) => (
        <g key={v}>
          <line x1={LEFT} x2={WIDE - 12} y1={py(v)} y2={py(v)} stroke={v === 0 ? "#93a0a6" : "#e2e0d6"} />
          <text x={LEFT - 6} y={py(v) + 3.5} textAnchor="end" fontSize="10.5" className="fill-faint font-mono">
            {digits(v)}
          </text>
        </g>
      ))}
      {xs.map((v) => (
        <text key={v} x={px(v)} y={HIGH - BELOW + 12} textAnchor="middle" fontSize="10.5" className="fill-faint font-mono">
          {digits(v)}
        </text>
      ))}
      <text x={WIDE - 12} y={HIGH - 4} textAnchor="end" fontSize="11" className="fill-faint">
        {xWords}
      </text>
      <text x={LEFT} y={HIGH - 4} fontSize="11" className="fill-faint">
        {yWords}
      </text>
      <path d={line} fill="none" stroke="#2f7171" strokeWidth="1.8" />
      {near !== null && (
        <g>
          <circle cx={px(x[near] as number)} cy={py(y[near] as number)} r="3.5" fill="#e6a23c" stroke="#22313b" />
          <text x={Math.min(px(x[near] as number) + 7, WIDE - 130)} y={Math.max(py(y[near] as number) - 7, 12)} fontSize="11" className="fill-ink font-mono">
            {digits(x[near] as number)}: {digits(y[near] as number)}
          </text>
        </g>
      )}
    </svg>
  );
}
