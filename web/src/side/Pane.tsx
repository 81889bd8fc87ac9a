import { useCallback, useMemo, useRef, useState } from "react";
import { Maximize2 } from "lucide-react";
import type { ModelView } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import type { CameraHandle, CameraLink } from "../window/Controls";
import { Follow, Label } from "../window/Mark";
import { MeshScene, type Pointed } from "../window/MeshScene";
import { FIELD_STOPS, gradient, SIGNED_STOPS } from "../window/palette";
import { Stage } from "../window/Stage";
import type { Chosen, PaneData } from "./usePane";

interface Props {
  letter: string;
  pane: PaneData;
  /** The model that all cameras begin on. */
  box: ModelView;
  link: CameraLink | undefined;
  /** The scale of all windows, or the window's own. */
  scale: { low: number; high: number } | null;
  /** Values that this window's are taken from. */
  less: Float32Array | null;
  models: { id: string; name: string }[];
  onChoose: (change: Partial<Chosen>) => void;
}

/** One window: its study and frame, the field, and its scale. */
export function Pane({ letter, pane, box, link, scale, less, models, onChoose }: Props) {
  const { shown } = useNote();
  const camera = useRef<CameraHandle | null>(null);
  const keep = useCallback((handle: CameraHandle) => {
    camera.current = handle;
  }, []);
  const [pointed, setPointed] = useState<Pointed | null>(null);
  const [label, setLabel] = useState<HTMLElement | null>(null);
  const { view, study, values, skin, found, extreme } = pane;
  const drawn = useMemo(() => (values && less ? less.map((v, i) => v - (values[i] as number)) : values), [values, less]);
  const [low, high] = bounds(less ? box : (view ?? box));
  const own = useMemo(() => {
    if (!drawn) return { low: 0, high: 1 };
    if (!less) return { low: Math.min(extreme?.min ?? 0, 0), high: extreme?.max ?? 1 };
    const reach = drawn.reduce((m, v) => Math.max(m, Math.abs(v)), 0);
    return { low: -reach, high: reach };
  }, [drawn, less, extreme]);
  const ends = scale ? { low: Math.min(scale.low, 0), high: scale.high } : own;
  const signed = ends.low < 0 && ends.high > 0;
  const stops = signed ? SIGNED_STOPS : FIELD_STOPS;
  const studies = view?.studies.map((s) => [s.name, s.name] as const) ?? [];
  const frames = study?.findings?.summary.frames ?? [];
  const kind = extreme?.dimension ?? "ratio";
  const scene = { low, high, flat: box.shape.dimension === 2, up: box.shape.up, keep, link };
  return (
    <section className="relative min-h-0 overflow-hidden bg-gradient-to-b from-[#eff0ec] to-[#d9ded9]" aria-label={`Window ${letter}`} data-ready={skin ? "" : undefined}>
      {skin && drawn && found && (
        <Stage scene={scene}>
          <MeshScene skin={skin} values={drawn} veiled={found.arrays.veiled as Float32Array | undefined} stops={stops} low={ends.low} high={ends.high} limit={null} sides={false} onPoint={setPointed} />
          {pointed && <Follow at={pointed.at} label={label} />}
        </Stage>
      )}
      <div className="pointer-events-none absolute inset-0">{pointed && drawn && <Label keep={setLabel} text={shown.text(drawn[pointed.node] ?? 0, kind)} tone="bg-paper text-ink" />}</div>
      <div className="card absolute left-3 top-3 flex max-w-[calc(100%-64px)] flex-wrap items-center gap-1.5 px-2 py-1 text-[13px]">
        <b className="grid size-5 place-items-center rounded-full bg-slate text-[11px] text-white">{letter}</b>
        {models.length > 1 && <ChoiceChip label={`model ${letter}`} value={view?.id ?? ""} options={models.map((m) => [m.id, m.name] as const)} onChoose={(model) => onChoose({ model, study: "", frame: 0 })} />}
        <ChoiceChip label={`study ${letter}`} value={study?.name ?? ""} missing={!study} options={studies} onChoose={(name) => onChoose({ study: name, frame: 0 })} />
        {frames.length > 1 && <ChoiceChip label={`frame ${letter}`} value={String(pane.frame)} options={frames.map((f) => [String(f.index), f.name] as const)} onChoose={(f) => onChoose({ frame: Number(f) })} />}
        {less && <span className="text-amber-ink">A − B</span>}
        {study?.state === "stale" && <span className="text-amber-ink">stale</span>}
      </div>
      {!skin && <p className="absolute inset-0 grid place-items-center font-serif text-faint">{!study?.result ? "This study has not been solved." : pane.known ? "Reading the result…" : "This study has no such field."}</p>}
      <button className="card absolute right-3 top-3 grid size-7 place-items-center hover:bg-glow" aria-label={`Fit window ${letter}`} onClick={() => camera.current?.fit()}>
        <Maximize2 className="size-3.5" />
      </button>
      {skin && (
        <div className="card absolute inset-x-3 bottom-2 px-2 py-1 font-mono text-[11px]">
          <div className="h-2 rounded-sm" style={{ background: gradient(stops) }} />
          <div className="flex justify-between">
            <span>{digits(shown.number(ends.low, kind))}</span>
            {extreme && !less && <span>peak {shown.text(extreme.max, kind)}</span>}
            <span>
              {digits(shown.number(ends.high, kind))} {shown.unit(kind)}
            </span>
          </div>
        </div>
      )}
    </section>
  );
}

/** The box of all bodies. */
function bounds(view: ModelView): [number[], number[]] {
  const corners = view.shape.bodies.flatMap((b) => b.bounds);
  const end = (pick: (...v: number[]) => number) => [0, 1, 2].map((k) => pick(...corners.map((c) => c[k] as number)));
  return corners.length ? [end(Math.min), end(Math.max)] : [[0, 0, 0], [0.1, 0.1, 0.1]];
}
