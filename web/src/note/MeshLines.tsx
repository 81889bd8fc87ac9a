import type { Of } from "../api/types";
import { setOrDrop } from "../ui/assign";
import { ChoiceChip, TextChip } from "./chips";
import { useNote } from "./context";
import { TargetChip } from "./TargetChip";

const ELEMENT_NAMES: Record<string, string> = {
  hex20: "bricks",
  hex8: "bricks",
  wedge15: "wedges",
  wedge6: "wedges",
  tet10: "tetrahedra",
  tet4: "tetrahedra",
  quad8: "quadrilaterals",
  quad4: "quadrilaterals",
  tri6: "triangles",
  tri3: "triangles",
  line3: "lines",
  line2: "lines",
};

/** How the bodies are meshed, and what came of it. */
export function MeshLine({ statement }: { statement: Of<"mesh"> }) {
  const { view, change } = useNote();
  const summary = view.mesh?.summary;
  const put = (how: (s: Of<"mesh">) => void) => change(statement.id, (s) => s.kind === "mesh" && how(s));
  return (
    <>
      <ChoiceChip
        label="order"
        value={statement.order ?? "quadratic"}
        options={[
          ["quadratic", "Quadratic"],
          ["linear", "Linear"],
        ]}
        onChoose={(v) => void put((s) => (s.order = v))}
      />{" "}
      <ChoiceChip
        label="elements"
        value={statement.elements ?? "bricks and quadrilaterals"}
        options={[
          ["bricks and quadrilaterals", "bricks and quadrilaterals where they fit"],
          ["wedges and triangles", "wedges and triangles where they fit"],
          ["tetrahedra and triangles", "tetrahedra and triangles"],
        ]}
        onChoose={(v) => void put((s) => (s.elements = v))}
      />{" "}
      of <TextChip label="size" value={statement.size} onCommit={(v) => put((s) => (s.size = v))} />, each at most <TextChip label="growth" value={statement.growth ?? "1.35"} onCommit={(v) => put((s) => setOrDrop(s, "growth", v))} /> times the one
      before it, turning at most <TextChip label="turn" value={statement.turn ?? (statement.order === "linear" ? "10 deg" : "20 deg")} onCommit={(v) => put((s) => setOrDrop(s, "turn", v))} /> on curves, with at least{" "}
      <ChoiceChip label="elements across" value={String(statement.through ?? 1)} options={["1", "2", "3", "4", "6"].map((n) => [n, n] as const)} onChoose={(v) => void put((s) => (s.through = Number(v)))} /> across thin walls.{" "}
      {summary && (
        <span className="text-spruce">
          {Object.entries(summary.kinds)
            .map(([kind, count]) => `${count.toLocaleString("en").replaceAll(",", "\u202f")} ${ELEMENT_NAMES[kind] ?? kind}`)
            .join(", ")}
          {summary.quality && `; ${summary.quality.measure} at worst ${summary.quality.worst.toFixed(2)}, ${summary.quality.mean.toFixed(2)} in the mean`}
        </span>
      )}
    </>
  );
}

/** The size of elements at a place, in a ball or in a box. */
export function SizeLine({ statement }: { statement: Of<"size"> }) {
  const { change } = useNote();
  const put = (how: (s: Of<"size">) => void) => change(statement.id, (s) => s.kind === "size" && how(s));
  const { ball, box, target } = statement;
  return (
    <>
      Elements of <TextChip label="size" value={statement.size} onCommit={(v) => put((s) => (s.size = v))} />{" "}
      {ball && (
        <>
          within <TextChip label="radius" value={ball.radius} onCommit={(v) => put((s) => s.ball && (s.ball.radius = v))} /> of{" "}
          {(["x", "y", "z"] as const).map((axis) => (
            <TextChip key={axis} label={axis} value={ball[axis]} onCommit={(v) => put((s) => s.ball && (s.ball[axis] = v))} />
          ))}
        </>
      )}
      {box && (
        <>
          in the box from{" "}
          {(["x", "y", "z"] as const).map((axis) => (
            <TextChip key={axis} label={`from ${axis}`} value={box.from[axis]} onCommit={(v) => put((s) => s.box && (s.box.from[axis] = v))} />
          ))}{" "}
          to{" "}
          {(["x", "y", "z"] as const).map((axis) => (
            <TextChip key={axis} label={`to ${axis}`} value={box.to[axis]} onCommit={(v) => put((s) => s.box && (s.box.to[axis] = v))} />
          ))}
        </>
      )}
      {target !== undefined && (
        <>
          at <TargetChip statement={{ ...statement, target }} kinds={["faces", "edges", "points", "bodies"]} />
        </>
      )}
    </>
  );
}

/** Edges in a given number of pieces. */
export function DivisionLine({ statement }: { statement: Of<"division"> }) {
  const { change } = useNote();
  const put = (how: (s: Of<"division">) => void) => change(statement.id, (s) => s.kind === "division" && how(s));
  return (
    <>
      <TargetChip statement={statement} kinds={["edges"]} /> is divided into <TextChip label="pieces" value={String(statement.count)} onCommit={(v) => put((s) => (s.count = Number(v)))} /> pieces, the last{" "}
      <TextChip label="bias" value={statement.bias ?? "1"} onCommit={(v) => put((s) => setOrDrop(s, "bias", v))} /> times as long as the first
    </>
  );
}

/** Rings of elements round holes. */
export function RingsLine({ statement }: { statement: Of<"rings"> }) {
  const { change } = useNote();
  const put = (how: (s: Of<"rings">) => void) => change(statement.id, (s) => s.kind === "rings" && how(s));
  return (
    <>
      <TargetChip statement={statement} kinds={["faces", "edges"]} /> has <TextChip label="rings" value={String(statement.count)} onCommit={(v) => put((s) => (s.count = Number(v)))} /> rings of elements round it,{" "}
      <TextChip label="width" value={statement.width} onCommit={(v) => put((s) => (s.width = v))} /> wide together
    </>
  );
}
