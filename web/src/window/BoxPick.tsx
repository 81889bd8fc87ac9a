import { useRef, useState, type PointerEvent, type RefObject } from "react";
import type { Place } from "../api/types";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import type { CameraHandle } from "./Controls";

type Box = [x0: number, y0: number, x1: number, y1: number];

const ordered = ([a, b, c, d]: Box): Box => [Math.min(a, c), Math.min(b, d), Math.max(a, c), Math.max(b, d)];

/** A box is drawn with the pointer; what lies wholly in it is picked. */
export function BoxPick({ camera, onPick }: { camera: RefObject<CameraHandle | null>; onPick: (places: Place[]) => void }) {
  const { places } = useNote();
  const { pickKind, hidden, set } = useDesk();
  const area = useRef<HTMLDivElement>(null);
  const [box, setBox] = useState<Box | null>(null);

  function at(event: PointerEvent): [number, number] {
    const frame = area.current?.getBoundingClientRect();
    return [event.clientX - (frame?.left ?? 0), event.clientY - (frame?.top ?? 0)];
  }

  function finish(event: PointerEvent) {
    if (!box) return;
    const [x0, y0, x1, y1] = ordered([box[0], box[1], ...at(event)]);
    const within = (place: Place) =>
      corners(place).every((corner) => {
        const [x, y] = camera.current?.project(corner) ?? [-1, -1];
        return x >= x0 && x <= x1 && y >= y0 && y <= y1;
      });
    onPick(places.filter((p) => p.of === pickKind && !hidden.includes(p.body) && within(p)));
    setBox(null);
    set({ boxing: false });
  }

  const [x0, y0, x1, y1] = box ? ordered(box) : [0, 0, 0, 0];
  return (
    <div
      ref={area}
      data-testid="box-pick"
      className="absolute inset-0 z-10 cursor-crosshair"
      onPointerDown={(event) => setBox([...at(event), ...at(event)])}
      onPointerMove={(event) => box && setBox([box[0], box[1], ...at(event)])}
      onPointerUp={finish}
    >
      {box && <div className="absolute border border-dashed border-amber-ink bg-amber/10" style={{ left: x0, top: y0, width: x1 - x0, height: y1 - y0 }} />}
    </div>
  );
}

/** The eight corners of the box around a place. */
function corners({ bounds: [low, high] }: Place): number[][] {
  return [0, 1, 2, 3, 4, 5, 6, 7].map((k) => [0, 1, 2].map((axis) => ((k >> axis) & 1 ? high : low)[axis] as number));
}
