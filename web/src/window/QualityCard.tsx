import type { Measure, Quality } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { digits } from "../ui/units";
import { css, QUALITY_STOPS } from "./palette";
import { ends } from "./qualityEnds";

interface Props {
  quality: Quality;
  worse: number | null;
  onMeasure: (key: string) => void;
  onWorse: (value: number | null) => void;
  onJump: (element: Quality["worst"][number]) => void;
}

/** How good the elements are: the spread of a measure, and the worst of them to jump to. */
export function QualityCard({ quality, worse, onMeasure, onWorse, onJump }: Props) {
  const measure = quality.measures.find((m) => m.key === quality.measure);
  if (!measure) return null;
  const shown = (value: number) => (measure.unit ? `${value.toFixed(1)} ${measure.unit}` : value.toFixed(3));
  return (
    <section aria-label="Quality" className="card absolute right-[4.5rem] top-14 flex max-h-[calc(100%-5rem)] w-60 flex-col gap-1.5 overflow-auto px-3 py-2 text-[12.5px]">
      <ChoiceChip label="measure" value={quality.measure} options={quality.measures.map((m) => [m.key, m.name] as const)} onChoose={onMeasure} />
      <Histogram measure={measure} worse={worse} onWorse={onWorse} />
      <dl className="grid grid-cols-[auto_auto] gap-x-2 font-mono text-[11.5px]">
        <dt className="font-sans text-faint">worst</dt>
        <dd>{shown(measure.worst)}</dd>
        <dt className="font-sans text-faint">1 % are worse than</dt>
        <dd>{shown(measure.first_percentile)}</dd>
        <dt className="font-sans text-faint">mean</dt>
        <dd>{shown(measure.mean)}</dd>
        <dt className="font-sans text-faint">beyond {measure.unit ? `${measure.warns} ${measure.unit}` : measure.warns}</dt>
        <dd className={measure.warned > 0 ? "text-amber" : ""}>{digits(measure.warned)}</dd>
      </dl>
      <p className="flex items-baseline justify-between border-t border-rule pt-1.5">
        <b className="font-semibold">Worst elements</b>
        {worse !== null && (
          <button className="text-[12px] underline decoration-dotted" onClick={() => onWorse(null)}>
            show all
          </button>
        )}
      </p>
      <ol className="min-h-0 overflow-auto">
        {quality.worst.map((element) => (
          <li key={element.number}>
            <button className="flex w-full justify-between rounded px-1 text-left hover:bg-glow" onClick={() => onJump(element)}>
              <span>
                {element.body} · {element.number + 1}
              </span>
              <span className="font-mono">{shown(element.value)}</span>
            </button>
          </li>
        ))}
      </ol>
    </section>
  );
}

/** Bars of equal width over the measure's range; a click leaves only what is in that bar or worse. */
function Histogram({ measure, worse, onWorse }: { measure: Measure; worse: number | null; onWorse: (value: number | null) => void }) {
  const [low, high] = measure.range;
  const most = Math.max(...measure.histogram, 1);
  const bins = measure.histogram.length;
  const [bad, good] = ends(measure);
  return (
    <div>
      <div className="flex h-16 items-end gap-px" role="group" aria-label={`Spread of ${measure.name}`}>
        {measure.histogram.map((count, k) => {
          const from = low + ((high - low) * k) / bins;
          const to = low + ((high - low) * (k + 1)) / bins;
          const limit = measure.worse === "low" ? to : from;
          const share = Math.min(1, Math.max(0, ((from + to) / 2 - bad) / (good - bad)));
          const stop = QUALITY_STOPS[Math.round(share * (QUALITY_STOPS.length - 1))] ?? [0, 0, 0];
          return (
            <button
              key={k}
              className="flex h-full flex-1 items-end"
              aria-label={`${digits(count)} elements from ${from.toFixed(2)} to ${to.toFixed(2)}`}
              title={`${digits(count)} elements from ${from.toFixed(2)} to ${to.toFixed(2)}`}
              aria-pressed={worse === limit}
              onClick={() => onWorse(worse === limit ? null : limit)}
            >
              <span className="w-full rounded-t-sm" style={{ height: count === 0 ? 0 : `${Math.max(4, (100 * Math.log(1 + count)) / Math.log(1 + most))}%`, background: css(stop) }} />
            </button>
          );
        })}
      </div>
      <div className="flex justify-between font-mono text-[11px] text-faint">
        <span>{low}</span>
        <span className="font-sans">number of elements, by its logarithm</span>
        <span>{high}</span>
      </div>
    </div>
  );
}
