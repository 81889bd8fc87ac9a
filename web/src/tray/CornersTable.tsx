import { Plus, X } from "lucide-react";
import type { Corner } from "../api/model";
import type { Of } from "../api/types";
import { TextChip } from "../note/chips";
import { useNote } from "../note/context";

/** The corners of an outline's boundary, one a row; each side may be an arc through a point. */
export function CornersTable({ statement }: { statement: Of<"outline"> }) {
  const { change } = useNote();
  const corners = "corners" in statement.boundary ? statement.boundary.corners : [];
  const edit = (apply: (corners: Corner[]) => void) =>
    change(statement.id, (s) => {
      if (s.kind === "outline" && "corners" in s.boundary) apply(s.boundary.corners);
    });
  const put = (i: number, apply: (corner: Corner) => void) => edit((all) => all[i] && apply(all[i]));

  function through(i: number, text: string) {
    return put(i, (corner) => {
      if (!text) {
        delete corner.through;
        return;
      }
      const [x = "", y = ""] = text.split(/[;,]\s*/);
      corner.through = { x, y };
    });
  }

  return (
    <table className="text-[12.5px]" aria-label="Corners">
      <thead>
        <tr className="text-left text-faint">
          {["", "x", "y", "rounded by", "side leaves as an arc through x; y", ""].map((head, i) => (
            <th key={i} className="pr-5 font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {corners.map((corner, i) => (
          <tr key={i}>
            <td className="pr-5 text-faint">{i + 1}</td>
            <td className="pr-5">
              <TextChip label={`corner ${i + 1} x`} value={corner.x} onCommit={(v) => put(i, (c) => (c.x = v))} />
            </td>
            <td className="pr-5">
              <TextChip label={`corner ${i + 1} y`} value={corner.y} onCommit={(v) => put(i, (c) => (c.y = v))} />
            </td>
            <td className="pr-5">
              <TextChip
                label={`corner ${i + 1} fillet`}
                value={corner.fillet ?? ""}
                placeholder="sharp"
                optional
                onCommit={(v) =>
                  put(i, (c) => {
                    if (v) c.fillet = v;
                    else delete c.fillet;
                  })
                }
              />
            </td>
            <td className="pr-5">
              <TextChip label={`corner ${i + 1} through`} value={corner.through ? `${corner.through.x}; ${corner.through.y}` : ""} placeholder="straight" optional onCommit={(v) => through(i, v)} />
            </td>
            <td>
              <button className="rounded p-0.5 text-faint hover:bg-glow" aria-label={`Add a corner after ${i + 1}`} title="Add a corner after this one" onClick={() => void edit((all) => all.splice(i + 1, 0, between(corners, i)))}>
                <Plus className="size-3.5" />
              </button>
              {corners.length > 3 && (
                <button className="rounded p-0.5 text-faint hover:bg-glow hover:text-vermilion" aria-label={`Remove corner ${i + 1}`} onClick={() => void edit((all) => void all.splice(i, 1)).catch(() => undefined)}>
                  <X className="size-3.5" />
                </button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Half way to the next corner, written as an expression so that units are kept. */
function between(corners: Corner[], i: number): Corner {
  const a = corners[i] as Corner;
  const b = corners[(i + 1) % corners.length] as Corner;
  return { x: `(${a.x} + ${b.x})/2`, y: `(${a.y} + ${b.y})/2` };
}
