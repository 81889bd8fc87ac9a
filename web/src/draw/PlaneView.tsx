import { useEffect, useMemo, useRef, useState, type PointerEvent } from "react";
import { Box, Maximize2, PenLine } from "lucide-react";
import type { Of } from "../api/types";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { Corners } from "./Corners";
import { Dimensions } from "./Dimensions";
import { Figure } from "./Figure";
import { Grid } from "./Grid";
import { fitted, gridStep, snap, toPixels, toPlane, zoomed, type Point, type Sight, type Size, type Snapped } from "./plane";
import { Sketch } from "./Sketch";
import type { Sketched } from "./sketched";
import { useLengths } from "./useLengths";

const NEAR = 8; // pixels within which a corner's x or y is taken over

/** An outline or line on paper: a grid, its corners, its dimensions; drawn by pointer or by typed values. */
export function PlaneView({ statement }: { statement: Of<"outline"> | Of<"line"> }) {
  const { view } = useNote();
  const { set } = useDesk();
  const { unit, factor, write } = useLengths();
  const [frame, size] = useSize();
  const loops = useMemo(() => view.shape.outlines[statement.name]?.map((l) => l.points) ?? [], [view.shape.outlines, statement.name]);
  const line = useMemo(() => view.shape.lines[statement.name]?.points.map(([x, y]): Point => [x, y]) ?? [], [view.shape.lines, statement.name]);
  const corners = view.shape.corners[statement.id] ?? [];
  const [own, setSight] = useState<Sight | null>(null);
  const [pointer, setPointer] = useState<Snapped | null>(null);
  const [drawing, setDrawing] = useState<Sketched[] | null>(null);
  const already = drawing?.map((s) => s.at) ?? null;
  const [pan, setPan] = useState<{ at: Point; sight: Sight } | null>(null);
  // Fitted until the view is moved or a corner is taken hold of: then it stays as it is.
  const sight = own ?? fitted([...loops.flat(), ...line], size);
  const step = gridStep(sight.scale, factor);

  function at(event: PointerEvent | React.WheelEvent): Point {
    const box = frame.current?.getBoundingClientRect();
    return [event.clientX - (box?.left ?? 0), event.clientY - (box?.top ?? 0)];
  }

  const snapped = (event: PointerEvent, others: Point[]) => snap(toPlane(sight, size, at(event)), others, step, NEAR / sight.scale);

  function onMove(event: PointerEvent) {
    if (pan) {
      const [px, py] = at(event);
      setSight({ ...pan.sight, x: pan.sight.x - (px - pan.at[0]) / pan.sight.scale, y: pan.sight.y + (py - pan.at[1]) / pan.sight.scale });
    } else setPointer(snapped(event, already ?? corners.map(([x = 0, y = 0]): Point => [x, y])));
  }

  function onDown(event: PointerEvent) {
    if (drawing && already && event.button === 0) {
      const [x, y] = snapped(event, already).at;
      setDrawing([...drawing, { at: [x, y], corner: { x: write(x), y: write(y) } }]);
    } else setPan({ at: at(event), sight });
  }

  const spot = pointer?.at;
  return (
    <div
      ref={frame}
      data-testid="paper"
      className={`absolute inset-0 overflow-hidden bg-[#fbf9f3] ${drawing ? "cursor-crosshair" : ""}`}
      onPointerMove={onMove}
      onPointerDown={onDown}
      onPointerUp={() => setPan(null)}
      onPointerLeave={() => {
        setPointer(null);
        setPan(null);
      }}
      onWheel={(event) => setSight(zoomed(sight, size, at(event), event.deltaY < 0 ? 1.15 : 1 / 1.15))}
    >
      <svg className="absolute inset-0 size-full" role="img" aria-label={`${statement.name} on paper`}>
        <Grid sight={sight} size={size} step={step} />
        {!drawing && <Figure sight={sight} size={size} statement={statement} loops={loops} line={line} />}
        {pointer && (drawing ?? []).length > 0 && <Guides sight={sight} size={size} snapped={pointer} />}
      </svg>
      {!drawing && <Dimensions key={statement.name} statement={statement} sight={sight} size={size} />}
      {!drawing && corners.length > 0 && <Corners statement={statement} corners={corners} sight={sight} size={size} snapped={snapped} onHold={() => setSight(sight)} />}
      {drawing && <Sketch statement={statement} sketch={drawing} pointer={spot ?? null} sight={sight} size={size} onSketch={setDrawing} onEnd={() => setDrawing(null)} />}
      <div className="card absolute left-4 top-3 flex items-center gap-2 px-3 py-1.5 text-[13px]" onPointerDown={(event) => event.stopPropagation()}>
        <b className="font-semibold">{statement.name}</b> on paper
        <span className="font-mono text-[12px] text-faint">
          grid {digits(step / factor)} {unit}
          {spot && (
            <>
              {" "}
              · x {digits(spot[0] / factor)}, y {digits(spot[1] / factor)} {unit}
            </>
          )}
        </span>
      </div>
      <div className="absolute right-4 top-14 flex flex-col items-end gap-1" onPointerDown={(event) => event.stopPropagation()}>
        <button className="card flex h-7 items-center gap-1 px-2 text-[12px] hover:bg-glow" onClick={() => set({ paper: false })}>
          <Box className="size-3.5" /> in space
        </button>
        <button className="card flex h-7 items-center gap-1 px-2 text-[12px] hover:bg-glow" onClick={() => setSight(null)}>
          <Maximize2 className="size-3.5" /> fit
        </button>
        <button className={`card flex h-7 items-center gap-1 px-2 text-[12px] ${drawing ? "bg-slate text-white" : "hover:bg-glow"}`} aria-pressed={drawing !== null} onClick={() => setDrawing(drawing ? null : [])}>
          <PenLine className="size-3.5" /> draw anew
        </button>
      </div>
    </div>
  );
}

/** The lines from the corners whose x or y is taken over. */
function Guides({ sight, size, snapped }: { sight: Sight; size: Size; snapped: Snapped }) {
  const [x, y] = toPixels(sight, size, snapped.at);
  return (
    <g stroke="#c9772b" strokeDasharray="3 3">
      {[snapped.alongX, snapped.alongY].map((corner, i) => {
        if (!corner) return null;
        const [cx, cy] = toPixels(sight, size, corner);
        return <line key={i} x1={cx} y1={cy} x2={x} y2={y} />;
      })}
    </g>
  );
}

function useSize() {
  const frame = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<Size>({ width: 800, height: 500 });
  useEffect(() => {
    const element = frame.current;
    if (!element) return;
    const watch = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  return [frame, size] as const;
}
