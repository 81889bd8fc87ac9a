import type { Of } from "../../api/types";
import { CaseChip, Direction, Value } from "../loadChips";
import { imperial } from "../template";
import { entry } from "./entry";

function GravityLine({ statement }: { statement: Of<"gravity"> }) {
  return (
    <>
      Everything weighs: <Value statement={statement} /> along <Direction statement={statement} />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "gravity",
    section: "Loads and stages",
    order: 3,
    Line: GravityLine,
    templates: [{ word: "gravity", text: "gravity: the weight of everything", also: "load self weight acceleration", make: (v) => ({ kind: "gravity", value: imperial(v) ? "32.174 ft/s2" : "9.81 m/s2", direction: "-y" }) }],
  }),
];
