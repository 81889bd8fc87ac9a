import type { ResultFrame } from "../api/types";
import { useStrip } from "./useStrip";

const WORDS: Record<string, string> = { case: "cases", combination: "combinations", envelope: "envelopes" };

/** The frames of a study on an axis of their own: cases in a row, then what is made of them. The mark is drawn by clicks and arrow keys. */
export function FrameStrip({ frames, at }: { frames: ResultFrame[]; at: number }) {
  const { choose, strip } = useStrip(at, frames.length);
  if (frames.length < 2) return null;
  return (
    <div
      {...strip}
      className="card flex w-full items-end overflow-x-auto px-3 pb-1 pt-1.5"
    >
      {frames.map((frame, i) => (
        <div key={frame.index} className={`flex min-w-16 flex-1 flex-col items-start ${i > 0 && frames[i - 1]?.kind !== frame.kind ? "border-l border-rule pl-2" : ""}`}>
          <span className="h-4 whitespace-nowrap text-[10.5px] text-faint">{i === 0 || frames[i - 1]?.kind !== frame.kind ? (WORDS[frame.kind] ?? frame.kind) : ""}</span>
          <button role="radio" aria-checked={i === at} tabIndex={i === at ? 0 : -1} className="group w-full pr-2 text-left text-[12px]" onClick={() => choose(i)}>
            <span className={`block border-t ${i === at ? "border-t-2 border-amber" : "border-ink group-hover:border-amber"}`} />
            <span className={`block truncate pt-0.5 ${i === at ? "font-semibold text-amber-ink" : ""}`} title={frame.name}>
              {frame.name}
            </span>
          </button>
        </div>
      ))}
    </div>
  );
}
