import type { ResonanceFinding, ResultFrame } from "../api/types";
import { useNote } from "../note/context";
import { steps } from "../tray/steps";
import { digits } from "../ui/units";
import { useStrip } from "./useStrip";

interface Props {
  frames: ResultFrame[];
  at: number;
  running: ResonanceFinding | undefined;
  /** Natural frequencies that a sweep runs over. */
  natural?: number[];
}

const MANY = 40; // ticks that are small, and not reached one by one with the pointer

/** Frames on the axis of their own value: natural frequencies, or factors of buckling, as ink ticks; the points of a sweep as small ones. */
export function FrequencyStrip({ frames: all, at, running, natural = [] }: Props) {
  const { shown } = useNote();
  const frames = all.filter((f) => f.kind !== "envelope");
  const { choose, strip } = useStrip(at, all.length, frames.length);
  const over = all.find((f) => f.kind === "envelope");
  const values = frames.map((f) => f.value ?? 0);
  const swept = frames[0]?.kind === "frequency" || frames[0]?.kind === "time";
  const begin = swept ? Math.min(...values) : 0;
  const end = swept ? Math.max(...values) : Math.max(...values, running?.to ?? 0) * 1.06 || 1;
  const left = (v: number) => `${((v - begin) / (end - begin || 1)) * 100}%`;
  const many = frames.length > MANY;
  function nearest(event: React.MouseEvent<HTMLDivElement>) {
    if (!many) return;
    const box = event.currentTarget.getBoundingClientRect();
    const wanted = begin + ((event.clientX - box.left) / box.width) * (end - begin);
    choose(values.reduce((best, v, i) => (Math.abs(v - wanted) < Math.abs((values[best] ?? 0) - wanted) ? i : best), 0));
  }
  const kind = frames[0]?.unit ?? "ratio";
  return (
    <div
      {...strip}
      className="card relative h-[58px] w-full px-3"
    >
      <div className={`relative h-9 border-b border-ink ${many ? "cursor-pointer" : ""}`} onClick={nearest}>
        {natural.filter((v) => v >= begin && v <= end).map((v, i) => (
          <span key={i} className="pointer-events-none absolute bottom-0 h-7 border-l border-dashed border-slate-soft" style={{ left: left(v) }} />
        ))}
        {running && (
          <span className="absolute bottom-0 top-1.5 overflow-hidden bg-[#efe5cd] pl-1 text-[10.5px] text-amber-ink" style={{ left: left(running.from), width: left(running.to - running.from) }}>
            running
          </span>
        )}
        {frames.map((f, i) => (
          <button
            key={f.index}
            role="radio"
            aria-checked={i === at}
            aria-label={`${f.name}, ${shown.text(f.value ?? 0, kind)}`}
            title={`${f.name}, ${shown.text(f.value ?? 0, kind)}`}
            tabIndex={i === at ? 0 : -1}
            className={`absolute bottom-0 flex h-full w-3 -translate-x-1/2 items-end justify-center ${many ? "pointer-events-none" : ""}`}
            style={{ left: left(f.value ?? 0) }}
            onClick={() => choose(i)}
          >
            <span className={i === at ? "h-full w-[2px] bg-amber" : many ? "h-1.5 w-px bg-slate-soft" : "h-3.5 w-[2px] bg-ink hover:bg-amber"} />
          </button>
        ))}
        <span className="pointer-events-none absolute top-0.5 whitespace-nowrap rounded bg-paper px-1 text-[11px] font-semibold text-amber-ink" style={at < frames.length && (values[at] ?? 0) - begin > (end - begin) * 0.8 ? { right: `calc(100% - ${left(values[at] ?? 0)} + 5px)` } : { left: `calc(${left(values[at] ?? 0)} + 5px)` }}>
          {at < frames.length && !swept && `${frames[at]?.name} · `}
          {over && at === over.index ? over.name : kind === "ratio" ? digits(values[at] ?? 0) : shown.text(values[at] ?? 0, kind)}
        </span>
      </div>
      <div className="relative h-4 font-mono text-[10.5px] text-faint">
        {steps(begin, kind === "ratio" ? end : shown.number(end, kind), 6).filter((v) => v >= begin && v - begin < (end - begin) * 0.88).map((v) => (
          <span key={v} className="absolute -translate-x-1/2" style={{ left: left(v) }}>
            {digits(v)}
          </span>
        ))}
        {over && (
          <button role="radio" aria-checked={at === over.index} tabIndex={at === over.index ? 0 : -1} className={`absolute -top-[35px] right-0 z-10 rounded bg-paper px-1 font-sans text-[11px] hover:bg-glow ${at === over.index ? "font-semibold text-amber-ink" : "text-faint"}`} onClick={() => choose(over.index)}>
            {over.name}
          </button>
        )}
        <span className="absolute right-0">{kind === "ratio" ? "× the loads" : shown.unit(kind)}</span>
      </div>
    </div>
  );
}
