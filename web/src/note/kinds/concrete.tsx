import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { TextChip } from "../chips";
import { TargetChip } from "../TargetChip";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function ConcreteLine({ statement }: { statement: Of<"concrete"> }) {
  const { edit } = useStatement(statement);
  return (
    <>
      <TargetChip statement={statement} kinds={["bodies"]} /> cracks at a tension of <TextChip label="tension" value={statement.tension} onCommit={(v) => edit((s) => (s.tension = v))} />, which takes <TextChip label="energy" value={statement.energy} onCommit={(v) => edit((s) => (s.energy = v))} /> of energy for its area, and is crushed at{" "}
      <TextChip label="compression" value={statement.compression} onCommit={(v) => edit((s) => (s.compression = v))} />; cracks are <TextChip label="spacing" optional placeholder="an unknown distance" value={statement.spacing ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "spacing", v))} /> apart
    </>
  );
}

export default [
  entry({
    kind: "concrete",
    section: "Material and sections",
    order: 1.6,
    Line: ConcreteLine,
    templates: [
      {
        word: "cracking concrete",
        text: "what concrete bears before it cracks and is crushed",
        also: "crack crush fracture energy tension softening reinforced concrete damage",
        make: () => ({ kind: "concrete", target: "everything", tension: "2.6 MPa", compression: "33 MPa", energy: "75 N/m" }),
      },
    ],
  }),
];
