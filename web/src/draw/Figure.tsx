import type { Of } from "../api/types";
import { useNote } from "../note/context";
import { toPixels, type Point, type Sight, type Size } from "./plane";

const TONES = ["#bcd3cc", "#e3d3a8", "#cfc7dd", "#d8c0b0", "#c2d2dd", "#d3d8b4"];

interface Props {
  sight: Sight;
  size: Size;
  statement: Of<"outline"> | Of<"line">;
  loops: Point[][];
  line: Point[];
}

/** The figure itself: filled where it is an outline, region by region where it is parted. */
export function Figure({ sight, size, statement, loops, line }: Props) {
  const { view } = useNote();
  const path = (points: Point[], closed: boolean) => `M${points.map((p) => toPixels(sight, size, p).map((c) => c.toFixed(2)).join(",")).join("L")}${closed ? "Z" : ""}`;
  if (statement.kind === "line") return <path d={path(line, false)} fill="none" stroke="#22313b" strokeWidth={2} strokeLinejoin="round" />;
  const regions = view.shape.regions[statement.name] ?? [];
  if (regions.length === 0) return <path d={loops.map((l) => path(l, true)).join("")} fill="#bcd3cc" fillOpacity={0.75} fillRule="evenodd" stroke="#22313b" strokeWidth={1.8} />;
  return (
    <>
      {regions.map((region, i) => {
        const [x, y] = toPixels(sight, size, region.at as Point);
        return (
          <g key={region.name}>
            <path d={region.loops.map((l) => path(l.points, true)).join("")} fill={TONES[i % TONES.length]} fillOpacity={0.75} fillRule="evenodd" stroke="#22313b" strokeWidth={1.6} />
            <text x={x} y={y} textAnchor="middle" className="fill-ink font-serif text-[13px]">
              {region.name}
            </text>
          </g>
        );
      })}
    </>
  );
}
