import { useCallback, useEffect, useMemo, useRef, useState, type ReactNode } from "react";
import { Canvas } from "@react-three/fiber";
import { Maximize2, Pause, Play } from "lucide-react";
import { Refused } from "../api/client";
import { useField, useSkin } from "../api/hooks";
import type { LimitFinding, ModelView, Place, StudyState } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { useNote } from "../note/context";
import { FIELDS } from "../note/words";
import { digits } from "../ui/units";
import { useDesk, type Look } from "../workspace/desk";
import { useSolve } from "../workspace/useSolve";
import { Controls, type CameraHandle, type Direction } from "./Controls";
import { Legend } from "./Legend";
import { Follow } from "./Mark";
import { MeshScene, type Pointed } from "./MeshScene";
import { FIELD_STOPS, gradient, QUALITY_STOPS, SIGNED_STOPS } from "./palette";
import { ShapeScene } from "./ShapeScene";
import { usePick } from "./usePick";

const LOOKS: readonly (readonly [Look, string])[] = [
  ["shape", "Shape"],
  ["mesh", "Mesh"],
  ["results", "Results"],
];

/** The box around all bodies and outlines. */
function box(view: ModelView): [number[], number[]] {
  const corners = view.shape.places.flatMap((p) => p.bounds);
  const drawn = Object.values(view.shape.outlines).flatMap((loops) => loops.flatMap((l) => l.points.map(([x, y]) => [x, y, 0])));
  const all = corners.length ? corners : drawn;
  if (all.length === 0) return [[-0.05, -0.05, 0], [0.05, 0.05, 0]];
  const end = (pick: (...v: number[]) => number) => [0, 1, 2].map((k) => pick(...all.map((c) => c[k] as number)));
  return [end(Math.min), end(Math.max)];
}

export function ModelWindow() {
  const { view } = useNote();
  const { look, study: chosen, set } = useDesk();
  const study = view.studies.find((s) => s.name === chosen) ?? view.studies[0] ?? null;
  const camera = useRef<CameraHandle | null>(null);
  const [low, high] = useMemo(() => box(view), [view]);
  const keep = useCallback((handle: CameraHandle) => {
    camera.current = handle;
  }, []);
  const fit = (from?: Direction) => camera.current?.fit(from);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA)$/.test(event.target.tagName);
      if (!typing && !event.ctrlKey && !event.metaKey && event.key.toLowerCase() === "f") camera.current?.fit();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  const scene = { low, high, flat: view.shape.dimension === 2 || view.shape.dimension === null, keep };
  return (
    <div className="relative h-full overflow-hidden bg-gradient-to-b from-[#eff0ec] to-[#d9ded9]" data-testid="window" data-look={look}>
      {look === "shape" && <ShapeLook scene={scene} />}
      {look === "mesh" && <MeshLook scene={scene} />}
      {look === "results" && <ResultsLook key={study?.name} scene={scene} study={study} />}
      <div className="absolute right-4 top-3 flex overflow-hidden rounded-md bg-paper shadow-sm" role="tablist" aria-label="Look">
        {LOOKS.map(([key, text]) => (
          <button key={key} role="tab" aria-selected={look === key} className={`px-3 py-1.5 ${look === key ? "bg-slate text-white" : "hover:bg-glow"}`} onClick={() => set({ look: key })}>
            {text}
          </button>
        ))}
      </div>
      <div className="absolute right-4 top-14 flex flex-col gap-1">
        <button className="card grid size-7 place-items-center hover:bg-glow" aria-label="Fit" title="Fit (F)" onClick={() => fit()}>
          <Maximize2 className="size-3.5" />
        </button>
        {(["iso", "front", "top", "right"] as const).map((from) => (
          <button key={from} className="card h-7 px-1.5 text-[11px] hover:bg-glow" onClick={() => fit(from)}>
            {from}
          </button>
        ))}
      </div>
    </div>
  );
}

interface SceneProps {
  low: number[];
  high: number[];
  flat: boolean;
  keep: (camera: CameraHandle) => void;
}

