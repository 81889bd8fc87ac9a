import type { Of } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { useStatement } from "../useStatement";
import { BodyChip, BodyList, FigureChip, PlacementWords, placed, Spot } from "./parts";

const AXES = [
  ["x", "x"],
  ["y", "y"],
  ["z", "z"],
] as const;
const HOWS = [
  ["union", "joined into one with"],
  ["subtract", "less"],
  ["intersect", "what it has in common with"],
] as const;
const STAYS = [
  ["no", "go into it"],
  ["yes", "stay too"],
] as const;

/** The volume of the body that a statement makes. */
function Made({ name }: { name: string }) {
  const { view, shown } = useNote();
  const made = view.shape.bodies.find((b) => b.name === name);
  return made && made.make === "solid" ? <span className="text-spruce">. {shown.text(made.volume, "volume")}</span> : null;
}

export function CombineLine({ statement }: { statement: Of<"combine"> }) {
  const { edit, callIt } = useStatement<"combine">(statement);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is <BodyChip id={statement.id} value={statement.body} onChoose={(v) => void edit((s) => (s.body = v))} />{" "}
      <ChoiceChip label="how" value={statement.how} options={HOWS} onChoose={(v) => void edit((s) => (s.how = v))} />{" "}
      <BodyList label="add a body" names={statement.with} onChange={(names) => void edit((s) => (s.with = (names.length ? names : [""]) as [string, ...string[]]))} />; the bodies{" "}
      <ChoiceChip label="keep" value={statement.keep ? "yes" : "no"} options={STAYS} onChoose={(v) => void edit((s) => (s.keep = v === "yes"))} />
      <Made name={statement.name} />
    </>
  );
}

const PLANE_SIDES = [
  ["above", "what lies above stays"],
  ["below", "what lies below stays"],
  ["both", "both stay"],
] as const;
const BLOCK_SIDES = [
  ["inside", "what lies inside stays"],
  ["outside", "what lies outside stays"],
  ["both", "both stay"],
] as const;

export function CutLine({ statement }: { statement: Of<"cut"> }) {
  const { edit } = useStatement<"cut">(statement);
  const { plane, block } = statement;
  const body = <BodyChip id={statement.id} value={statement.body} onChoose={(v) => void edit((s) => (s.body = v))} />;
  const sides = (plane ? PLANE_SIDES : BLOCK_SIDES) as readonly (readonly [Of<"cut">["keep"], string])[];
  return (
    <>
      {body} is cut{" "}
      {plane && (
        <>
          at <ChoiceChip label="axis" value={plane.axis} options={AXES} onChoose={(v) => void edit((s) => s.plane && (s.plane.axis = v))} /> ={" "}
          <TextChip label="position" value={plane.at} onCommit={(v) => edit((s) => s.plane && (s.plane.at = v))} />
        </>
      )}
      {block && (
        <>
          by a block from <Spot label="from" value={block} onPut={(axis, v) => edit((s) => s.block && (s.block[axis] = v))} />, extending{" "}
          {(["dx", "dy", "dz"] as const).map((key, i) => (
            <span key={key}>
              {i > 0 && " by "}
              <TextChip label={key} value={block[key]} onCommit={(v) => edit((s) => s.block && (s.block[key] = v))} />
            </span>
          ))}
        </>
      )}
      ; <ChoiceChip label="keep" value={statement.keep} options={sides} onChoose={(v) => void edit((s) => (s.keep = v))} />
    </>
  );
}

export function ImprintLine({ statement }: { statement: Of<"imprint"> }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement<"imprint">(statement);
  const made = view.shape.patches[statement.id];
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is <FigureChip label="figure" value={statement.outline} kinds={["outline", "line"]} onChoose={(v) => void edit((s) => (s.outline = v))} /> imprinted on{" "}
      <BodyChip id={statement.id} value={statement.body} onChoose={(v) => void edit((s) => (s.body = v))} />, <PlacementWords value={statement.on} onChange={placed<Of<"imprint">>(edit)} />, reaching{" "}
      <TextChip label="depth" value={statement.depth ?? ""} placeholder="right through" optional onCommit={(v) => edit((s) => (v ? (s.depth = v) : delete s.depth))} />
      {statement.depth && " deep"}
      {made && made.places.length > 0 && (
        <span className="text-spruce">
          . {made.places.length} {made.places.length === 1 ? "face" : "faces"}, {shown.text(made.area, "area")}
        </span>
      )}
    </>
  );
}

