import { useState } from "react";
import { Refused, request } from "../../api/client";
import type { MotionRead, Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { digits } from "../../ui/units";
import { useDesk } from "../../workspace/desk";
import { ChoiceChip, PanelChip, TextChip } from "../chips";
import { useNote } from "../context";
import { FileButton } from "../FileButton";
import { fresh } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

type Motion = Of<"ground_motion">;

const ROW = 5000; // values of a row of the document
const G = 9.80665;
const UNITS = [
  ["m/s2", "m/s²"],
  ["g", "g"],
] as const;

/** Values as rows that a document takes. */
const rowsOf = (values: number[]) => Array.from({ length: Math.ceil(values.length / ROW) }, (_, i) => values.slice(i * ROW, (i + 1) * ROW));

function GroundMotionLine({ statement }: { statement: Motion }) {
  const { edit, callIt } = useStatement(statement);
  const count = statement.values.reduce((sum, row) => sum + row.length, 0);
  function take(found: MotionRead, file: string) {
    return edit((s) => {
      s.values = rowsOf(found.values) as Motion["values"];
      s.step = `${Number((found.step * 1000).toPrecision(10))} ms`;
      s.unit = found.unit;
      s.file = file;
      delete s.from;
      delete s.to;
    });
  }
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is a ground motion of {count === 0 ? "no values yet" : `${digits(count)} values`} in <ChoiceChip label="unit" value={statement.unit} options={UNITS} onChoose={(v) => void edit((s) => (s.unit = v))} />, one every{" "}
      <TextChip label="step" value={statement.step} onCommit={(v) => edit((s) => (s.step = v))} />
      {statement.file && <span className="font-sans text-[12px] text-faint"> ({statement.file})</span>}{" "}
      <FileButton<MotionRead> label="ground motion file" words="from a file" title="CSV with times and values, or fixed columns under a head that tells step and unit" path={() => "/api/ground-motions"} onRead={take} />
      <StationChip onTake={take} />, from <TextChip label="from" optional placeholder="its start" value={statement.from ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "from", v))} /> to <TextChip label="to" optional placeholder="its end" value={statement.to ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "to", v))} />, times{" "}
      <TextChip label="scale" value={statement.scale ?? "1"} onCommit={(v) => edit((s) => setOrDrop(s, "scale", v === "1" ? "" : v))} />
      <Drawn id={statement.id} />
    </>
  );
}

interface Station {
  name: string;
  directions: string[];
  events: { id: string; words: string; peak: number; duration: number }[];
}

/** Events that the station has recorded. */
function StationChip({ onTake }: { onTake: (found: MotionRead, file: string) => Promise<void> }) {
  const { complain } = useDesk();
  const [station, setStation] = useState<Station | null>(null);
  async function asked<T>(path: string, taken: (found: T) => unknown) {
    try {
      await taken(await request<T>("GET", path));
    } catch (error) {
      if (error instanceof Refused) complain({ message: error.message, cure: error.cure });
    }
  }
  return (
    <PanelChip label="station" text="from the station" width="w-80" onOpenChange={(open) => open && void asked<Station>("/api/station", setStation)}>
      {(close) =>
        station && (
          <>
            <p className="pb-1 font-semibold">{station.name}</p>
            {station.events.map((event) => (
              <p key={event.id} className="flex items-baseline gap-1 py-0.5 text-[12.5px]">
                <span className="flex-1">
                  {event.words} <span className="text-faint">({event.id}, {digits(event.peak)} g, {digits(event.duration)} s)</span>
                </span>
                {station.directions.map((direction) => (
                  <button key={direction} className="rounded border border-rule px-1 hover:bg-glow" aria-label={`${event.id} ${direction}`} onClick={() => void asked<MotionRead & { file: string }>(`/api/station/${event.id}/${direction}`, (found) => onTake(found, found.file).then(close))}>
                    {direction}
                  </button>
                ))}
              </p>
            ))}
          </>
        )
      }
    </PanelChip>
  );
}

const [WIDE, HIGH] = [206, 78];

/** How it goes in time, and how strongly it shakes what swings by itself. */
function Drawn({ id }: { id: string }) {
  const { view, shown } = useNote();
  const found = view.motions[id];
  if (!found) return null;
  const { values, spectrum, periods } = found;
  const middle = (HIGH - 14) / 2;
  const course = values.map((v, i) => `${(4 + (i / Math.max(values.length - 1, 1)) * (WIDE - 8)).toFixed(1)} ${(middle - (v / found.peak) * (middle - 3)).toFixed(1)}`).join("L");
  const top = Math.max(...spectrum);
  const [first, last] = [periods[0] ?? 0.1, periods.at(-1) ?? 1];
  const along = (p: number) => 4 + (Math.log(p / first) / Math.log(last / first)) * (WIDE - 8);
  const answer = spectrum.map((v, i) => `${along(periods[i] ?? first).toFixed(1)} ${(HIGH - 14 - (v / top) * (HIGH - 20)).toFixed(1)}`).join("L");
  return (
    <span className="mt-1 flex gap-3" data-motion>
      <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label="acceleration over time" className="w-[206px]">
        <line x1="4" x2={WIDE - 4} y1={middle} y2={middle} stroke="#93a0a6" />
        <path d={`M${course}`} fill="none" stroke="#2f7171" strokeWidth="0.9" />
        <text x={WIDE - 4} y={HIGH - 3} textAnchor="end" fontSize="9.5" className="fill-faint font-sans">
          {shown.text(found.duration, "time")}, at most {shown.text(found.peak, "acceleration")} ({digits(found.peak / G)} g)
        </text>
      </svg>
      <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label="spectrum" className="w-[206px]">
        <line x1="4" x2={WIDE - 4} y1={HIGH - 14} y2={HIGH - 14} stroke="#93a0a6" />
        {[0.1, 1].map((p) => (
          <g key={p}>
            <line x1={along(p)} x2={along(p)} y1="4" y2={HIGH - 14} stroke="#e2e0d6" />
            <text x={along(p) + 2} y="11" fontSize="9" className="fill-faint font-mono">
              {p} s
            </text>
          </g>
        ))}
        <path d={`M${answer}`} fill="none" stroke="#b3541e" strokeWidth="1.5" />
        <text x={WIDE - 4} y={HIGH - 3} textAnchor="end" fontSize="9.5" className="fill-faint font-sans">
          by period, damped 5 %: up to {shown.text(top, "acceleration")}
        </text>
      </svg>
    </span>
  );
}

export default [
  entry({
    kind: "ground_motion",
    section: "Loads and stages",
    order: 16,
    Line: GroundMotionLine,
    templates: [{ word: "ground motion", text: "ground motion: a record of how the ground shakes", also: "earthquake accelerogram seismic record station spectrum", make: (v) => ({ kind: "ground_motion", name: fresh(v, "quake"), step: "10 ms", unit: "g", values: [] }) }],
  }),
];
