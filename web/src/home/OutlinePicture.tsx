import { useModel } from "../api/hooks";

/** The outlines of a model's bodies, drawn to scale. */
export function OutlinePicture({ id }: { id: string }) {
  const { data } = useModel(id);
  const loops = data ? data.shape.bodies.flatMap((body) => data.shape.outlines[body.outline] ?? []) : [];
  const points = loops.flatMap((loop) => loop.points);
  if (points.length === 0) return <div className="grid h-36 place-items-center bg-sheet text-[12px] text-faint">{data ? "no shape yet" : ""}</div>;
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => -p[1]);
  const [x, y] = [Math.min(...xs), Math.min(...ys)];
  const [w, h] = [Math.max(...xs) - x, Math.max(...ys) - y];
  const pad = Math.max(w, h) * 0.08;
  const path = loops.map((loop) => `M${loop.points.map((p) => `${p[0]},${-p[1]}`).join("L")}Z`).join("");
  return (
    <svg className="h-36 w-full bg-gradient-to-b from-[#eef0ec] to-[#dde1dc]" viewBox={`${x - pad} ${y - pad} ${w + 2 * pad} ${h + 2 * pad}`} role="img" aria-label="outline of the part">
      <path d={path} fillRule="evenodd" fill="#5d8f8a" stroke="#22313b" strokeWidth={1.4} vectorEffect="non-scaling-stroke" />
    </svg>
  );
}
