import type { Of } from "../../api/types";
import { CalledChip } from "../CalledChip";
import { ChoiceChip } from "../chips";
import { useNote } from "../context";
import { ConnectorForces } from "../ConnectorForces";
import { Way } from "../loadChips";
import { Spot } from "../shape/parts";
import { TargetChip } from "../TargetChip";
import { ToChip } from "../ToChip";
import { origin } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

const HOW = [
  ["hinge", "a hinge"],
  ["ball", "a ball joint"],
  ["pin", "a pin that slides and turns"],
  ["slider", "a slider"],
  ["bearing", "a bearing"],
  ["weld", "a rigid joint"],
] as const;

function JointLine({ statement }: { statement: Of<"joint"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const axial = !["ball", "weld"].includes(statement.how);
  const choose = (how: Of<"joint">["how"]) =>
    edit((s) => {
      s.how = how;
      if (["ball", "weld"].includes(how)) delete s.axis;
      else s.axis ??= "+z";
    });
  return (
    <>
      <TargetChip statement={statement} kinds={["faces", "edges", "points"]} /> is joined to <ToChip statement={statement} kinds={["faces", "edges", "points"]} /> by{" "}
      <ChoiceChip label="joint" value={statement.how} options={HOW} onChoose={(v) => void choose(v)} />
      {axial && statement.axis && (
        <>
          {" along "}
          <Way value={statement.axis} label="axis" about onPut={(v) => edit((s) => (s.axis = v))} />
        </>
      )}
      {" through "}
      {statement.through ? (
        <Spot label="through" value={statement.through} onPut={(axis, v) => edit((s) => s.through && (s.through[axis] = v))} />
      ) : (
        <button data-chip="choice" aria-label="through: the middle of the first" className="chip" onClick={() => void edit((s) => (s.through = { ...origin(view), z: origin(view).x }))}>
          the middle of the first
        </button>
      )}
      <ConnectorForces id={statement.id} />
      <CalledChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "joint",
    section: "Joins and supports",
    order: 8,
    Line: JointLine,
    templates: [
      { word: "hinge", text: "hinge between two regions: turns about its axis", also: "joint pivot revolute pin connection turning", make: () => ({ kind: "joint", target: "", to: "", how: "hinge", axis: "+z" }) },
      { word: "ball joint", text: "ball joint: turns freely about a point", also: "spherical swivel joint", make: () => ({ kind: "joint", target: "", to: "", how: "ball" }) },
      { word: "slider", text: "slider: moves along its axis alone", also: "translational rail guide joint", make: () => ({ kind: "joint", target: "", to: "", how: "slider", axis: "+x" }) },
      { word: "pin", text: "pin: turns about its axis and slides along it", also: "cylindrical shaft dowel joint", make: () => ({ kind: "joint", target: "", to: "", how: "pin", axis: "+z" }) },
      { word: "bearing", text: "bearing: held across its axis, turns freely", also: "radial shaft roller journal", make: () => ({ kind: "joint", target: "", to: "", how: "bearing", axis: "+z" }) },
      { word: "rigid joint", text: "rigid joint of two regions", also: "fixed weld connection stiff", make: () => ({ kind: "joint", target: "", to: "", how: "weld" }) },
    ],
  }),
];
