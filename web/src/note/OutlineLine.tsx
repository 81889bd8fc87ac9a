import { Plus, X } from "lucide-react";
import type { Of } from "../api/types";
import type { Loop } from "../api/model";
import { useDesk } from "../workspace/desk";
import { TextChip } from "./chips";
import { useNote } from "./context";
import { rename } from "./rename";

type Setter = (loop: Loop) => void;

/** An outline in words: its boundary, then each hole on a line of its own. */
export function OutlineLine({ statement }: { statement: Of<"outline"> }) {
  const { arrange, change } = useNote();
  const edit = (apply: (s: Of<"outline">) => void) => change(statement.id, (s) => s.kind === "outline" && apply(s));
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={(v) => arrange((all) => rename(all, statement.id, v))} /> is{" "}
      <LoopWords loop={statement.boundary} id={statement.id} onChange={(set) => edit((s) => set(s.boundary))} />
      {statement.holes?.map((hole, i) => (
        <span key={i} className="group/hole block pl-3">
          less hole {i + 1}, <LoopWords loop={hole} id={statement.id} onChange={(set) => edit((s) => s.holes?.[i] && set(s.holes[i]))} />
          <button
            aria-label={`Remove hole ${i + 1}`}
            className="ml-1 inline-grid size-4 place-items-center rounded align-middle text-faint opacity-40 hover:bg-glow hover:text-vermilion hover:opacity-100"
            onClick={() => void edit((s) => void s.holes?.splice(i, 1))}
          >
            <X className="size-3" />
          </button>
        </span>
      ))}
      <AddHole statement={statement} />
    </>
  );
}

function LoopWords({ loop, id, onChange }: { loop: Loop; id: string; onChange: (set: Setter) => Promise<void> }) {
  const { set } = useDesk();
  if ("circle" in loop) {
    const put = (key: "x" | "y" | "diameter") => (v: string) => onChange((l) => "circle" in l && (l.circle[key] = v));
    return (
      <>
        a circle of ⌀ <TextChip label="diameter" value={loop.circle.diameter} onCommit={put("diameter")} /> at{" "}
        <TextChip label="x" value={loop.circle.x} onCommit={put("x")} />, <TextChip label="y" value={loop.circle.y} onCommit={put("y")} />
      </>
    );
  }
  if ("rectangle" in loop) {
    const put = (key: "x" | "y" | "width" | "height") => (v: string) => onChange((l) => "rectangle" in l && (l.rectangle[key] = v));
    return (
      <>
        a rectangle of <TextChip label="width" value={loop.rectangle.width} onCommit={put("width")} /> by{" "}
        <TextChip label="height" value={loop.rectangle.height} onCommit={put("height")} /> from{" "}
        <TextChip label="x" value={loop.rectangle.x} onCommit={put("x")} />, <TextChip label="y" value={loop.rectangle.y} onCommit={put("y")} />, corners
        rounded{" "}
        <TextChip
          label="fillet"
          value={loop.rectangle.fillet ?? ""}
          placeholder="sharp"
          optional
          onCommit={(v) =>
            onChange((l) => {
              if (!("rectangle" in l)) return;
              if (v) l.rectangle.fillet = v;
              else delete l.rectangle.fillet;
            })
          }
        />
      </>
    );
  }
  return (
    <>
      a line through{" "}
      <button className="chip" data-chip="table" onClick={() => set({ selected: id, trayOpen: true })}>
        {loop.corners.length} corners
      </button>
    </>
  );
}

/** A new round hole in the middle of the outline's box. */
function AddHole({ statement }: { statement: Of<"outline"> }) {
  const { view, change, shown } = useNote();
  const points = view.shape.outlines[statement.name]?.[0]?.points ?? [];
  function add() {
    const xs = points.map((p) => p[0]);
    const ys = points.map((p) => p[1]);
    const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    const length = (si: number) => `${Number(shown.number(si, "length").toPrecision(4))} ${shown.unit("length")}`;
    const hole: Loop = { circle: { x: length((x0 + x1) / 2), y: length((y0 + y1) / 2), diameter: length(Math.min(x1 - x0, y1 - y0) / 4) } };
    return change(statement.id, (s) => {
      if (s.kind === "outline") s.holes = [...(s.holes ?? []), hole];
    });
  }
  return (
    <button className="ml-1 inline-flex items-center gap-0.5 rounded px-1 font-sans text-[11.5px] text-faint hover:bg-glow hover:text-ink" onClick={() => void add()}>
      <Plus className="size-3" /> hole
    </button>
  );
}
