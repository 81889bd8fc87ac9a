import { useCallback, useEffect, useMemo, useRef } from "react";
import { Maximize2 } from "lucide-react";
import { useDrawn } from "../draw/useDrawn";
import { useNote } from "../note/context";
import { useDesk, type Look } from "../workspace/desk";
import { boxOfModel } from "./boxes";
import type { CameraHandle } from "./Controls";
import type { Direction } from "./eye";
import { MeshLook } from "./MeshLook";
import { ResultsLook } from "./ResultsLook";
import { ShapeLook } from "./ShapeLook";

const LOOKS: readonly (readonly [Look, string])[] = [
  ["shape", "Shape"],
  ["mesh", "Mesh"],
  ["results", "Results"],
];

export function ModelWindow() {
  const { view } = useNote();
  const { look, study: chosen, paper, up: turned, eye, set } = useDesk();
  const onPaper = useDrawn() !== null && paper && look === "shape";
  const study = view.studies.find((s) => s.name === chosen) ?? view.studies[0] ?? null;
  const camera = useRef<CameraHandle | null>(null);
  const { low, high } = useMemo(() => boxOfModel(view), [view]);
  const keep = useCallback((handle: CameraHandle | null) => {
    camera.current = handle;
    const { eye, set: put } = useDesk.getState();
    put({ eyeNow: handle?.eye ?? null });
    if (!handle || !eye) return;
    handle.take(eye);
    put({ eye: null });
  }, []);
  // A view that is asked for while the camera stands.
  useEffect(() => {
    if (!eye || !camera.current || useDesk.getState().eye !== eye) return;
    camera.current.take(eye);
    set({ eye: null });
  }, [eye, set]);
  const fit = (from?: Direction) => camera.current?.fit(from);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLElement && /^(INPUT|TEXTAREA)$/.test(event.target.tagName);
      if (!typing && !event.ctrlKey && !event.metaKey && event.key.toLowerCase() === "f") camera.current?.fit();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  const flat = view.shape.dimension === 2 || (view.shape.dimension === null && Object.keys(view.shape.lines).length === 0);
  const scene = { low, high, flat, up: turned ?? view.shape.up, keep };
  return (
    <div className="relative h-full overflow-hidden bg-gradient-to-b from-[#eff0ec] to-[#d9ded9]" data-testid="window" data-look={look}>
      {look === "shape" && <ShapeLook scene={scene} camera={camera} />}
      {look === "mesh" && <MeshLook scene={scene} />}
      {look === "results" && <ResultsLook key={study?.name} scene={scene} study={study} />}
      <div className="absolute right-4 top-3 flex overflow-hidden rounded-md bg-paper shadow-sm" role="tablist" aria-label="Look">
        {LOOKS.map(([key, text]) => (
          <button key={key} role="tab" aria-selected={look === key} className={`px-3 py-1.5 ${look === key ? "bg-slate text-white" : "hover:bg-glow"}`} onClick={() => set({ look: key })}>
            {text}
          </button>
        ))}
      </div>
      {!onPaper && <div className="absolute right-4 top-14 flex flex-col gap-1">
        <button className="card grid size-7 place-items-center hover:bg-glow" aria-label="Fit" title="Fit (F)" onClick={() => fit()}>
          <Maximize2 className="size-3.5" />
        </button>
        {(["iso", "front", "top", "right"] as const).map((from) => (
          <button key={from} className="card h-7 px-1.5 text-[11px] hover:bg-glow" onClick={() => fit(from)}>
            {from}
          </button>
        ))}
        {!flat && (
          <button
            className="card h-7 px-1.5 text-[11px] hover:bg-glow"
            title="Which axis points up"
            onClick={() => {
              set({ up: scene.up === "z" ? "y" : "z" });
              setTimeout(() => fit("iso"));
            }}
          >
            {scene.up} up
          </button>
        )}
      </div>}
    </div>
  );
}
