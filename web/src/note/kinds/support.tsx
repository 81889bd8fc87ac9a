import type { ModelView, Of } from "../../api/types";
import { ChoiceChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
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

function SupportLine({ statement }: { statement: Of<"support"> }) {
  const { view, change } = useNote();
  const flat = view.shape.dimension === 2;
  const turns = view.shape.bodies.some((b) => b.make === "faces" || b.make === "members");
  const order: Component[] = ["x", "y", "z", "rx", "ry", "rz"];
  const value = order.filter((c) => statement.components.includes(c) && (!flat || c !== "z")).join(",");
  return (
    <>
      <TargetChip statement={statement} kinds={HELD} /> is held{" "}
      <ChoiceChip
        label="components"
        value={value}
        options={(flat ? FLAT_COMPONENTS : turns ? CLAMPED : COMPONENTS) as readonly (readonly [string, string])[]}
        onChoose={(v) => void change(statement.id, (s) => s.kind === "support" && (s.components = v.split(",") as Of<"support">["components"]))}
      />
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
        also: "support clamp fixed restrain hold boundary constraint roller symmetry",
        make: (v) => ({ kind: "support", target: "", components: everything(v) }),
      },
    ],
  }),
];
