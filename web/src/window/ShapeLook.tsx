import { useEffect, useMemo, useState, type RefObject } from "react";
import type { Place } from "../api/types";
import { PlaneView } from "../draw/PlaneView";
import { useDrawn } from "../draw/useDrawn";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { BoxPick } from "./BoxPick";
import { Card, Empty } from "./Card";
import type { CameraHandle } from "./Controls";
import { Follow, Label } from "./Mark";
import { glyphsOf, type Glyph } from "./glyphs/glyphsOf";
import { tintsOf } from "./tints";
import { MeasureCard } from "./MeasureCard";
import { SeeingBar } from "./SeeingBar";
import { ShapeScene } from "./ShapeScene";
import { Stage, type SceneProps } from "./Stage";
import { usePick } from "./usePick";

const MEASURED: Record<string, string | undefined> = { faces: "area", edges: "length", bodies: "volume" };

/** The shape in space, or the selected outline on paper. */
export function ShapeLook({ scene, camera }: { scene: SceneProps; camera: RefObject<CameraHandle | null> }) {
  const { view, surfaces, shown } = useNote();
  const { boxing, paper, spot, glyphs, colours } = useDesk();
  const [glyph, setGlyph] = useState<Glyph | null>(null);
  const [glyphLabel, setGlyphLabel] = useState<HTMLElement | null>(null);
  const drawnGlyphs = useMemo(() => (glyphs && surfaces ? glyphsOf(view, surfaces) : null), [glyphs, surfaces, view]);
  const { tints, key } = useMemo(() => tintsOf(view.shape.bodies, colours), [view.shape.bodies, colours]);
  const [label, setLabel] = useState<HTMLElement | null>(null);
  const pick = usePick();
  const drawn = useDrawn();
  const [hover, setHover] = useState<Place | null>(null);
  useChoosingKeys();
  if (paper && drawn) return <PlaneView key={drawn.id} statement={drawn} />;
  if (Object.keys(view.shape.outlines).length + Object.keys(view.shape.lines).length + view.shape.bodies.length === 0) {
    return <Empty text="Nothing is drawn yet. Press / and write rectangle, circle, outline or section; then body. Or bring in a file with /import." />;
  }
  return (
    <>
      <Stage scene={scene}>
        <ShapeScene shape={view.shape} statements={view.document.statements} surfaces={surfaces} low={scene.low} high={scene.high} onPick={(places, more) => void pick(places, more)} onHover={setHover} glyphs={drawnGlyphs} onGlyph={setGlyph} tints={tints} />
        {glyph && <Follow at={glyph.at} label={glyphLabel} />}
        {spot && <Follow at={spot} label={label} />}
      </Stage>
      {glyph && (
        <div className="pointer-events-none absolute inset-0 overflow-hidden">
          <Label keep={setGlyphLabel} text={glyph.words} tone="bg-paper text-ink" />
        </div>
      )}
      {key.length > 0 && (
        <ul className="card absolute left-4 top-12 px-3 py-1.5 text-[12px]" aria-label={`Colours by ${colours}`}>
          {key.map(([words, colour]) => (
            <li key={words} className="flex items-center gap-2">
              <span className="size-3 rounded-sm" style={{ background: colour }} /> {words}
            </li>
          ))}
        </ul>
      )}
      {spot && (
        <div className="pointer-events-none absolute inset-0 overflow-hidden">
          <Label keep={setLabel} text={spot.map((c) => shown.text(c, "length")).join("; ")} tone="bg-vermilion text-white" />
        </div>
      )}
      {boxing && <BoxPick camera={camera} onPick={(places) => void pick(places, true)} />}
      <ShapeCard hover={hover} />
      <MeasureCard />
      <SeeingBar />
    </>
  );
}

function ShapeCard({ hover }: { hover: Place | null }) {
  const { view, shown } = useNote();
  const { picking, motion, set } = useDesk();
  const drawn = useDrawn();
  const kind = hover && MEASURED[hover.of];
  return (
    <Card>
      {hover ? (
        <>
          <b className="font-semibold">{hover.name}</b> {hover.of !== "bodies" && <>of {hover.body} </>}· {hover.kind}
          {kind && hover.measure !== null && <> · {shown.text(hover.measure, kind)}</>}
          {hover.radius !== null && <> · ⌀ {shown.text(hover.radius * 2, "length")}</>}
        </>
      ) : picking ? (
        <span className="text-amber-ink">Click what the statement acts on; Escape ends picking.</span>
      ) : motion ? (
        <>
          <span className="text-amber-ink">Nothing resists this motion.</span>
          <button className="ml-2 rounded px-1.5 text-spruce underline hover:bg-glow" onClick={() => set({ motion: null })}>
            stop
          </button>
        </>
      ) : (
        <>
          {view.shape.bodies.length} {view.shape.bodies.length === 1 ? "body" : "bodies"}
          {view.shape.size !== null && <>, {shown.text(view.shape.size, "length")} across</>}
          {drawn && (
            <button className="ml-2 rounded px-1.5 text-spruce underline hover:bg-glow" onClick={() => set({ paper: true })}>
              draw {drawn.name} on paper
            </button>
          )}
        </>
      )}
    </Card>
  );
}

/** Escape lets go of what is chosen; G shows or hides supports and loads; H hides the chosen bodies, I leaves only them, A shows all. */
function useChoosingKeys() {
  const { set } = useDesk();
  const { view } = useNote();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA)$/.test(event.target.tagName);
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      const { chosen, hidden } = useDesk.getState();
      const bodies = new Set(chosen.map(([body]) => body));
      const key = event.key.toLowerCase();
      if (key === "escape") set({ chosen: [], boxing: false, spot: null, motion: null });
      if (key === "g") set({ glyphs: !useDesk.getState().glyphs });
      if (key === "h" && bodies.size) set({ hidden: [...new Set([...hidden, ...bodies])], chosen: [] });
      if (key === "i" && bodies.size) set({ hidden: view.shape.bodies.map((b) => b.name).filter((name) => !bodies.has(name)) });
      if (key === "a") set({ hidden: [] });
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [set, view.shape.bodies]);
}
