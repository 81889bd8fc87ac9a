import type { JoinReport } from "../api/types";
import { colourAt, css, FIELD_STOPS, gradient } from "../window/palette";
import { useNote } from "./context";

const [WIDE, HIGH, EDGE] = [190, 120, 6];

/** What was carried over, beside what it has become: points and nodes in the colours of one scale, seen from one side. */
export function CloudPictures({ found }: { found: JoinReport }) {
  const { shown } = useNote();
  const { seen, source, target } = found;
  if (!seen || !source || !target || seen.target.length === 0) return null;
  const text = (v: number) => shown.text(v, found.dimension ?? "temperature");
  const [low, high] = [Math.min(source.least, target.least), Math.max(source.greatest, target.greatest)];
  const all = [...seen.source, ...seen.target];
  const [x0, x1, y0, y1] = [Math.min(...all.map((p) => p[0])), Math.max(...all.map((p) => p[0])), Math.min(...all.map((p) => p[1])), Math.max(...all.map((p) => p[1]))];
  const scale = Math.min((WIDE - 2 * EDGE) / (x1 - x0 || 1), (HIGH - 2 * EDGE) / (y1 - y0 || 1));
  const [left, top] = [(WIDE - (x1 - x0) * scale) / 2, (HIGH - (y1 - y0) * scale) / 2];
  const picture = (words: string, dots: [number, number, number][]) => (
    <span className="inline-block">
      <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={words} className="block w-[190px] rounded bg-white/70">
        {dots.map(([x, y, v], i) => (
          <circle key={i} cx={left + (x - x0) * scale} cy={HIGH - top - (y - y0) * scale} r="1.9" fill={css(colourAt(FIELD_STOPS, (v - low) / (high - low || 1)))} />
        ))}
      </svg>
      <span className="block text-[11px] text-faint">
        {words}, {seen.axes.join(" → and ")} ↑
      </span>
    </span>
  );
  return (
    <span className="mt-1 block" data-clouds>
      <span className="flex gap-2">
        {picture("points of the file", seen.source)}
        {picture("nodes of the mesh", seen.target)}
      </span>
      <span className="mt-0.5 flex items-center gap-1.5 font-mono text-[10.5px] text-faint">
        {text(low)} <span className="h-1.5 w-28 rounded" style={{ background: gradient(FIELD_STOPS) }} /> {text(high)}
      </span>
    </span>
  );
}
