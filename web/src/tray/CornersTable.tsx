import { Plus, X } from "lucide-react";
import type { Corner } from "../api/model";
import type { Of } from "../api/types";
import { cornersOf, put } from "../draw/Corners";
import { useLengths } from "../draw/useLengths";
import { ChoiceChip, TextChip } from "../note/chips";
import { useNote } from "../note/context";
import { setOrDrop } from "../ui/assign";

type Way = "at" | "step" | "polar";

const WAYS: readonly (readonly [Way, string])[] = [
  ["at", "at"],
  ["step", "a step of"],
  ["polar", "a length at an angle"],
];

const wayOf = (corner: Corner): Way => (corner.distance !== undefined ? "polar" : corner.x !== undefined || corner.y !== undefined ? "at" : "step");

/** The names that sides have when none is given stay with them when corners come or go. */
function keepNames(corners: Corner[]) {
  corners.forEach((corner, i) => {
    corner.side ??= `side ${i + 1}`;
  });
}

/** "x; y; x; y" as points. */
function pairsOf(text: string): { x: string; y: string }[] {
  const parts = text.split(/;\s*|,\s+/).map((part) => part.trim());
  return Array.from({ length: Math.ceil(parts.length / 2) }, (_, i) => ({ x: parts[2 * i] ?? "", y: parts[2 * i + 1] ?? "" }));
}

/** The points that the side leaving a corner goes through. */
const throughOf = (corner: Corner): string => (corner.curve ?? (corner.through ? [corner.through] : [])).map((p) => `${p.x}; ${p.y}`).join("; ");

/** The corners of an outline's boundary or of a line, one a row; each side may be an arc. */
export function CornersTable({ statement }: { statement: Of<"outline"> | Of<"line"> }) {
  const { view, change } = useNote();
  const { write } = useLengths();
  const corners = cornersOf(statement);
  const places = view.shape.corners[statement.id] ?? [];
  const line = statement.kind === "line";
  const edit = (apply: (corners: Corner[]) => void) => change(statement.id, (s) => apply(cornersOf(s)));
  const alter = (i: number, apply: (corner: Corner) => void) => edit((all) => all[i] && apply(all[i]));

  /** The same place, said in another way. */
  function say(i: number, way: Way) {
    const [here, before] = [places[i] ?? [0, 0], places[i - 1] ?? [0, 0]];
    const [dx, dy] = [(here[0] ?? 0) - (before[0] ?? 0), (here[1] ?? 0) - (before[1] ?? 0)];
    return alter(i, (c) => {
      put(c, write(here[0] ?? 0), write(here[1] ?? 0));
      if (way === "at") return;
      delete c.x;
      delete c.y;
      if (way === "step") Object.assign(c, { dx: write(dx), dy: write(dy) });
      else Object.assign(c, { distance: write(Math.hypot(dx, dy)), angle: `${Number(((Math.atan2(dy, dx) * 180) / Math.PI).toPrecision(7))} deg` });
    });
  }

  function arc(i: number, kind: "through" | "centre", text: string) {
    return alter(i, (corner) => {
      delete corner.through;
      delete corner.centre;
      delete corner.curve;
      if (!text) return;
      const points = pairsOf(text);
      if (kind === "through" && points.length > 1) corner.curve = points as never;
      else corner[kind] = points[0] ?? { x: "", y: "" };
    });
  }

  /** Half way to the next corner. */
  function add(i: number) {
    const [a, b] = [places[i] ?? [0, 0], places[(i + 1) % places.length] ?? [0, 0]];
    const next = places[i + 1] || !line ? b : [(a[0] ?? 0) + 0.02, a[1] ?? 0];
    const half = (k: 0 | 1) => write(((a[k] ?? 0) + (next[k] ?? 0)) / 2);
    return edit((all) => {
      keepNames(all);
      const used = new Set(all.map((c) => c.side));
      let n = all.length + 1;
      while (used.has(`side ${n}`)) n += 1;
      all.splice(i + 1, 0, { x: half(0), y: half(1), side: `side ${n}` });
    });
  }

  const remove = (i: number) =>
    edit((all) => {
      keepNames(all);
      all.splice(i, 1);
    });

  const field = (i: number, corner: Corner, key: "x" | "y" | "z" | "dx" | "dy" | "distance" | "angle") => (
    <TextChip key={key} label={`corner ${i + 1} ${key}`} value={corner[key] ?? ""} placeholder={key === "z" ? "z 0" : "0 mm"} optional={key === "z" || key.startsWith("d")} onCommit={(v) => alter(i, (c) => setOrDrop(c, key, v))} />
  );

  return (
    <table className="text-[12.5px]" aria-label="Corners">
      <thead>
        <tr className="text-left text-faint">
          {["", "placed", "", "rounded by", "its side", "leaves as an arc through x; y, or smoothly through several", "or about x; y", ""].map((head, i) => (
            <th key={i} className="pr-4 font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {corners.map((corner, i) => {
          const way = wayOf(corner);
          return (
            <tr key={i}>
              <td className="pr-3 text-faint">{i + 1}</td>
              <td className="pr-2">{i === 0 ? "at" : <ChoiceChip label={`corner ${i + 1} placed`} value={way} options={WAYS} onChoose={(v) => void say(i, v)} />}</td>
              <td className="space-x-1 whitespace-nowrap pr-4">
                {way === "at" && [field(i, corner, "x"), field(i, corner, "y"), ...(line ? [field(i, corner, "z")] : [])]}
                {way === "step" && [field(i, corner, "dx"), field(i, corner, "dy")]}
                {way === "polar" && [field(i, corner, "distance"), field(i, corner, "angle")]}
              </td>
              <td className="pr-4">
                <TextChip label={`corner ${i + 1} fillet`} value={corner.fillet ?? ""} placeholder="sharp" optional onCommit={(v) => alter(i, (c) => (v ? (c.fillet = v) : delete c.fillet))} />
              </td>
              <td className="pr-4">
                <TextChip label={`corner ${i + 1} side`} value={corner.side ?? `side ${i + 1}`} onCommit={(v) => alter(i, (c) => (c.side = v))} />
              </td>
              <td className="pr-4">
                <TextChip label={`corner ${i + 1} through`} value={throughOf(corner)} placeholder="straight" optional onCommit={(v) => arc(i, "through", v)} />
              </td>
              <td className="whitespace-nowrap pr-4">
                <TextChip label={`corner ${i + 1} centre`} value={corner.centre ? `${corner.centre.x}; ${corner.centre.y}` : ""} placeholder="–" optional onCommit={(v) => arc(i, "centre", v)} />
                {corner.centre && (
                  <>
                    {" "}
                    <ChoiceChip label={`corner ${i + 1} turn`} value={corner.turn ?? "left"} options={[["left", "to the left"], ["right", "to the right"]] as const} onChoose={(v) => void alter(i, (c) => (c.turn = v))} />
                  </>
                )}
              </td>
              <td className="whitespace-nowrap">
                <button className="rounded p-0.5 text-faint hover:bg-glow" aria-label={`Add a corner after ${i + 1}`} title="Add a corner after this one" onClick={() => void add(i)}>
                  <Plus className="size-3.5" />
                </button>
                {corners.length > (line ? 2 : 3) && (
                  <button className="rounded p-0.5 text-faint hover:bg-glow hover:text-vermilion" aria-label={`Remove corner ${i + 1}`} onClick={() => void remove(i)}>
                    <X className="size-3.5" />
                  </button>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
