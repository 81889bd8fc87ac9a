import type { CollapseFinding, ResultFrame } from "../api/types";
import { digits } from "../ui/units";
import { useStrip } from "./useStrip";

interface Props {
  frames: ResultFrame[];
  at: number;
  found: CollapseFinding | undefined;
  /** What a value means. */
  words: (value: string) => string;
}

/** Increments one after the other, each as high as its load factor; where it gives way stands out. */
export function WayStrip({ frames, at, found, words: meaning }: Props) {
  const { choose, strip } = useStrip(at, frames.length);
  const values = frames.map((f) => f.value ?? 0);
  const [low, high] = [Math.min(0, ...values), Math.max(0, ...values)];
  const span = high - low || 1;
  const zero = (-low / span) * 100;
  return (
    <div
      {...strip}
      className="card relative h-[58px] w-full px-3 pt-1"
    >
      <div className="relative flex h-[38px] items-stretch gap-px">
        {frames.map((f, i) => {
          const v = f.value ?? 0;
          const words = `increment ${i + 1}, ${f.name}`;
          return (
            <button key={f.index} role="radio" aria-checked={i === at} aria-label={words} title={words} tabIndex={i === at ? 0 : -1} className="group relative min-w-0 flex-1" onClick={() => choose(i)}>
              <span className={`absolute inset-x-0 ${i === at ? "bg-amber" : (found?.at ?? found?.soft?.frame) === i ? "bg-vermilion" : "bg-slate-soft group-hover:bg-amber"}`} style={{ bottom: `${v < 0 ? zero - (-v / span) * 100 : zero}%`, height: `${(Math.abs(v) / span) * 100}%` }} />
            </button>
          );
        })}
        <span className="pointer-events-none absolute inset-x-0 border-t border-ink" style={{ bottom: `${zero}%` }} />
      </div>
      <div className="flex justify-between pt-px text-[10.5px] text-faint">
        <span>
          increment {at + 1} of {frames.length}: <b className="font-semibold text-amber-ink">{meaning(digits(values[at] ?? 0))}</b>
        </span>
        {typeof found?.factor === "number" ? <span className="text-vermilion">gives way at {digits(found.factor)} ×</span> : found?.soft && <span className="text-amber-ink">goes soft at {digits(found.soft.factor)} ×</span>}
      </div>
    </div>
  );
}
