import type { ModelView, Of } from "../../api/types";
import { CalledChip } from "../CalledChip";
import { ChoiceChip } from "../chips";
import { useNote } from "../context";
import { Way } from "../loadChips";
import { Spot } from "../shape/parts";
import { TargetChip } from "../TargetChip";
import { origin } from "../template";
import { HELD } from "../words";
import { entry } from "./entry";

type Component = Of<"support">["components"][number];

const COMPONENTS = [
  ["x,y,z", "in x, y and z"],
  ["x", "in x"],
  ["y", "in y"],
  ["z", "in z"],
  ["x,y", "in x and y"],
  ["x,z", "in x and z"],
  ["y,z", "in y and z"],
] as const;
/** Where nodes turn too. */
const CLAMPED = [
  ["x,y,z,rx,ry,rz", "in every way, turns too"],
  ["x,y,z", "in x, y and z, free to turn"],
  ["x,rx,ry,rz", "in x and in all turns"],
  ["x,ry,rz", "as by symmetry across x"],
  ["y,rx,rz", "as by symmetry across y"],
  ["z,rx,ry", "as by symmetry across z"],
  ...COMPONENTS.slice(1),
] as const;
const FLAT_COMPONENTS = [
  ["x,y", "in x and y"],
  ["x", "in x"],
  ["y", "in y"],
] as const;

type Support = Of<"support">;
type FrameKind = "model" | "surface" | "round" | "turned";
const FRAMES = [
  ["model", "axes of the model"],
  ["surface", "across its surface: it slides along it"],
  ["round", "round an axis"],
  ["turned", "turned axes"],
] as const;
const ROUND = [
  ["x", "away from the axis"],
  ["y", "round the axis"],
  ["z", "along the axis"],
  ["x,y", "away from the axis and round it"],
  ["x,z", "away from the axis and along it"],
  ["y,z", "round the axis and along it"],
  ["x,y,z", "in every way"],
] as const;
/** The frames as they are begun. */
const BEGUN: Record<Exclude<FrameKind, "model">, NonNullable<Support["frame"]>> = { surface: { surface: true }, round: { axis: "+z" }, turned: { x: "+x", y: "+y" } };

function frameOf({ frame }: Support): FrameKind {
  if (!frame) return "model";
  if ("surface" in frame) return "surface";
  return "axis" in frame ? "round" : "turned";
}

/** The axes along which it holds, where they are not those of the model. */
function FrameWords({ statement }: { statement: Support }) {
  const { view, change } = useNote();
  const { frame } = statement;
  const put = (next: Support["frame"]) => change(statement.id, (s) => s.kind === "support" && Object.assign(s, { frame: next }));
  if (!frame || "surface" in frame) return null;
  if ("axis" in frame) {
    const at = frame.through ?? { ...origin(view), z: origin(view).x };
    return (
      <>
        {" about "}
        <Way value={frame.axis} label="axis" about onPut={(axis) => put({ ...frame, axis })} />
        {" through "}
        <Spot label="through" value={at} onPut={(axis, text) => put({ ...frame, through: { ...at, [axis]: text } })} />
      </>
    );
  }
  return (
    <>
      {" with x along "}
      <Way value={frame.x} label="x axis" onPut={(x) => put({ ...frame, x })} />
      {" and y near "}
      <Way value={frame.y} label="y axis" onPut={(y) => put({ ...frame, y })} />
    </>
  );
}

function SupportLine({ statement }: { statement: Of<"support"> }) {
  const { view, change } = useNote();
  const flat = view.shape.dimension === 2;
  const turns = view.shape.bodies.some((b) => b.make === "faces" || b.make === "members");
  const order: Component[] = ["x", "y", "z", "rx", "ry", "rz"];
  const value = order.filter((c) => statement.components.includes(c) && (!flat || c !== "z")).join(",");
  const kind = frameOf(statement);
  const frames = (
    <ChoiceChip
      label="frame"
      value={kind}
      options={FRAMES}
      onChoose={(v) =>
        void change(statement.id, (s) => {
          if (s.kind !== "support") return;
          if (v === "model") delete s.frame;
          else s.frame = BEGUN[v];
          if (v === "surface") s.components = ["x"];
        })
      }
    />
  );
  return (
    <>
      <TargetChip statement={statement} kinds={HELD} /> is held{" "}
      {kind !== "surface" && (
      <ChoiceChip
        label="components"
        value={value}
        options={(kind === "round" ? ROUND : flat ? FLAT_COMPONENTS : turns ? CLAMPED : COMPONENTS) as readonly (readonly [string, string])[]}
        onChoose={(v) => void change(statement.id, (s) => s.kind === "support" && (s.components = v.split(",") as Support["components"]))}
      />
      )}
      {kind === "model" ? <span className="when-open"> along the {frames}</span> : <> {frames}</>}
      <FrameWords statement={statement} />
      <CalledChip statement={statement} />
    </>
  );
}

/** What holds a place for good: of shells and members, their turns too. */
function everything(view: ModelView): Of<"support">["components"] {
  if (view.shape.dimension === 2) return ["x", "y"];
  return view.shape.bodies.some((b) => b.make === "faces" || b.make === "members") ? ["x", "y", "z", "rx", "ry", "rz"] : ["x", "y", "z"];
}

export default [
  entry({
    kind: "support",
    section: "Joins and supports",
    order: 1,
    Line: SupportLine,
    templates: [
      {
        word: "fix",
        text: "support: hold a place",
        also: "support clamp fixed restrain hold boundary constraint",
        make: (v) => ({ kind: "support", target: "", components: everything(v) }),
      },
      {
        word: "slide",
        text: "support: a surface slides along itself",
        also: "symmetry frictionless normal roller plane cut",
        make: () => ({ kind: "support", target: "", components: ["x"], frame: { surface: true } }),
      },
    ],
  }),
];
