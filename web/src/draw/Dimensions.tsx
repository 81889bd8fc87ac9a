import type { Of } from "../api/types";
import { useNote } from "../note/context";
import { formOf, NUMBERS } from "../note/loopForms";
import { TextChip } from "../note/chips";
import { polar, toPixels, type Point, type Sight, type Size } from "./plane";
import { setOrDrop } from "../ui/assign";

interface Props {
  statement: Of<"outline"> | Of<"line">;
  sight: Sight;
  size: Size;
}

/** The length of every straight side beside it; the values of a ready-made form as chips. */
export function Dimensions({ statement, sight, size }: Props) {
  return (
    <>
      <SideLengths statement={statement} sight={sight} size={size} />
      {statement.kind === "outline" && <FormValues statement={statement} />}
    </>
  );
}

function SideLengths({ statement, sight, size }: Props) {
  const { view, shown } = useNote();
  const loops = statement.kind === "outline" ? (view.shape.outlines[statement.name] ?? []) : [];
  const line = view.shape.lines[statement.name];
  const chains: { points: Point[]; keys: string[]; closed: boolean }[] = [
    ...loops.map((l) => ({ ...l, closed: true })),
    ...(statement.kind === "line" && line ? [{ points: line.points.map(([x, y]): Point => [x, y]), keys: line.keys, closed: false }] : []),
  ];
  const sides = chains.flatMap(({ points, keys, closed }) => {
    // A side with one step is straight.
    const count = new Map<string, number>();
    keys.forEach((key) => count.set(key, (count.get(key) ?? 0) + 1));
    return keys.flatMap((key, i) => {
      const [a, b] = [points[i], points[i + 1] ?? (closed ? points[0] : undefined)];
      return count.get(key) === 1 && a && b ? [{ key, a, b }] : [];
    });
  });
  if (sides.length > 80) return null;
  return sides.map(({ key, a, b }) => {
    const [p, q] = [toPixels(sight, size, a), toPixels(sight, size, b)];
    const wide = Math.hypot(q[0] - p[0], q[1] - p[1]);
    if (wide < 34) return null;
    // To the right of the side, which is outside of a boundary that runs counter-clockwise.
    const [nx, ny] = [-(q[1] - p[1]) / wide, (q[0] - p[0]) / wide];
    return (
      <span
        key={key}
        title={key}
        className="pointer-events-none absolute -translate-x-1/2 -translate-y-1/2 whitespace-nowrap rounded bg-[#fbf9f3]/80 px-1 font-mono text-[11px] text-[#5d5038]"
        style={{ left: (p[0] + q[0]) / 2 + nx * 16, top: (p[1] + q[1]) / 2 + ny * 16 }}
      >
        {shown.text(polar(a, b).length, "length")}
      </span>
    );
  });
}

/** Width, height, diameter and so on of a ready-made form. */
function FormValues({ statement }: { statement: Of<"outline"> }) {
  const { change } = useNote();
  const form = formOf(statement.boundary);
  if (!form) return null;
  const values = (statement.boundary as unknown as Record<string, Record<string, string | undefined>>)[form] ?? {};
  return (
    <div className="card absolute bottom-3 left-4 flex flex-wrap items-center gap-x-3 gap-y-1 px-3 py-1.5 text-[12.5px]" onPointerDown={(event) => event.stopPropagation()}>
      {NUMBERS[form].map(([key, words]) => (
        <span key={key}>
          {words}{" "}
          <TextChip
            label={`${words} on paper`}
            value={values[key] ?? ""}
            placeholder="none"
            optional
            onCommit={(v) =>
              change(statement.id, (s) => {
                if (s.kind !== "outline") return;
                const target = (s.boundary as unknown as Record<string, Record<string, string>>)[form];
                if (target) setOrDrop(target, key, v);
              })
            }
          />
        </span>
      ))}
    </div>
  );
}
