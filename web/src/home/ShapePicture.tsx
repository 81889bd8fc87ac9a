import { useEffect, useState } from "react";
import { useModel, useShape } from "../api/hooks";
import type { ModelView } from "../api/types";
import { useSeen } from "../ui/useSeen";
import { pictureOf } from "./pictureOf";

/** The bodies of a model, small; asked for once its card comes into sight. */
export function ShapePicture({ id }: { id: string }) {
  const [frame, seen] = useSeen<HTMLDivElement>();
  return (
    <div ref={frame} className="grid h-36 w-full place-items-center bg-gradient-to-b from-[#eef0ec] to-[#dde1dc] text-[12px] text-faint">
      {seen && <Pictured id={id} />}
    </div>
  );
}

function Pictured({ id }: { id: string }) {
  const { data: view } = useModel(id);
  if (!view) return <>drawing…</>;
  return view.shape.bodies.length === 0 ? <>no shape yet</> : <Drawn view={view} />;
}

function Drawn({ view }: { view: ModelView }) {
  const { data: surfaces } = useShape(view.id, view.shape.digest);
  const [picture, setPicture] = useState<string | null>(null);
  useEffect(() => {
    if (surfaces) setPicture(pictureOf(view.shape, surfaces));
  }, [surfaces, view.shape]);
  return picture === null ? <>drawing…</> : <img src={picture} alt={`the shape of ${view.document.name}`} className="h-36 w-full object-contain" />;
}
