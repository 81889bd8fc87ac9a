import { useState, type ReactNode } from "react";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { BANDS } from "./fieldMaterial";
import { bandsOf, gradient } from "./palette";

interface Props {
  stops: readonly [number, number, number][];
  low: number;
  high: number;
  /** In force when it lies within the scale. */
  limit: number | null;
  /** The scale goes in steps. */
  banded?: boolean;
  /** Greatest value of the field. */
  peak: number;
  kind: string;
  /** Ways to set its ends. */
  children?: ReactNode;
}

/** The scale: it ends at the limit, and what is over it is hatched. */
export function Legend({ stops, low, high, limit, banded = false, peak, kind, children }: Props) {
  const { shown } = useNote();
  const { ends, set } = useDesk();
  const over = limit !== null && peak > limit && limit <= high * 1.0001;
  const ticks = [0.25, 0.5, 0.75].map((t) => low + t * (high - low));
  const value = (si: number) => digits(shown.number(si, kind));
  return (
    <div className="card w-full px-3 pb-1.5 pt-2" data-testid="legend">
      <div className="flex h-2.5 overflow-hidden rounded-sm">
        <div className="flex-1" style={{ background: banded ? bandsOf(stops, BANDS) : gradient(stops) }} />
        {limit !== null && <div className="w-3" style={{ background: "#e6a23c" }} />}
        {over && <div className="w-[14%]" style={{ background: "repeating-linear-gradient(135deg, #a92b1e 0 4px, #db6b57 4px 8px)" }} />}
      </div>
      <div className="mt-0.5 flex items-baseline font-mono text-[11.5px]">
        <div className="flex flex-1 justify-between">
          <End si={low} kind={kind} label="lower end of the scale" onSet={(v) => set({ ends: { ...ends, low: v } })} />
          {ticks.map((tick, i) => (
            <span key={i} className="text-faint">
              {value(tick)}
            </span>
          ))}
          <span className={limit !== null ? "font-semibold" : ""}>
            <End si={high} kind={kind} label="upper end of the scale" onSet={(v) => set({ ends: { ...ends, high: v } })} /> {shown.unit(kind)}
            {limit !== null && " limit"}
          </span>
        </div>
        {over && <span className="w-[14%] text-right text-vermilion">{value(peak)}</span>}
      </div>
      <div className="flex gap-3">
        {(ends.low !== null || ends.high !== null) && (
          <button className="text-[11px] text-amber-ink underline" onClick={() => set({ ends: { low: null, high: null } })}>
            ends set by hand; back to the field's own
          </button>
        )}
        {children}
      </div>
    </div>
  );
}

/** An end of the scale that can be typed over, in display units. */
function End({ si, kind, label, onSet }: { si: number; kind: string; label: string; onSet: (si: number | null) => void }) {
  const { shown } = useNote();
  const [draft, setDraft] = useState<string | null>(null);
  if (draft === null) {
    return (
      <button title="Set this end by hand" className="rounded px-0.5 hover:bg-glow" onClick={() => setDraft(String(Number(shown.number(si, kind).toPrecision(5))))}>
        <span className="sr-only">{label}: </span>
        {digits(shown.number(si, kind))}
      </button>
    );
  }
  /** Display units are linear: two points give the way back to SI. */
  function commit() {
    const typed = Number((draft ?? "").replace(",", ".").replace("−", "-"));
    setDraft(null);
    const [zero, one] = [shown.number(0, kind), shown.number(1, kind)];
    if (draft?.trim() && Number.isFinite(typed)) onSet((typed - zero) / (one - zero));
  }
  return (
    <input
      autoFocus
      aria-label={label}
      className="field w-20"
      value={draft}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={commit}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === "Enter") commit();
        if (event.key === "Escape") setDraft(null);
      }}
    />
  );
}
