import { useEffect, useRef } from "react";
import type { ModelView, StudyState } from "../api/types";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { gradient } from "../window/palette";
import { useViewPicture, type Sight } from "../window/useViewPicture";

const SIZE = [1240, 720] as const;

interface Props {
  study: StudyState;
  view: ModelView;
  /** What is shown, and where from; the field that the findings speak of when left out. */
  sight?: Sight;
  saved?: ModelView["views"][string] | null;
  name?: string;
  onDrawn: () => void;
}

/** A field of a study as a still picture with its scale. */
export function Picture({ study, view, sight, saved = null, name, onDrawn }: Props) {
  const { shown } = useNote();
  const told = useRef(false);
  const limited = study.findings?.findings.find((f) => f.kind === "limit");
  const known = study.findings?.summary.catalogue ?? [];
  const wanted = limited?.kind === "limit" ? limited.quantity : "von_mises";
  const field = sight?.field ?? (known.find((f) => f.name === wanted) ?? known[0])?.name ?? wanted;
  const { picture, error, look, words, frameName } = useViewPicture(view, study, sight ?? { field }, saved, SIZE);
  useEffect(() => {
    if ((!picture && !error) || told.current) return;
    told.current = true;
    onDrawn();
  }, [picture, error, onDrawn]);
  return (
    <figure>
      {picture ? <img src={picture} alt={`${words} of ${study.name}`} /> : <div className="frame">{error && <p role="alert">{error}</p>}</div>}
      {look && <div className="scale" style={{ background: gradient(look.scale.stops) }} />}
      <figcaption>
        {name && <b>{name}: </b>}
        {look && `${digits(shown.number(look.scale.low, look.kind))} to ${shown.text(look.scale.high, look.kind)} · `}
        {words} {frameName ? `in ${frameName}` : ""}
        {look && !look.shape && ` · ${look.leastTells ? "least" : "peak"} ${shown.text(look.peak, look.kind)}`}
        {look && look.factor !== 1 && look.factor > 0 && ` · displacements × ${digits(look.factor)}`}
      </figcaption>
    </figure>
  );
}