type CopyWay = "move" | "turn" | "mirror";
const COPY_WAYS: readonly (readonly [CopyWay, string])[] = [
  ["move", "each moved on by"],
  ["turn", "each turned on about"],
  ["mirror", "mirrored in"],
];

export function CopyLine({ statement }: { statement: Of<"copy"> }) {
  const { edit, callIt } = useStatement<"copy">(statement);
  const { move, turn, mirror } = statement;
  const way: CopyWay = turn ? "turn" : mirror ? "mirror" : "move";
  function choose(next: CopyWay) {
    void edit((s) => {
      delete s.move;
      delete s.turn;
      delete s.mirror;
      if (next === "move") s.move = { x: "10 mm", y: "0 mm", z: "0 mm" };
      if (next === "turn") s.turn = { axis: "z", angle: "90 deg" };
      if (next === "mirror") s.mirror = { axis: "x", at: "0 mm" };
    });
  }
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> {way === "mirror" ? "is" : "are"}{" "}
      {way !== "mirror" && (
        <>
          <TextChip label="count" value={String(statement.count ?? 1)} onCommit={(v) => edit((s) => (s.count = Number(v)))} />{" "}
        </>
      )}
      {way === "mirror" ? "a copy" : "copies"} of <BodyChip id={statement.id} value={statement.body} onChoose={(v) => void edit((s) => (s.body = v))} />, <ChoiceChip label="way" value={way} options={COPY_WAYS} onChoose={choose} />{" "}
      {move && <Spot label="step" value={move} onPut={(axis, v) => edit((s) => s.move && (s.move[axis] = v))} />}
      {turn && (
        <>
          <ChoiceChip label="axis" value={turn.axis} options={AXES} onChoose={(v) => void edit((s) => s.turn && (s.turn.axis = v))} /> through{" "}
          <Spot label="through" value={turn.through ?? { x: "0 mm", y: "0 mm", z: "0 mm" }} onPut={(axis, v) => edit((s) => s.turn && (s.turn.through = { ...(s.turn.through ?? { x: "0 mm", y: "0 mm", z: "0 mm" }), [axis]: v }))} /> by{" "}
          <TextChip label="angle" value={turn.angle} onCommit={(v) => edit((s) => s.turn && (s.turn.angle = v))} />
        </>
      )}
      {mirror && (
        <>
          <ChoiceChip label="axis" value={mirror.axis} options={AXES} onChoose={(v) => void edit((s) => s.mirror && (s.mirror.axis = v))} /> ={" "}
          <TextChip label="position" value={mirror.at} onCommit={(v) => edit((s) => s.mirror && (s.mirror.at = v))} />
        </>
      )}
    </>
  );
}

export function JoinLine({ statement }: { statement: Of<"join"> }) {
  const { edit } = useStatement<"join">(statement);
  return (
    <>
      <BodyList label="add a body" names={statement.bodies} onChange={(names) => void edit((s) => (s.bodies = names as [string, string]))} /> are joined where they touch
    </>
  );
}

export function MidSurfaceLine({ statement }: { statement: Of<"mid_surface"> }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement<"mid_surface">(statement);
  const made = view.shape.bodies.find((b) => b.name === statement.name);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> are the middle faces of the sheet <BodyChip id={statement.id} value={statement.body} onChoose={(v) => void edit((s) => (s.body = v))} />
      {made?.thickness != null && (
        <span className="text-spruce">
          . {shown.text(made.thickness, "length")} thick, {shown.text(made.area, "area")}
        </span>
      )}
    </>
  );
}
