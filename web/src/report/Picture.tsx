import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { isShape } from "../api/frames";
import type { ModelView, StudyState } from "../api/types";
import { useNote } from "../note/context";
import { usePane } from "../side/usePane";
import { digits } from "../ui/units";
import { boxOfPoints } from "../window/boxes";
import { FieldScene } from "../window/FieldScene";
import { gradient } from "../window/palette";
import { scaleOf } from "../window/scale";
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
  const { skin, found, extreme, error } = pane;
  const [still, setStill] = useState<string | null>(null);
  const box = useRef<HTMLDivElement>(null);
  const told = useRef(false);
  const keep = useCallback(none, []);
  const scene = useMemo(() => ({ ...boxOfPoints((skin?.arrays.positions as Float32Array | undefined) ?? new Float32Array(0)), flat: view.shape.dimension === 2, up: view.shape.up, keep }), [skin, view, keep]);

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
    if ((!still && !error) || told.current) return;
    told.current = true;
    onDrawn();
  }, [still, error, onDrawn]);

  const limit = limited?.kind === "limit" && limited.quantity === field ? limited.allowed : null;
  const { low, high, stops } = scaleOf(extreme ?? { min: 0, max: 1 }, {}, limit);
  const frame = study.findings?.summary.frames[0];
  const shape = isShape(frame);
  const kind = shape ? "ratio" : (extreme?.dimension ?? "ratio");
  const factor = shape ? (view.shape.size ?? 1) / 12 : 0;
  return (
    <figure ref={box}>
      {still ? (
        <img src={still} alt={`${field} of ${study.name}`} />
      ) : (
        <div className="frame">
          {error && <p role="alert">{error.message}</p>}
          {skin && found && (
            <Stage scene={scene}>
              <FieldScene skin={skin} found={found} field={field} scale={{ low, high, stops }} limit={limit} exaggeration={factor} onPoint={none} />
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
