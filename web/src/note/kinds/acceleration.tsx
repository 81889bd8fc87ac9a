import type { Of } from "../../api/types";
import { CaseChip, Direction, Value } from "../loadChips";
import { imperial } from "../template";
import { entry } from "./entry";

function AccelerationLine({ statement }: { statement: Of<"acceleration"> }) {
  return (
    <>
      Everything is accelerated by <Value statement={statement} /> along <Direction statement={statement} />; its inertia pushes back
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "acceleration",
    section: "Loads and stages",
    order: 3.5,
    Line: AccelerationLine,
    templates: [{ word: "acceleration", text: "acceleration: inertia of everything", also: "inertia braking g force shock transport body load", make: (v) => ({ kind: "acceleration", value: imperial(v) ? "32.174 ft/s2" : "9.81 m/s2", direction: "+x" }) }],
  }),
];
