import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { ModelView, StudyState } from "../api/types";
import { useNote } from "../note/context";
import { usePane } from "../side/usePane";
import { digits } from "../ui/units";
import { MeshScene } from "../window/MeshScene";
import { FIELD_STOPS, gradient, SIGNED_STOPS } from "../window/palette";
import { Stage } from "../window/Stage";

const none = () => undefined;

/** The field of a study that its findings speak of, as a still picture with its scale. */
export function Picture({ study, view, onDrawn }: { study: StudyState; view: ModelView; onDrawn: () => void }) {
  const { shown } = useNote();
  const limited = study.findings?.findings.find((f) => f.kind === "limit");
  const known = study.findings?.summary.catalogue ?? [];
  const wanted = limited?.kind === "limit" ? limited.quantity : "von_mises";
  const field = (known.find((f) => f.name === wanted) ?? known[0])?.name ?? wanted;
  const pane = usePane({ model: view.id, study: study.name, frame: 0 }, field);
  const { skin, values, found, extreme } = pane;
  const [still, setStill] = useState<string | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const told = useRef(false);
  const keep = useCallback(none, []);
  const scene = useMemo(() => ({ ...boundsOf(skin?.arrays.positions as Float32Array | undefined), flat: view.shape.dimension === 2, up: view.shape.up, keep }), [skin, view, keep]);

  // Once it is drawn the canvas becomes a picture: pages of many studies would run out of them.
  useEffect(() => {
    if (!skin || still) return;
    const timer = setTimeout(() => {
      const canvas = box.current?.querySelector("canvas");
      if (canvas) setStill(canvas.toDataURL("image/png"));
    }, 900);
    return () => clearTimeout(timer);
  }, [skin, still]);
  useEffect(() => {
    if (!still || told.current) return;
    told.current = true;
    onDrawn();
  }, [still, onDrawn]);

  const shape = ["mode", "shape"].includes(study.findings?.summary.frames[0]?.kind ?? "");
  const kind = shape ? "ratio" : (extreme?.dimension ?? "ratio");
  const signed = extreme ? extreme.min < 0 && extreme.max > 0 : false;
  const stops = signed ? SIGNED_STOPS : FIELD_STOPS;
  const reach = extreme ? Math.max(Math.abs(extreme.min), Math.abs(extreme.max)) : 1;
  const high = signed ? reach : (extreme?.max ?? 1);
  const low = signed ? -reach : Math.min(extreme?.min ?? 0, 0);
  const frame = study.findings?.summary.frames[0];
  const factor = shape ? (view.shape.size ?? 1) / 12 : 0;
  return (
    <figure ref={box}>
      {still ? (
        <img src={still} alt={`${field} of ${study.name}`} />
      ) : (
        <div className="frame">
          {skin && values && found && (
            <Stage scene={scene}>
              <MeshScene skin={skin} values={values} veiled={found.arrays.veiled as Float32Array | undefined} stops={stops} low={low} high={high} limit={limited?.kind === "limit" && limited.quantity === field ? limited.allowed : null} displacement={found.arrays.moved as Float32Array} exaggeration={factor} sides={false} onPoint={none} />
            </Stage>
          )}
        </div>
      )}
      <div className="scale" style={{ background: gradient(stops) }} />
      <figcaption>
        {digits(shown.number(low, kind))} to {shown.text(high, kind)} · {known.find((f) => f.name === field)?.words} {frame && (study.findings?.summary.frames.length ?? 0) > 1 ? `in ${frame.name}` : ""}
        {extreme && !shape && ` · peak ${shown.text(Math.abs(extreme.min) > Math.abs(extreme.max) ? extreme.min : extreme.max, kind)}`}
      </figcaption>
    </figure>
  );
}

function boundsOf(positions: Float32Array | undefined): { low: number[]; high: number[] } {
  const [low, high] = [[Infinity, Infinity, Infinity], [-Infinity, -Infinity, -Infinity]];
  positions?.forEach((v, i) => {
    low[i % 3] = Math.min(low[i % 3] as number, v);
    high[i % 3] = Math.max(high[i % 3] as number, v);
  });
  return positions && positions.length > 0 ? { low, high } : { low: [0, 0, 0], high: [0.1, 0.1, 0.1] };
}
