import { useRef, useState } from "react";
import { digits } from "../ui/units";
import { SaveGraph } from "./SaveGraph";
import { decades, steps } from "./steps";

const [WIDE, HIGH, LEFT, BELOW] = [560, 190, 64, 30];
const INKS = ["#2f7171", "#b3541e", "#5b6f9e", "#8a6d1f", "#7a4b78"];

export interface Curve {
  name: string;
  y: (number | null)[];
  /** A value that it tends to, or is read against. */
  flat?: boolean;
  /** Values alone, which no line joins. */
  dots?: boolean;
  /** Where its values lie, if not where those of the graph do. */
  x?: number[];
}

interface Props {
  x: number[];
  curves: Curve[];
  xWords: string;
  yWords: string;
  label: string;
  /** Decades along x. */
  log?: boolean;
  /** The y axis need not begin at zero. */
  close?: boolean;
  /** A click chooses the point that is nearest. */
  onChoose?: (index: number) => void;
}

/** Curves over one axis; gaps stay gaps, and the values at the pointer are told. */
export function Graph({ x: own, curves, xWords, yWords, label, log = false, close = false, onChoose }: Props) {
  const [near, setNear] = useState<number | null>(null);
  const picture = useRef<SVGSVGElement>(null);
  const x = [...own, ...curves.flatMap((c) => c.x ?? [])];
  const along = (c: Curve) => c.x ?? own;
  const known = curves.flatMap((c) => c.y).filter((v): v is number => v !== null);
  const zero = close ? [] : [0];
  const ys = steps(Math.min(...known, ...zero), Math.max(...known, ...zero));
  const scale = log ? Math.log10 : (v: number) => v;
  const xs = log ? decades(Math.min(...x), Math.max(...x)) : steps(Math.min(...x), Math.max(...x), 6);
  const [y0, y1] = [Math.min(...ys, ...known), Math.max(...ys, ...known)];
  const [x0, x1] = [scale(Math.min(...x)), scale(Math.max(...x))];
  const px = (v: number) => LEFT + ((scale(v) - x0) / (x1 - x0 || 1)) * (WIDE - LEFT - 12);
  const py = (v: number) => 10 + (1 - (v - y0) / (y1 - y0 || 1)) * (HIGH - BELOW - 10);
  function drawn(curve: Curve) {
    let pen = "M";
    return along(curve)
      .map((d, i) => {
        const v = curve.y[i];
        if (v === null || v === undefined) return (pen = "M"), "";
        const text = `${pen}${px(d).toFixed(1)} ${py(v).toFixed(1)}`;
        pen = "L";
        return text;
      })
      .join("");
  }
  function point(event: React.PointerEvent<SVGSVGElement>) {
    const box = event.currentTarget.getBoundingClientRect();
    const at = ((event.clientX - box.left) / box.width) * WIDE;
    const there = (i: number) => curves.some((c) => !c.x && typeof c.y[i] === "number");
    const found = own.reduce((best, d, i) => (there(i) && (best < 0 || Math.abs(px(d) - at) < Math.abs(px(own[best] as number) - at)) ? i : best), -1);
    setNear(found < 0 ? null : found);
  }
  const lines = () => [[xWords, ...curves.filter((c) => !c.x).map((c) => c.name)], ...own.map((d, i) => [d, ...curves.filter((c) => !c.x).map((c) => c.y[i] ?? "")])];
  return (
    <figure className="group relative max-w-[720px]">
      <SaveGraph name={label} picture={picture} rows={lines} />
    <svg ref={picture} viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={label} className={`w-full ${onChoose ? "cursor-pointer" : ""}`} onClick={() => near !== null && onChoose?.(near)} onPointerMove={point} onPointerLeave={() => setNear(null)}>
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
      {curves.map((c, k) => !c.dots && (
        <path key={c.name} d={drawn(c)} fill="none" stroke={INKS[k % INKS.length]} strokeWidth={c.flat ? 1 : 1.8} strokeDasharray={c.flat ? "4 4" : undefined} />
      ))}
      {curves.length > 1 &&
        curves.map((c, k) => (
          <text key={c.name} x={WIDE - 14} y={HIGH - BELOW - 8 - 13 * (curves.length - 1 - k)} textAnchor="end" fontSize="11" fill={INKS[k % INKS.length]}>
            {c.name}
          </text>
        ))}
      {curves.map((c, k) => (c.y.length < 12 || c.dots) && !c.flat && along(c).map((d, i) => typeof c.y[i] === "number" && <circle key={`${c.name} ${i}`} cx={px(d)} cy={py(c.y[i] as number)} r="2.6" fill={INKS[k % INKS.length]} />))}
      {near !== null &&
        curves.map((c, k) => {
          const v = c.y[near];
          if (typeof v !== "number" || c.flat || c.x) return null;
          const at = px(own[near] as number);
          return (
            <g key={c.name}>
              <circle cx={at} cy={py(v)} r="3.5" fill="#e6a23c" stroke="#22313b" />
              <text x={Math.min(at + 7, WIDE - 130)} y={Math.max(py(v) - 7 + k * 13, 12)} fontSize="11" className="fill-ink font-mono">
                {digits(own[near] as number)}: {digits(v)}
              </text>
            </g>
          );
        })}
    </svg>
    </figure>
  );
}
