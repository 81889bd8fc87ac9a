import type { ResultFrame } from "../api/types";
import { useDesk } from "../workspace/desk";

const END = 1e-9;

/** Stages one after the other, filled by their increments; a stage's last increment is its end. */
export function StageStrip({ frames, at }: { frames: ResultFrame[]; at: number }) {
  const { set } = useDesk();
  const stageOf = (f: ResultFrame) => Math.ceil((f.value ?? 0) - END) - 1;
  const stages = [...new Set(frames.map(stageOf))].map((stage) => frames.filter((f) => stageOf(f) === stage));
  const choose = (frame: number) => set({ frame: Math.min(Math.max(frame, 0), frames.length - 1), ends: { low: null, high: null } });
  return (
    <div
      role="radiogroup"
      aria-label="Frames"
      className="card flex h-[58px] w-full gap-2 px-3 pt-1.5"
      onKeyDown={(event) => {
        const step = event.key === "ArrowRight" ? 1 : event.key === "ArrowLeft" ? -1 : 0;
        if (!step) return;
        event.preventDefault();
        choose(at + step);
        event.currentTarget.querySelectorAll<HTMLButtonElement>("[role=radio]")[Math.min(Math.max(at + step, 0), frames.length - 1)]?.focus();
      }}
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
