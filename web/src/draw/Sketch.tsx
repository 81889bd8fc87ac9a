import { useEffect, useState } from "react";
import type { Corner } from "../api/model";
import { Refused } from "../api/client";
import type { Of } from "../api/types";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { toPixels, type Point, type Sight, type Size } from "./plane";
import { rubber, typed, type Sketched, type Way } from "./sketched";
import { useLengths } from "./useLengths";

const WAYS: readonly (readonly [Way, string, string, string])[] = [
  ["at", "at", "x", "y"],
  ["step", "a step of", "dx", "dy"],
  ["angle", "a length", "length", "angle"],
];

interface Props {
  statement: Of<"outline"> | Of<"line">;
  sketch: Sketched[];
  pointer: Point | null;
  sight: Sight;
  size: Size;
  onSketch: (sketch: Sketched[]) => void;
  onEnd: () => void;
}

/** Corners set one after another, by clicks or by typed values; Enter or the button closes the figure. */
export function Sketch({ statement, sketch, pointer, sight, size, onSketch, onEnd }: Props) {
  const { change } = useNote();
  const { complain } = useDesk();
  const { unit, factor } = useLengths();
  const [way, setWay] = useState<Way>("at");
  const [values, setValues] = useState<[string, string]>(["", ""]);
  const [refused, setRefused] = useState(false);
  const last = sketch.at(-1);
  const least = statement.kind === "outline" ? 3 : 2;

  async function finish() {
    if (sketch.length < least) return;
    const corners = sketch.map((s) => s.corner) as [Corner, Corner];
    try {
      await change(statement.id, (s) => {
        if (s.kind === "outline") s.boundary = { corners };
        else if (s.kind === "line") s.corners = corners;
      });
      onEnd();
    } catch (error) {
      if (error instanceof Refused) complain({ message: error.message, cure: error.cure });
    }
  }

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.target instanceof HTMLInputElement) return;
      if (event.key === "Escape") onEnd();
      if (event.key === "Enter") void finish();
      if (event.key === "Backspace") onSketch(sketch.slice(0, -1));
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });

  function add() {
    const next = typed(way, values, last?.at ?? null, unit, factor);
    setRefused(next === null);
    if (!next) return;
    onSketch([...sketch, next]);
    setValues(["", ""]);
  }

  const pixels = [...sketch.map((s) => s.at), ...(pointer ? [pointer] : [])].map((p) => toPixels(sight, size, p));
  const line = rubber(sketch, pointer);
  const [, , first, second] = WAYS.find(([w]) => w === way) ?? WAYS[0] ?? ["at", "at", "x", "y"];
  return (
    <>
      <svg className="pointer-events-none absolute inset-0 size-full">
        {pixels.length > 1 && <polyline points={pixels.map((p) => p.join(",")).join(" ")} fill="none" stroke="#22313b" strokeWidth={1.8} />}
        {sketch.map((s, i) => {
          const [x, y] = toPixels(sight, size, s.at);
          return <circle key={i} cx={x} cy={y} r={4} fill="#fff" stroke="#22313b" strokeWidth={2} />;
        })}
      </svg>
      <form
        aria-label="Draw by typed values"
        className="card absolute bottom-3 left-4 flex flex-wrap items-center gap-2 px-3 py-1.5 text-[12.5px]"
        onPointerDown={(event) => event.stopPropagation()}
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <span>{sketch.length === 0 ? "Click the first corner, or type it:" : `Corner ${sketch.length + 1}:`}</span>
        <span className="flex overflow-hidden rounded border border-rule">
          {WAYS.filter(([w]) => w === "at" || last).map(([w, words]) => (
            <button key={w} type="button" aria-pressed={way === w} className={`px-1.5 ${way === w ? "bg-slate text-white" : "bg-paper hover:bg-glow"}`} onClick={() => setWay(w)}>
              {words}
            </button>
          ))}
        </span>
        {[first, second].map((label, i) => (
          <label key={label} className="flex items-center gap-1">
            {label}
            <input className="field w-16" aria-label={label} value={values[i]} onChange={(event) => setValues((old) => (i === 0 ? [event.target.value, old[1]] : [old[0], event.target.value]))} />
            {label === "angle" ? "deg" : unit}
          </label>
        ))}
        <button className="button" type="submit">
          Add
        </button>
        {refused && (
          <span role="alert" className="text-vermilion">
            Type two plain numbers, lengths in {unit}.
          </span>
        )}
        {line && !refused && (
          <span className="font-mono text-[12px] text-faint">
            {digits(line.length / factor)} {unit} at {digits(Math.round(line.angle * 10) / 10)}°
          </span>
        )}
        <button className="button-strong" type="button" disabled={sketch.length < least} onClick={() => void finish()}>
          {statement.kind === "outline" ? "Close the outline" : "End the line"}
        </button>
      </form>
    </>
  );
}