function Stage({ scene, children }: { scene: SceneProps; children: ReactNode }) {
  return (
    <Canvas orthographic frameloop="demand" dpr={[1, 2]} raycaster={{ params: { Line: { threshold: Math.hypot(...scene.high.map((h, i) => h - (scene.low[i] ?? 0))) * 0.008 } } as never }} gl={{ antialias: true, preserveDrawingBuffer: true }}>
      <Controls low={scene.low} high={scene.high} flat={scene.flat} handle={scene.keep} />
      {children}
    </Canvas>
  );
}

function Card({ children }: { children: ReactNode }) {
  return <div className="card absolute left-4 top-3 max-w-[calc(100%-260px)] px-3 py-1.5 text-[13px]">{children}</div>;
}

function Empty({ text, children }: { text: string; children?: ReactNode }) {
  return (
    <div className="grid h-full place-items-center">
      <div className="max-w-sm text-center font-serif text-[16px] text-faint">
        <p>{text}</p>
        <div className="mt-3 font-sans">{children}</div>
      </div>
    </div>
  );
}

const measure = (place: Place) => (place.of === "faces" ? "area" : place.of === "edges" ? "length" : place.of === "bodies" ? "volume" : null);

function ShapeLook({ scene }: { scene: SceneProps }) {
  const { view, shown } = useNote();
  const { picking } = useDesk();
  const pick = usePick();
  const [hover, setHover] = useState<Place | null>(null);
  if (Object.keys(view.shape.outlines).length === 0) {
    return <Empty text="Nothing is drawn yet. Press / and write rectangle, circle or outline; then body." />;
  }
  const kind = hover && measure(hover);
  return (
    <>
      <Stage scene={scene}>
        <ShapeScene shape={view.shape} onPick={(place) => void pick(place)} onHover={setHover} />
      </Stage>
      <Card>
        {hover ? (
          <>
            <b className="font-semibold">{hover.name}</b> of {hover.body} · {hover.kind}
            {kind && hover.measure !== null && <> · {shown.text(hover.measure, kind)}</>}
            {hover.bore !== null && <> · ⌀ {shown.text(hover.bore, "length")}</>}
          </>
        ) : picking ? (
          <span className="text-amber-ink">Click what the statement acts on; Escape ends picking.</span>
        ) : (
          <>
            {view.shape.bodies.length} {view.shape.bodies.length === 1 ? "body" : "bodies"}
            {view.shape.size !== null && <>, {shown.text(view.shape.size, "length")} across</>}
          </>
        )}
      </Card>
    </>
  );
}

function MeshLook({ scene }: { scene: SceneProps }) {
  const { view } = useNote();
  const { mesh } = useSolve(view);
  const summary = view.mesh?.summary;
  const { data: skin, error } = useSkin(summary ? (view.mesh?.digest ?? null) : null);
  const [pointed, setPointed] = useState<Pointed | null>(null);
  const busy = view.runs.some((r) => r.state === "running" || r.state === "queued");
  if (!summary) {
    return (
      <Empty text={view.mesh ? "This shape has not been meshed at this size." : "A mesh wants a body and a mesh statement: press / and write mesh."}>
        {view.mesh && (
          <button className="button-strong" disabled={busy} onClick={() => void mesh()}>
            {busy ? "Meshing…" : "Mesh"}
          </button>
        )}
      </Empty>
    );
  }
  if (error) return <Empty text={error instanceof Refused ? error.message : "The mesh cannot be shown."} />;
  if (!skin) return <Empty text="Reading the mesh…" />;
  const quality = skin.arrays.quality as Float32Array;
  return (
    <>
      <Stage scene={scene}>
        <MeshScene skin={skin} values={quality} stops={QUALITY_STOPS} low={0} high={1} limit={null} sides onPoint={setPointed} />
      </Stage>
      <Card>
        <b className="font-semibold">{digits(summary.elements)} elements</b>, {digits(summary.nodes)} nodes, {digits(summary.unknowns)} unknowns · worst quality {summary.worst.toFixed(2)}
        {pointed && <> · here {(quality[pointed.node] ?? 0).toFixed(2)}</>}
      </Card>
      <div className="card absolute bottom-3 left-4 w-64 px-3 pb-1 pt-2">
        <div className="h-2.5 rounded-sm" style={{ background: gradient(QUALITY_STOPS) }} />
        <div className="flex justify-between font-mono text-[11.5px]">
          <span>0</span>
          <span className="font-sans text-faint">quality (scaled Jacobian)</span>
          <span>1</span>
        </div>
      </div>
    </>
  );
}

