import { useCallback, useRef, useState } from "react";
import { Maximize2 } from "lucide-react";
import { isShape } from "../api/frames";
import type { ModelView } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { boxOfModel } from "../window/boxes";
import type { CameraHandle, CameraLink } from "../window/Controls";
import { FieldScene } from "../window/FieldScene";
import type { Pointed } from "../window/MeshScene";
import { Follow, Label } from "../window/Mark";
import { gradient } from "../window/palette";
import { scaleOf } from "../window/scale";
import { Stage } from "../window/Stage";
import type { Chosen, PaneData } from "./usePane";

interface Props {
  letter: string;
  pane: PaneData;
  /** The model that all cameras begin on. */
  box: ModelView;
  link: CameraLink | undefined;
  /** Least and greatest of all windows that share a scale; null for the window's own. */
  shared: { min: number; max: number } | null;
  /** Models, and revisions of the one that was opened. */
  models: { id: string; name: string }[];
  chosen: string;
  onChoose: (change: Partial<Chosen>) => void;
}

/** One window: its study and frame, the field, and its scale. */
export function Pane({ letter, pane, box, link, shared, models, chosen, onChoose }: Props) {
  const { shown } = useNote();
  const camera = useRef<CameraHandle | null>(null);
  const keep = useCallback((handle: CameraHandle | null) => {
    camera.current = handle;
  }, []);
  const [pointed, setPointed] = useState<Pointed | null>(null);
  const [label, setLabel] = useState<HTMLElement | null>(null);
  const { view, study, skin, found, extreme, parted } = pane;
  const { low, high } = boxOfModel(view ?? box);
  const scale = scaleOf(shared ?? extreme ?? { min: 0, max: 1 });
  const studies = view?.studies.map((s) => [s.name, s.name] as const) ?? [];
  const frames = study?.findings?.summary.frames ?? [];
  const kind = isShape(frames[pane.frame]) ? "ratio" : (extreme?.dimension ?? "ratio");
  const scene = { low, high, flat: box.shape.dimension === 2, up: box.shape.up, keep, link, triangles: (skin?.arrays.triangles?.length ?? 0) / 3 };
  return (
    <section className="relative min-h-0 overflow-hidden bg-gradient-to-b from-[#eff0ec] to-[#d9ded9]" aria-label={`Window ${letter}`} data-ready={skin ? "" : undefined}>
      {skin && found && (
        <Stage scene={scene}>
          <FieldScene skin={skin} found={found} field={pane.field} scale={scale} limit={null} exaggeration={0} onPoint={setPointed} />
          {pointed && <Follow at={pointed.at} label={label} />}
        </Stage>
      )}
      <div className="pointer-events-none absolute inset-0">{pointed && <Label keep={setLabel} text={shown.text(pointed.value, kind)} tone="bg-paper text-ink" />}</div>
      <div className="card absolute left-3 top-3 flex max-w-[calc(100%-64px)] flex-wrap items-center gap-1.5 px-2 py-1 text-[13px]">
        <b className="grid size-5 place-items-center rounded-full bg-slate text-[11px] text-white">{letter}</b>
        {models.length > 1 && <ChoiceChip label={`model ${letter}`} value={chosen} options={models.map((m) => [m.id, m.name] as const)} onChoose={(model) => onChoose({ model, study: "", frame: 0 })} />}
        <ChoiceChip label={`study ${letter}`} value={study?.name ?? ""} missing={!study} options={studies} onChoose={(name) => onChoose({ study: name, frame: 0 })} />
        {frames.length > 1 && <ChoiceChip label={`frame ${letter}`} value={String(pane.frame)} options={frames.map((f) => [String(f.index), f.name] as const)} onChoose={(f) => onChoose({ frame: Number(f) })} />}
        {!parted && study?.findings?.summary.by_element && (
          <ChoiceChip
            label={`averaging ${letter}`}
            value={pane.how}
            options={[
              ["averaged", "averaged"],
              ["unaveraged", "unaveraged"],
              ["element", "by element"],
            ]}
            onChoose={(how) => onChoose({ how })}
          />
        )}
        {parted && <span className="text-amber-ink">A − B{pane.mapped && ", B read at the points of A; grey where it has nothing"}</span>}
        {study?.state === "stale" && <span className="text-amber-ink">stale</span>}
      </div>
      {!skin && <p className="absolute inset-0 grid place-items-center font-serif text-faint">{pane.error ? pane.error.message : !study?.result ? "This study has not been solved." : pane.known ? "Reading the result…" : "This study has no such field."}</p>}
      <button className="card absolute right-3 top-3 grid size-7 place-items-center hover:bg-glow" aria-label={`Fit window ${letter}`} onClick={() => camera.current?.fit()}>
        <Maximize2 className="size-3.5" />
      </button>
      {skin && (
        <div className="card absolute inset-x-3 bottom-2 px-2 py-1 font-mono text-[11px]">
          <div className="h-2 rounded-sm" style={{ background: gradient(scale.stops) }} />
          <div className="flex justify-between">
            <span>{digits(shown.number(scale.low, kind))}</span>
            {extreme && !parted && <span>peak {shown.text(extreme.max, kind)}</span>}
            <span>
              {digits(shown.number(scale.high, kind))} {shown.unit(kind)}
            </span>
          </div>
        </div>
      )}
    </section>
  );
}
