import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { FlagChip } from "../FlagChip";
import { CaseChip, Way } from "../loadChips";
import { Spot } from "../shape/parts";
import { imperial, origin } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

type Motion = Of<"motion">;

const HOW = [
  ["roll", "Roll"],
  ["pitch", "Pitch"],
  ["yaw", "Yaw"],
  ["heave", "Heave"],
  ["surge", "Surge"],
  ["sway", "Sway"],
] as const;
const AXES: Record<Motion["how"], "+x" | "+y" | "+z"> = { roll: "+x", pitch: "+y", yaw: "+z", heave: "+z", surge: "+x", sway: "+y" };
const turns = (how: Motion["how"]) => how === "roll" || how === "pitch" || how === "yaw";

function MotionLine({ statement }: { statement: Motion }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const choose = (how: Motion["how"]) =>
    edit((s) => {
      s.how = how;
      s.axis = AXES[how];
      if (turns(how)) {
        delete s.amplitude;
        s.angle ??= "10 deg";
      } else {
        delete s.angle;
        delete s.through;
        delete s.weight;
        s.amplitude ??= "1 m";
      }
    });
  const turning = turns(statement.how);
  return (
    <>
      <ChoiceChip label="motion" value={statement.how} options={HOW} onChoose={(v) => void choose(v)} /> of{" "}
      {turning ? (
        <TextChip label="angle" value={statement.angle ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "angle", v))} />
      ) : (
        <TextChip label="amplitude" value={statement.amplitude ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "amplitude", v))} />
      )}{" "}
      to each side in <TextChip label="period" value={statement.period} onCommit={(v) => edit((s) => (s.period = v))} /> {turning ? "about" : "along"} <Way value={statement.axis} label="axis" about onPut={(v) => edit((s) => (s.axis = v))} />
      {turning && (
        <>
          {" through "}
          {statement.through ? (
            <Spot label="through" value={statement.through} onPut={(axis, v) => edit((s) => s.through && (s.through[axis] = v))} />
          ) : (
            <button data-chip="choice" aria-label="through: the origin" className="chip" onClick={() => void edit((s) => (s.through = { ...origin(view), z: origin(view).x }))}>
              the origin
            </button>
          )}
          ,{" "}
          <FlagChip
            on={statement.weight !== undefined}
            words={statement.weight ? "with what it tilts of the weight" : "without the weight"}
            onTurn={() =>
              void edit((s) => {
                if (s.weight) delete s.weight;
                else s.weight = { value: imperial(view) ? "32.174 ft/s2" : "9.81 m/s2", direction: view.shape.up === "y" ? "-y" : "-z" };
              })
            }
          />
        </>
      )}
      , looked at <TextChip label="phase" value={statement.phase ?? ""} placeholder="at its end" optional onCommit={(v) => edit((s) => setOrDrop(s, "phase", v))} />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "motion",
    section: "Loads and stages",
    order: 14,
    Line: MotionLine,
    templates: [
      {
        word: "motion",
        text: "motion of a vessel or vehicle: roll, pitch, yaw, heave, surge, sway",
        also: "ship sea transport inertia acceleration roll pitch heave ferry lorry sway surge yaw",
        make: (v) => ({ kind: "motion", how: "roll", axis: "+x", angle: "15 deg", period: "8 s", weight: { value: imperial(v) ? "32.174 ft/s2" : "9.81 m/s2", direction: v.shape.up === "y" ? "-y" : "-z" } }),
      },
    ],
  }),
];
