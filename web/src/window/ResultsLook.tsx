import { useCallback, useMemo, useRef, useState } from "react";
import { Pause, Play } from "lucide-react";
import { Refused, type Arrays } from "../api/client";
import { useField, useSkin, type SkinMeta } from "../api/results";
import type { ResonanceFinding, StudyState, SweepFinding } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useSteady } from "../ui/useSteady";
import { useDesk } from "../workspace/desk";
import { useSolve } from "../workspace/useSolve";
import { apartSkin } from "./apartSkin";
import { ApartSlider } from "./ApartSlider";
import { Arrows } from "./Arrows";
import { Card, Empty } from "./Card";
import { Cracks } from "./Cracks";
import { Diagram, drawn, FORCES, type DiagramArrays } from "./Diagram";
import { boxOfPoints } from "./boxes";
import { apartBy } from "./drawnBodies";
import { absentIn, lookOf } from "./fieldLook";
import { ExportMenu } from "./ExportMenu";
import { FieldScene } from "./FieldScene";
import { Ghost } from "./Ghost";
import type { Pointed } from "./MeshScene";
import { ProbeLabels, ProbeMarks, useProbes, valueAt } from "./Probes";
import { ReadingBar } from "./ReadingBar";
import { ToggleButton } from "./ToggleButton";
import { useShownField, wordsAround } from "./useShownField";
import { WayStrip } from "./WayStrip";
import { FrequencyStrip } from "./FrequencyStrip";
import { FrameStrip } from "./FrameStrip";
import { KeepView } from "./KeepView";
import type { Glyph } from "./glyphs/glyphsOf";
import { Legend } from "./Legend";
import { LoadArrows } from "./LoadArrows";
import { Follow, Label } from "./Mark";
import { cornerAt, moved } from "./movedPlace";
import { presentSkin } from "./presentSkin";
import { ScaleTools } from "./ScaleTools";
import { StageStrip } from "./StageStrip";
import { Stage, type SceneProps } from "./Stage";
import { useFilm } from "./useFilm";

const ARROWS = [
  ["", "none"],
  ["displacement", "displacement"],
  ["reaction", "reactions"],
  ["load", "loads"],
] as const;
const SPEEDS = [
  ["0.25", "a quarter as fast"],
  ["0.5", "half as fast"],
  ["1", "usual speed"],
  ["2", "twice as fast"],
  ["4", "four times as fast"],
] as const;
const FORCE_KIND = { N: "force", V2: "force", V3: "force", T: "moment", M2: "moment", M3: "moment" } as const;
const COVERED = { one: [0, 100, 40], strip: [0, 170, 60] } as const; // pixels that cards cover below and above, with a strip of frames and without

