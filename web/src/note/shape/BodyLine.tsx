import type { Of } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { useStatement } from "../useStatement";
import { FigureChip, PlacementWords, placed } from "./parts";
import { setOrDrop } from "../../ui/assign";

type Body = Of<"body">;
type By = NonNullable<Body["by"]>;

const MAKES = [
  ["solid", "a solid"],
  ["faces", "faces"],
  ["members", "members"],
  ["plane stress", "a thin plate in its plane"],
  ["plane strain", "a slice of a long body"],
  ["axisymmetric", "a ring about x = 0"],
] as const;
const SOLID_WAYS: readonly (readonly [By, string])[] = [
  ["extrude", "extruded"],
  ["revolve", "revolved about its y axis"],
  ["sweep", "swept along"],
];
const FACE_WAYS: readonly (readonly [By, string])[] = [...SOLID_WAYS, ["fill", "filling it flat"]];

/** What merging made one, in words. */
export function mergedWords(merged: Record<string, number>): string {
  const words = Object.entries(merged).map(([what, n]) => `${n} doubled ${n === 1 ? what.replace(/s$/, "") : what}`);
  return words.length ? `${words.join(", ")} made one` : "";
}

/** A body made from an outline or a line. */
export function BodyLine({ statement }: { statement: Body }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement<"body">(statement);
  const made = view.shape.bodies.find((b) => b.name === statement.name);
  const { make } = statement;
  const by = statement.by ?? "extrude";
  const space = make === "solid" || make === "faces";
  const fromLine = make === "members" || (make === "faces" && by !== "fill");
  const put = (key: "thickness" | "wall" | "angle") => (v: string) =>
    edit((s) => setOrDrop(s, key, v));
  const deep = by === "extrude" || !space;
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> {make === "faces" || make === "members" ? "are" : "is"}{" "}
      <ChoiceChip label="kind of body" value={make} options={MAKES} onChoose={(v) => void edit((s) => (s.make = v))} /> made from{" "}
      <FigureChip label={fromLine ? "line" : "outline"} value={statement.outline ?? ""} kinds={fromLine ? ["line"] : ["outline"]} onChoose={(v) => void edit((s) => (s.outline = v))} />
      {space && (
        <>
          , <ChoiceChip label="way" value={by} options={make === "faces" ? FACE_WAYS : SOLID_WAYS} onChoose={(v) => void edit((s) => (s.by = v))} />
        </>
      )}
      {space && by === "sweep" && (
        <>
          {" "}
          <FigureChip label="path" value={statement.path ?? ""} kinds={["line"]} onChoose={(v) => void edit((s) => (s.path = v))} />
        </>
      )}
      {space && by === "revolve" && (
        <>
          {" "}
          by <TextChip label="angle" value={statement.angle ?? ""} placeholder="a full turn" optional onCommit={put("angle")} />
        </>
      )}
      {deep && make !== "axisymmetric" && make !== "members" && (
        <>
          {space ? " by " : ", "}
          <TextChip label="thickness" value={statement.thickness ?? ""} placeholder={make === "plane strain" ? "1 m" : "thickness"} optional={make === "plane strain"} onCommit={put("thickness")} />
          {!space && " thick"}
        </>
      )}
      {make === "faces" && (
        <>
          , <TextChip label="wall" value={statement.wall ?? ""} placeholder="thickness later" optional onCommit={put("wall")} /> thick
        </>
      )}
      {space && by !== "sweep" && (
        <>
          , <PlacementWords value={statement.on} onChange={placed<Body>(edit)} />
        </>
      )}
      {made && (
        <span className="text-spruce">
          . {make === "members" && made.length !== null ? shown.text(made.length, "length") : make === "faces" ? shown.text(made.area, "area") : shown.text(made.volume, "volume")}
          {mergedWords(made.merged) && `, ${mergedWords(made.merged)}`}
        </span>
      )}
    </>
  );
}
