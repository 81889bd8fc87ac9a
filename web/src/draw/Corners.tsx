import { useState, type PointerEvent } from "react";
import type { Corner } from "../api/model";
import { Refused } from "../api/client";
import type { Of, Statement } from "../api/types";
import { TextChip } from "../note/chips";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { toPixels, type Point, type Sight, type Size, type Snapped } from "./plane";
import { useLengths } from "./useLengths";

/** The typed corners of an outline's boundary or of a line. */
export function cornersOf(statement: Statement): Corner[] {
  if (statement.kind === "line") return statement.corners;
  return statement.kind === "outline" && "corners" in statement.boundary ? statement.boundary.corners : [];
}

/** Places a corner by x and y, whatever it was placed by before. */
export function put(corner: Corner, x: string, y: string) {
  for (const key of ["dx", "dy", "distance", "angle"] as const) Reflect.deleteProperty(corner, key);
  corner.x = x;
  corner.y = y;
}

interface Props {
  statement: Of<"outline"> | Of<"line">;
  corners: number[][];
  sight: Sight;
  size: Size;
  snapped: (event: PointerEvent, others: Point[]) => Snapped;
  /** A corner is taken hold of. */
  onHold: () => void;
}

/** Handles to drag corners by; the chosen one shows its values as chips. */
export function Corners({ statement, corners, sight, size, snapped, onHold }: Props) {
  const { change } = useNote();
  const complain = useDesk((desk) => desk.complain);
  const { write } = useLengths();
  const [held, setHeld] = useState<{ index: number; at: Point; moved: boolean } | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const typed = cornersOf(statement);
  const edit = (index: number, apply: (corner: Corner) => void) =>
    change(statement.id, (s) => {
      const corner = cornersOf(s)[index];
      if (corner) apply(corner);
    });
  const point = (i: number): Point => (held?.index === i ? held.at : ((corners[i] ?? [0, 0]).slice(0, 2) as Point));

  function move(event: PointerEvent) {
    if (!held) return;
    event.stopPropagation();
    const others = corners.filter((_, i) => i !== held.index).map((c) => c.slice(0, 2) as Point);
    setHeld({ ...held, at: snapped(event, others).at, moved: true });
  }

  async function drop(event: PointerEvent) {
    event.stopPropagation();
    if (!held) return;
    const { index, at, moved } = held;
    if (moved) {
      try {
        await edit(index, (corner) => put(corner, write(at[0]), write(at[1])));
      } catch (error) {
        if (error instanceof Refused) complain({ message: error.message, cure: error.cure });
      }
    }
    setHeld(null);
  }

  const corner = chosen === null ? null : typed[chosen];
  const [cx, cy] = chosen === null ? [0, 0] : toPixels(sight, size, point(chosen));
  return (
    <>
      {corners.slice(0, typed.length).map((_, i) => {
        const [x, y] = toPixels(sight, size, point(i));
        return (
          <button
            key={i}
            aria-label={`corner ${i + 1}`}
            className={`absolute size-3 -translate-x-1/2 -translate-y-1/2 cursor-move rounded-full border-2 ${chosen === i ? "border-amber-ink bg-amber" : "border-slate bg-white hover:bg-glow"}`}
            style={{ left: x, top: y }}
            onPointerDown={(event) => {
              event.stopPropagation();
              event.currentTarget.setPointerCapture(event.pointerId);
              onHold();
              setHeld({ index: i, at: point(i), moved: false });
              setChosen(i);
            }}
            onPointerMove={move}
            onPointerUp={(event) => void drop(event)}
          />
        );
      })}
      {held && (
        <svg className="pointer-events-none absolute inset-0 size-full">
          {[held.index - 1, held.index + 1].map((i) => {
            const neighbour = corners[(i + corners.length) % corners.length];
            if (!neighbour || (statement.kind === "line" && (i < 0 || i >= corners.length))) return null;
            const [a, b] = [toPixels(sight, size, held.at), toPixels(sight, size, neighbour.slice(0, 2) as Point)];
            return <line key={i} x1={a[0]} y1={a[1]} x2={b[0]} y2={b[1]} stroke="#c9772b" strokeWidth={1.5} strokeDasharray="4 3" />;
          })}
        </svg>
      )}
      {corner && chosen !== null && !held && (
        <div className="card absolute z-10 flex items-center gap-1 px-2 py-1 text-[12px]" style={{ left: Math.min(cx + 10, size.width - 320), top: Math.max(cy - 40, 50) }} onPointerDown={(event) => event.stopPropagation()}>
          {(corner.x !== undefined || corner.y !== undefined) && (
            <>
              x <TextChip label={`corner ${chosen + 1} x on paper`} value={corner.x ?? ""} onCommit={(v) => edit(chosen, (c) => (c.x = v))} /> y{" "}
              <TextChip label={`corner ${chosen + 1} y on paper`} value={corner.y ?? ""} onCommit={(v) => edit(chosen, (c) => (c.y = v))} />
            </>
          )}
          {corner.distance !== undefined && (
            <>
              <TextChip label={`corner ${chosen + 1} distance on paper`} value={corner.distance} onCommit={(v) => edit(chosen, (c) => (c.distance = v))} /> at{" "}
              <TextChip label={`corner ${chosen + 1} angle on paper`} value={corner.angle ?? ""} onCommit={(v) => edit(chosen, (c) => (c.angle = v))} />
            </>
          )}
          {corner.x === undefined && corner.distance === undefined && (
            <>
              step <TextChip label={`corner ${chosen + 1} dx on paper`} value={corner.dx ?? "0 mm"} onCommit={(v) => edit(chosen, (c) => (c.dx = v))} />,{" "}
              <TextChip label={`corner ${chosen + 1} dy on paper`} value={corner.dy ?? "0 mm"} onCommit={(v) => edit(chosen, (c) => (c.dy = v))} />
            </>
          )}
          rounded <TextChip label={`corner ${chosen + 1} fillet on paper`} value={corner.fillet ?? ""} placeholder="sharp" optional onCommit={(v) => edit(chosen, (c) => (v ? (c.fillet = v) : delete c.fillet))} />
        </div>
      )}
    </>
  );
}