/** A field of a solved study on the deformed body. */
export function ResultsLook({ scene, study }: { scene: SceneProps; study: StudyState | null }) {
  const { view, shown } = useNote();
  const { solve } = useSolve(view);
  const desk = useDesk();
  const { ends, exaggeration, animated, marks, banded, hidden, spot, speed, set } = desk;
  const { fields, field, frames, frame, layers, layer, clip, byElement, reading, found, error } = useShownField(view, study);
  const { data: rest } = useSkin(study?.mesh ?? null);
  const moves = useMemo(() => apartBy(view.shape, desk.apart), [view.shape, desk.apart]);
  const gone = absentIn(study?.findings?.findings ?? [], frame);
  const laid = useCallback((bare: Arrays<SkinMeta>) => presentSkin(apartSkin(bare, moves), [...hidden, ...(gone ? gone.split("\n") : [])]), [moves, gone, hidden]);
  const skin = useMemo(() => rest && laid(rest), [rest, laid]);
  const { probes, put, drop } = useProbes(study?.mesh ?? null);
  const labels = useRef<HTMLDivElement>(null);
  const still = frames[frame]?.kind === "envelope";
  const grows = frames[0]?.kind === "increment";
  // Increments are a film of their own: one frame after the other.
  const staged = frames[0]?.kind === "stage";
  useFilm((grows || staged) && animated && found !== undefined, frames.length, speed);
  const { data: reactions } = useField(desk.arrows === "reaction" && !still ? (study?.result ?? null) : null, "reaction_x,reaction_y,reaction_z", frame, null);
  const [pointed, setPointed] = useState<Pointed | null>(null);
  const [highLabel, setHighLabel] = useState<HTMLElement | null>(null);
  const [lowLabel, setLowLabel] = useState<HTMLElement | null>(null);
  const [pointLabel, setPointLabel] = useState<HTMLElement | null>(null);
  const [load, setLoad] = useState<Glyph | null>(null);
  const [spotLabel, setSpotLabel] = useState<HTMLElement | null>(null);
  const pick = useSteady((told: Pointed) => rest && found && put(told.corner, cornerAt(rest, rest.arrays.positions as Float32Array, found.arrays.moved as Float32Array, 0, told.corner)));
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
  if (!skin || !rest || !found) return <Empty text="Reading the result…" />;

  const displacement = found.arrays.moved as Float32Array;
  const vectors = still ? null : desk.arrows === "displacement" ? displacement : desk.arrows === "reaction" && reactions ? together(reactions.arrays) : desk.arrows === "cut" ? drivenOf(displacement, found.arrays.driven) : null;
  const extremes = found.meta.extremes[field];
  if (!extremes) return <Empty text="Reading the field…" />;
  const { limit, leastTells, scale, factor, weakened, shape, kind, peak, collapse } = lookOf(view, study, field, frame, extremes, ends, exaggeration);
  // A close-up is looked at closely.
  const box = found.arrays.veiled ? boxOfPoints(rest.arrays.positions as Float32Array) : {};
  const at = (place: number[]) => moved(place, rest.arrays.positions as Float32Array, skin.arrays.positions as Float32Array, displacement, factor);
  const course = desk.diagram && !still && found.arrays["diagram at"] ? drawn(diagramOf(found.arrays), desk.diagram, animated ? 0 : factor, (view.shape.size ?? 1) * 0.08) : null;
  const named = (f: { name: string; words: string }) => wordsAround(f.name, f.words, reading.around !== null);
  const title = named(fields.find((f) => f.name === field) ?? { name: field, words: field });
  const text = (value: number | undefined) => (value === undefined ? "–" : shown.text(value, kind));

  return (
    <>
      <Stage scene={{ ...scene, ...box, cover: frames.length > 1 ? COVERED.strip : COVERED.one, triangles: (skin.arrays.triangles?.length ?? 0) / 3 }}>
        <FieldScene skin={skin} found={found} field={field} scale={scale} limit={limit?.allowed ?? null} exaggeration={factor} animated={animated && !grows && !staged} speed={speed} banded={banded} clip={clip} still={rest.arrays.positions as Float32Array} laid={laid} onPoint={setPointed} onPick={pick} />
        {desk.ghost && <Ghost skin={skin} />}
        <ProbeMarks places={animated ? [] : probes.map((p) => cornerAt(rest, skin.arrays.positions as Float32Array, displacement, factor, p.corner))} box={labels} />
        {vectors && <Arrows positions={skin.arrays.positions as Float32Array} displacement={displacement} exaggeration={factor} vectors={vectors} size={view.shape.size ?? 1} />}
        {found.arrays.cracks && <Cracks cracks={found.arrays.cracks as Float32Array} size={view.shape.size ?? 1} />}
        {course && <Diagram shape={course} />}
        {marks && !animated && !course && <Follow at={at(extremes.max_at)} label={highLabel} />}
        {marks && !animated && !course && <Follow at={at(extremes.min_at)} label={lowLabel} />}
        {course && <Follow at={course.high.at} label={highLabel} />}
        {course && <Follow at={course.low.at} label={lowLabel} />}
        {desk.arrows === "load" && !animated && <LoadArrows only={frames[frame]?.kind === "case" ? frames[frame].name : null} rest={rest.arrays.positions as Float32Array} drawn={skin.arrays.positions as Float32Array} displacement={displacement} factor={factor} onHover={setLoad} />}
        {spot && !animated && <Follow at={at(spot)} label={spotLabel} />}
        {(pointed ?? load) && <Follow at={(pointed ?? load)?.at ?? [0, 0, 0]} label={pointLabel} />}
      </Stage>
      <div className="pointer-events-none absolute inset-0">
        {course && desk.diagram && (
          <>
            <Label keep={setHighLabel} text={`${desk.diagram} ${shown.text(course.high.value, FORCE_KIND[desk.diagram])}`} tone="bg-slate text-white" />
            <Label keep={setLowLabel} text={`${desk.diagram} ${shown.text(course.low.value, FORCE_KIND[desk.diagram])}`} tone="bg-slate-soft text-white" />
          </>
        )}
        {marks && !animated && !course && (
          <>
            <Label keep={setHighLabel} text={shown.text(extremes.max, kind)} tone="bg-slate text-white" />
            {(scale.signed || leastTells) && <Label keep={setLowLabel} text={shown.text(extremes.min, kind)} tone="bg-slate-soft text-white" />}
          </>
        )}
        {!animated && <ProbeLabels probes={probes} texts={probes.map((p) => text(valueAt(p, found, field, rest)))} box={labels} onDrop={drop} />}
        {spot && !animated && <Label keep={setSpotLabel} text={spot.map((c) => shown.text(c, "length")).join("; ")} tone="bg-vermilion text-white" />}
        {(pointed ?? load) && <Label keep={setPointLabel} text={load ? load.words : shown.text(pointed?.value ?? 0, kind)} tone="bg-paper text-ink" />}
      </div>
      <Card>
        <span className={study.state === "stale" ? "opacity-60" : ""}>
          <ChoiceChip label="field" value={field} options={fields.map((f) => [f.name, named(f)] as const)} onChoose={(v) => set({ field: v, ends: { low: null, high: null } })}>
            <b className="font-sans text-[13px] font-semibold">{title}</b>
          </ChoiceChip>{" "}
          {layers.length > 0 && fields.find((f) => f.name === field)?.dimension === "stress" && (
            <ChoiceChip
              label="layer"
              value={layer ?? ""}
              options={[["", "largest of all layers"], ...layers.map((l) => [l, `at the ${l}`] as const)] as readonly (readonly [string, string])[]}
              onChoose={(v) => set({ layer: v || null })}
            />
          )}{" "}
          · {study.name}
          {(frames.length > 1 || shape) && <>, {frames[frame]?.name}</>}
          {shape ? (
            <>
              {" "}
              · <b className="font-semibold">{frames[frame]?.unit === "frequency" ? shown.text(frames[frame]?.value ?? 0, "frequency") : `${digits(frames[frame]?.value ?? 0)} × the loads`}</b>
            </>
          ) : (
            <>
              {" "}
              · {leastTells ? "least" : "peak"} <b className="font-semibold">{shown.text(peak, kind)}</b>
            </>
          )}
          {limit && <>, {Math.round((Math.abs(peak) / limit.allowed) * 100)} % of the limit</>}
        </span>
        {found.arrays.veiled && <span className="ml-2 text-faint">grey: too near to the cut to be read</span>}
        {study.state === "stale" && <span className="ml-2 text-amber-ink">stale: the model has changed since</span>}
      </Card>
      <div className="pointer-events-none absolute inset-x-4 bottom-2 flex flex-col gap-1.5 [&>*]:pointer-events-auto">
        <div className="card flex flex-col gap-1 self-start px-2 py-1 text-[12px]">
          <ReadingBar byElement={byElement} clip={clip}>
            <KeepView />
            <ExportMenu
              name={`${study.name} ${title}`}
              result={study.result}
              frame={frame}
              layer={layer}
              reading={reading}
              frames={shape || frames.length < 2 || frames[0]?.kind === "case" ? [] : frames.filter((f) => f.kind !== "envelope").map((f) => f.index)}
              titleOf={(f) => ({ text: [title, study.name, ...(frames.length > 1 ? [frames[f]?.name ?? ""] : [])].join(" · "), low: shown.text(scale.low, kind), high: shown.text(scale.high, kind), stops: scale.stops })}
              pictured={{ skin: rest, found, field, scale, limit: limit?.allowed ?? null, factor, banded, ghost: desk.ghost, clip, laid, model: { ...scene, ...box } }}
            />
          </ReadingBar>
          <div className="flex flex-wrap items-center gap-2">
            {still && <span className="text-faint">an envelope does not move;</span>}
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
            <ToggleButton pressed={factor === 1} onClick={() => set({ exaggeration: exaggeration === 1 ? null : 1 })}>
              true scale
            </ToggleButton>
            <button className="flex items-center gap-1 rounded px-1.5 hover:bg-glow" aria-pressed={animated} onClick={() => set({ animated: !animated })}>
              {animated ? <Pause className="size-3.5" /> : <Play className="size-3.5" />} {animated ? "pause" : "animate"}
            </button>
            {animated && <ChoiceChip label="speed" value={String(speed)} options={SPEEDS} onChoose={(v) => set({ speed: Number(v) })} />}
            {view.shape.bodies.length > 1 && <ApartSlider />}
            <ToggleButton pressed={marks} onClick={() => set({ marks: !marks })}>
              extremes
            </ToggleButton>
            {!still && (
              <span className="flex items-center gap-1">
                <span className="text-faint">arrows</span>
                <ChoiceChip label="arrows" value={desk.arrows} options={found.arrays.driven ? [...ARROWS, ["cut", "what the whole hands on"] as const] : ARROWS} onChoose={(v) => set({ arrows: v })} />
              </span>
            )}
            {!still && found.arrays["diagram at"] && (
              <span className="flex items-center gap-1">
                <span className="text-faint">along members</span>
                <ChoiceChip label="diagram" value={desk.diagram} options={[["", "none"], ...FORCES.map((f) => [f, f] as const)] as const} onChoose={(v) => set({ diagram: v })} />
              </span>
            )}
          </div>
        </div>
        {shape || frames[0]?.kind === "frequency" || frames[0]?.kind === "time" ? (
          <FrequencyStrip
            frames={frames}
            at={frame}
            running={study.findings?.findings.find((f): f is ResonanceFinding => f.kind === "resonance")}
            natural={study.findings?.findings.find((f): f is SweepFinding => f.kind === "sweep")?.modes.map((m) => m.frequency)}
          />
        ) : grows ? (
          <WayStrip frames={frames} at={frame} words={weakened ? (v) => `strength over ${v}` : (v) => `${v} × the loads`} found={collapse} />
        ) : staged ? (
          <StageStrip frames={frames} at={frame} />
        ) : <FrameStrip frames={frames} at={frame} />}
        <Legend stops={scale.stops} banded={banded} low={scale.low} high={scale.high} limit={limit && ends.high === null ? limit.allowed : null} peak={scale.reach} kind={kind}>
          <ScaleTools result={study.result} field={field} layer={layer} reading={reading} frames={frames.length} skin={rest} found={found} />
        </Legend>
      </div>
    </>
  );
}

const diagramOf = (arrays: Arrays<unknown>["arrays"]) => ({ at: arrays["diagram at"], moved: arrays["diagram moved"], axes: arrays["diagram axes"], values: arrays["diagram values"] }) as DiagramArrays;

/** The movement where the whole of a close-up drives it, none elsewhere. */
const drivenOf = (moved: Float32Array, driven: Float32Array | Int32Array | undefined) => driven ? moved.map((c, i) => c * (driven[Math.floor(i / 3)] ?? 0)) : null;

/** Three components as one list of vectors. */
function together(arrays: Arrays<unknown>["arrays"]): Float32Array {
  const parts = ["x", "y", "z"].map((c) => arrays[`reaction_${c}`] as Float32Array);
  const count = parts[0]?.length ?? 0;
  return Float32Array.from({ length: count * 3 }, (_, i) => parts[i % 3]?.[Math.floor(i / 3)] ?? 0);
}
