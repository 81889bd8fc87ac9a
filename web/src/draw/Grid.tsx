import { toPixels, toPlane, type Sight, type Size } from "./plane";

/** Fine lines a step apart, a stronger one every fifth, and the two axes. */
export function Grid({ sight, size, step }: { sight: Sight; size: Size; step: number }) {
  const [x0, y1] = toPlane(sight, size, [0, 0]);
  const [x1, y0] = toPlane(sight, size, [size.width, size.height]);
  const range = (low: number, high: number) => Array.from({ length: Math.min(Math.floor(high / step) - Math.ceil(low / step) + 1, 400) }, (_, i) => Math.ceil(low / step) + i);
  const tone = (n: number) => (n === 0 ? "#b59a63" : n % 5 === 0 ? "#ded5c0" : "#eee8da");
  return (
    <g shapeRendering="crispEdges">
      {range(x0, x1).map((n) => {
        const [x] = toPixels(sight, size, [n * step, 0]);
        return <line key={`x${n}`} x1={x} x2={x} y1={0} y2={size.height} stroke={tone(n)} />;
      })}
      {range(y0, y1).map((n) => {
        const [, y] = toPixels(sight, size, [0, n * step]);
        return <line key={`y${n}`} x1={0} x2={size.width} y1={y} y2={y} stroke={tone(n)} />;
      })}
    </g>
  );
}
