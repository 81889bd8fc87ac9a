import { useCallback, useRef, useState, type ReactNode } from "react";
import { Refused } from "../api/client";
import { useElements, useQuality } from "../api/hooks";
import type { Quality } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { useSolve } from "../workspace/useSolve";
import { BeforeMeshing } from "./BeforeMeshing";
import { CutOpen } from "./CutOpen";
import { Card, Empty } from "./Card";
import type { CameraHandle } from "./Controls";
import { ElementsScene, type PointedElement } from "./ElementsScene";
import { QualityCard } from "./QualityCard";
import { ends } from "./qualityEnds";
import { Stage, type SceneProps } from "./Stage";

const CARD = [312, 0] as const; // pixels that the card of quality and the buttons beside it cover

/** The mesh: whole elements coloured by their quality, cut open, one body, or only the worst. */
export function MeshLook({ scene }: { scene: SceneProps }) {
  const { view } = useNote();
  const { mesh } = useSolve(view);
  const { clip } = useDesk();
  const camera = useRef<CameraHandle | null>(null);
  const [chosen, setMeasure] = useState<string | null>(null);
  const [body, setBody] = useState<string | null>(null);
  const [worse, setWorse] = useState<number | null>(null);
  const [pointed, setPointed] = useState<PointedElement | null>(null);
  const { keep: keepOutside } = scene;
  const keep = useCallback(
    (handle: CameraHandle | null) => {
      camera.current = handle;
      keepOutside(handle);
    },
    [keepOutside],
  );
  const [old, setOld] = useState(false);
  const before = view.mesh?.before ?? null;
  const shownMesh = view.mesh?.summary ? { digest: view.mesh.digest, summary: view.mesh.summary } : old ? before : null;
  const summary = shownMesh?.summary;
  const measure = chosen ?? summary?.quality?.key ?? "mean_ratio";
  const digest = shownMesh?.digest ?? null;
  const { data: quality } = useQuality(digest, measure);
  const { data: elements, error } = useElements(digest, { measure, axis: clip?.axis ?? null, at: clip?.at ?? 0.5, turned: clip?.turned ?? false, body, worse });
  const busy = view.runs.some((r) => r.state === "running" || r.state === "queued");
  const names = view.shape.bodies.map((b) => b.name);
  if (!view.mesh) return <Empty text="A mesh wants a body and a mesh statement: press / and write mesh." />;
  if (!summary) return <BeforeMeshing scene={scene} busy={busy} onMesh={() => void mesh()} onBefore={before && (() => setOld(true))} />;
  if (error) return <Empty text={error instanceof Refused ? error.message : "The mesh cannot be shown."} />;
  if (!elements) return <Empty text="Reading the mesh…" />;
  const shown = quality?.measures.find((m) => m.key === quality.measure);
  const [bad, good] = shown ? ends(shown) : [0, 1];

  function jump(element: Quality["worst"][number]) {
    setWorse(element.value);
    camera.current?.visit(element.centre);
  }

  return (
    <>
      <Stage scene={{ ...scene, keep, cover: quality && shown ? CARD : undefined, triangles: (elements.arrays.triangles?.length ?? 0) / 3 }}>
        <ElementsScene elements={elements} bad={bad} good={good} onPoint={setPointed} />
      </Stage>
      <Card>
        {shownMesh === before && (
          <>
            <button className="button-strong mr-2" disabled={busy} onClick={() => void mesh()}>
              {busy ? "Meshing…" : "Mesh"}
            </button>
            <button className="mr-2 rounded px-1.5 text-spruce underline hover:bg-glow" onClick={() => setOld(false)}>
              Show the shape
            </button>
            <span className="mr-1 font-semibold text-amber-ink">The mesh before the last changes:</span>
          </>
        )}
        <b className="font-semibold">{digits(summary.elements)} elements</b>
        {shownMesh !== before && (
          <>
            , {digits(summary.nodes)} nodes, {digits(summary.unknowns)} unknowns
          </>
        )}
        {elements.meta.count < elements.meta.of && <> · {digits(elements.meta.count)} shown</>}
        {pointed && (
          <>
            {" "}
            · element {pointed.number + 1}: {pointed.value.toFixed(shown?.unit ? 1 : 3)} {shown?.unit}
          </>
        )}
      </Card>
      {quality && shown && (
        <QualityCard
          quality={quality}
          worse={worse}
          onMeasure={(key) => {
            setMeasure(key);
            setWorse(null);
          }}
          onWorse={setWorse}
          onJump={jump}
        />
      )}
      <CutBar>
        {names.length > 1 && <ChoiceChip label="bodies shown" value={body ?? ""} options={[["", "all bodies"], ...names.map((n) => [n, n] as const)]} onChoose={(v) => setBody(v || null)} />}
      </CutBar>
    </>
  );
}

/** Cuts the mesh open along whole elements. */
function CutBar({ children }: { children: ReactNode }) {
  return (
    <div role="toolbar" aria-label="Looking inside" className="card absolute bottom-3 left-4 flex items-center gap-1 px-1.5 py-1 text-[12px]">
      <CutOpen label="Where the mesh is cut" step={0.02} />
      {children}
    </div>
  );
}
