import { X } from "lucide-react";
import { Refused } from "../api/client";
import { useMeasures } from "../api/hooks";
import type { MeasureLine, Of } from "../api/types";
import { useNote } from "../note/context";
import { freshId } from "../note/template";
import { cleared, digits, type Shown } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { pickOf } from "./usePick";

function text(line: MeasureLine, shown: Shown, size: number): string {
  if (!Array.isArray(line.value)) return shown.text(line.value, line.kind);
  const least = line.kind === "length" ? size : Math.max(...line.value.map(Math.abs));
  const numbers = line.value.map((v) => digits(shown.number(cleared(v, least), line.kind))).join("; ");
  return `${numbers} ${shown.unit(line.kind)}`.trim();
}

/** What is chosen, measured; and the way to make a group of it. */
export function MeasureCard() {
  const { view, shown, places, arrange } = useNote();
  const { chosen, picking, set, complain } = useDesk();
  const { data, error } = useMeasures(view.id, view.shape.digest, chosen);
  if (chosen.length === 0 || picking) return null;
  const found = chosen.flatMap(([body, name]) => places.filter((p) => p.body === body && p.name === name));
  const kinds = new Set(found.map((p) => p.of));

  async function group() {
    const of = found[0]?.of;
    if (!of) return;
    const names = new Set(view.document.statements.map((s) => ("name" in s ? s.name : "")));
    let n = 1;
    while (names.has(`place ${n}`)) n += 1;
    try {
      await arrange((all) => {
        const made: Of<"group"> = { id: freshId(all), kind: "group", name: `place ${n}`, of, pick: found.map(pickOf) };
        return [...all, made];
      });
      set({ chosen: [] });
    } catch (refused) {
      if (refused instanceof Refused) complain({ message: refused.message, cure: refused.cure });
    }
  }

  return (
    <aside aria-label="Measures" className="card absolute bottom-14 right-4 max-w-[340px] px-3 py-2 text-[12.5px]">
      <header className="mb-1 flex items-start gap-2">
        <b className="font-semibold">{chosen.length === 1 ? chosen[0]?.[1] : `${chosen.length} places`}</b>
        <button className="ml-auto rounded p-0.5 text-faint hover:bg-glow" aria-label="Let go of what is chosen" onClick={() => set({ chosen: [] })}>
          <X className="size-3.5" />
        </button>
      </header>
      {error && <p className="text-vermilion">{error.message}</p>}
      <dl className="grid grid-cols-[auto_auto] gap-x-3">
        {data?.lines.map((line) => (
          <div key={line.words} className="contents">
            <dt className="text-faint">{line.words}</dt>
            <dd className="text-right font-mono text-[12px]">{text(line, shown, view.shape.size ?? 1)}</dd>
          </div>
        ))}
      </dl>
      {kinds.size === 1 && (
        <button className="button mt-2" onClick={() => void group()}>
          Make a group of {chosen.length === 1 ? "it" : "them"}
        </button>
      )}
    </aside>
  );
}