/** The limit in force for a field: the tightest of those that read it. */
function limitOf(study: StudyState, field: string): LimitFinding | null {
  const limits = (study.findings?.findings ?? []).filter((f): f is LimitFinding => f.kind === "limit" && f.quantity === field);
  return limits.sort((a, b) => a.allowed - b.allowed)[0] ?? null;
}

/** Ten percent of the part, unless the user says otherwise. */
function proposedExaggeration(size: number, greatest: number): number {
  if (greatest <= 0) return 1;
  const wanted = (size * 0.06) / greatest;
  const step = 10 ** Math.floor(Math.log10(wanted));
  return Math.max(Math.floor(wanted / step) * step, 1);
}

function ResultsLook({ scene, study }: { scene: SceneProps; study: StudyState | null }) {
  const { view, shown } = useNote();
  const { solve } = useSolve(view);
  const { field, ends, exaggeration, animated, marks, set } = useDesk();
  const { data: skin } = useSkin(study?.mesh ?? null);
  const { data: found, error } = useField(study?.result ?? null, field);
  const [pointed, setPointed] = useState<Pointed | null>(null);
  const [highLabel, setHighLabel] = useState<HTMLElement | null>(null);
  const [lowLabel, setLowLabel] = useState<HTMLElement | null>(null);
  const [pointLabel, setPointLabel] = useState<HTMLElement | null>(null);
  const busy = view.runs.some((r) => r.state === "running" || r.state === "queued");

  if (!study) return <Empty text="There is no study yet: press / and write static." />;
  if (!study.result) {
    return (
      <Empty text={busy ? "Solving; the result appears here." : `${study.name} has not been solved.`}>
        {!busy && (
          <button className="button-strong" disabled={!view.ready} onClick={() => void solve()}>
            Solve
          </button>
        )}
        {!view.ready && !busy && <p className="mt-2 text-[13px]">Something is still missing: see the list beside Solve.</p>}
      </Empty>
    );
  }
  if (error) return <Empty text={error instanceof Refused ? error.message : "The result cannot be shown."} />;
  if (!skin || !found) return <Empty text="Reading the result…" />;

  const values = found.arrays[field] as Float32Array;
  const displacement = found.arrays.displacement as Float32Array;
  const extremes = found.meta.extremes[field];
  if (!values || !extremes) return <Empty text="Reading the field…" />;
  const signed = extremes.min < 0 && extremes.max > 0 && Math.min(-extremes.min, extremes.max) > 1e-9 * Math.max(-extremes.min, extremes.max);
  const limit = limitOf(study, field);
  const reach = Math.max(Math.abs(extremes.min), Math.abs(extremes.max));
  const high = ends.high ?? limit?.allowed ?? (signed ? reach : extremes.max);
  const low = ends.low ?? (signed ? -high : Math.min(extremes.min, 0));
  const kind = extremes.dimension;
  const greatest = study.findings?.summary.peaks.displacement.value ?? 0;
  const factor = exaggeration ?? proposedExaggeration(view.shape.size ?? 1, greatest);
  const at = (place: number[]) => moved(place, skin.arrays.positions as Float32Array, displacement, factor);
  const title = FIELDS.find(([name]) => name === field)?.[1] ?? field;
  const peak = Math.abs(extremes.min) > Math.abs(extremes.max) ? extremes.min : extremes.max;

  return (
    <>
      <Stage scene={scene}>
        <MeshScene skin={skin} values={values} stops={signed ? SIGNED_STOPS : FIELD_STOPS} low={low} high={high} limit={limit?.allowed ?? null} displacement={displacement} exaggeration={factor} animated={animated} sides={false} onPoint={setPointed} />
        {marks && !animated && <Follow at={at(extremes.max_at)} label={highLabel} />}
        {marks && !animated && <Follow at={at(extremes.min_at)} label={lowLabel} />}
        {pointed && <Follow at={pointed.at} label={pointLabel} />}
      </Stage>
      <div className="pointer-events-none absolute inset-0">
        {marks && !animated && (
          <>
            <Label keep={setHighLabel} text={shown.text(extremes.max, kind)} tone="bg-slate text-white" />
            {signed && <Label keep={setLowLabel} text={shown.text(extremes.min, kind)} tone="bg-slate-soft text-white" />}
          </>
        )}
        {pointed && <Label keep={setPointLabel} text={shown.text(values[pointed.node] ?? 0, kind)} tone="bg-paper text-ink" />}
      </div>
      <Card>
        <span className={study.state === "stale" ? "opacity-60" : ""}>
          <ChoiceChip label="field" value={field} options={FIELDS} onChoose={(v) => set({ field: v, ends: { low: null, high: null } })}>
            <b className="font-sans text-[13px] font-semibold">{title}</b>
          </ChoiceChip>{" "}
          · {study.name} · peak <b className="font-semibold">{shown.text(peak, kind)}</b>
          {limit && <>, {Math.round((Math.abs(peak) / limit.allowed) * 100)} % of the limit</>}
        </span>
        {study.state === "stale" && <span className="ml-2 text-amber-ink">stale: the model has changed since</span>}
      </Card>
      <div className="card absolute bottom-[68px] left-4 flex items-center gap-2 px-2 py-1 text-[12px]">
        <label className="flex items-center gap-1.5">
          displacements ×
          <input
            key={factor}
            className="field w-16"
            aria-label="Exaggeration"
            defaultValue={factor}
            onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
            onBlur={(event) => {
              const typed = Number(event.target.value.replace(",", "."));
              if (Number.isFinite(typed) && typed >= 0 && typed !== factor) set({ exaggeration: typed });
              else event.target.value = String(factor);
            }}
          />
        </label>
        <button className={`rounded px-1.5 ${factor === 1 ? "bg-slate text-white" : "hover:bg-glow"}`} aria-pressed={factor === 1} onClick={() => set({ exaggeration: exaggeration === 1 ? null : 1 })}>
          true scale
        </button>
        <button className="flex items-center gap-1 rounded px-1.5 hover:bg-glow" aria-pressed={animated} onClick={() => set({ animated: !animated })}>
          {animated ? <Pause className="size-3.5" /> : <Play className="size-3.5" />} {animated ? "pause" : "animate"}
        </button>
        <button className={`rounded px-1.5 ${marks ? "bg-slate text-white" : "hover:bg-glow"}`} aria-pressed={marks} onClick={() => set({ marks: !marks })}>
          extremes
        </button>
      </div>
      <div className="absolute inset-x-4 bottom-2">
        <Legend stops={signed ? SIGNED_STOPS : FIELD_STOPS} low={low} high={high} limit={limit && ends.high === null ? limit.allowed : null} peak={reach} kind={kind} />
      </div>
    </>
  );
}

/** Where a place of the mesh is drawn: moved with the nearest node of the skin. */
function moved(place: number[], positions: Float32Array, displacement: Float32Array, factor: number): [number, number, number] {
  let [best, node] = [Infinity, 0];
  for (let i = 0; i < positions.length; i += 3) {
    const d = ((positions[i] as number) - (place[0] as number)) ** 2 + ((positions[i + 1] as number) - (place[1] as number)) ** 2 + ((positions[i + 2] as number) - (place[2] as number)) ** 2;
    if (d < best) [best, node] = [d, i];
  }
  return [0, 1, 2].map((k) => (place[k] as number) + factor * (displacement[node + k] as number)) as [number, number, number];
}

function Label({ keep, text, tone }: { keep: (element: HTMLElement | null) => void; text: string; tone: string }) {
  return (
    <span ref={keep} className="absolute left-0 top-0 block size-0">
      <span className="absolute -left-1 -top-1 size-2 rounded-full border-2 border-slate bg-white" />
      <span className={`absolute bottom-2 left-2 whitespace-nowrap rounded px-2 py-0.5 font-mono text-[12px] shadow ${tone}`}>{text}</span>
    </span>
  );
}
