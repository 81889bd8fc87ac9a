import type { ResultFrame } from "../api/types";
import { useStrip } from "./useStrip";

const END = 1e-9;

/** Stages one after the other, filled by their increments; a stage's last increment is its end. */
export function StageStrip({ frames, at }: { frames: ResultFrame[]; at: number }) {
  const { choose, strip } = useStrip(at, frames.length);
  const stageOf = (f: ResultFrame) => Math.ceil((f.value ?? 0) - END) - 1;
  const stages = [...new Set(frames.map(stageOf))].map((stage) => frames.filter((f) => stageOf(f) === stage));
  return (
    <div
      {...strip}
      className="card flex h-[58px] w-full gap-2 px-3 pt-1.5"
    >
      {stages.map((own) => {
        const last = own.at(-1) as ResultFrame;
        const done = Number.isInteger(Number((last.value ?? 0).toFixed(9)));
        const name = last.name.replace(/, \d+ %$/, "");
        return (
          <div key={last.index} className="min-w-0 flex-1">
            <div className="relative h-6 border border-rule bg-white">
              {own.map((f, i) => {
                const from = i === 0 ? 0 : ((own[i - 1]?.value ?? 0) % 1 || 1) * 100;
                const upto = ((f.value ?? 0) % 1 || 1) * 100;
                return (
                  <button key={f.index} role="radio" aria-checked={f.index === at} aria-label={f.name} title={f.name} tabIndex={f.index === at ? 0 : -1} className={`absolute inset-y-0 border-r border-paper ${f.index === at ? "bg-amber" : done ? "bg-slate-soft hover:bg-amber" : "bg-vermilion hover:bg-amber"}`} style={{ left: `${from}%`, width: `${upto - from}%` }} onClick={() => choose(f.index)} />
                );
              })}
            </div>
            <span className={`block truncate text-[11px] ${own.some((f) => f.index === at) ? "font-semibold text-amber-ink" : "text-faint"}`} title={name}>
              {name}
              {own.some((f) => f.index === at) && frames[at] !== last && ` · ${frames[at]?.name.match(/\d+ %$/)?.[0] ?? ""}`}
            </span>
          </div>
        );
      })}
    </div>
  );
}
