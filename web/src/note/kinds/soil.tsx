import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { TextChip } from "../chips";
import { TargetChip } from "../TargetChip";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function SoilLine({ statement }: { statement: Of<"soil"> }) {
  const { edit } = useStatement(statement);
  return (
    <>
      <TargetChip statement={statement} kinds={["bodies"]} /> is ground with a cohesion of <TextChip label="cohesion" value={statement.cohesion} onCommit={(v) => edit((s) => (s.cohesion = v))} /> and an angle of friction of{" "}
      <TextChip label="friction" value={statement.friction} onCommit={(v) => edit((s) => (s.friction = v))} />, widens by <TextChip label="dilation" optional placeholder="0°" value={statement.dilation ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "dilation", v))} /> as it slides, and tears at{" "}
      <TextChip label="tension" optional placeholder="no pull" value={statement.tension ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "tension", v))} />
    </>
  );
}

export default [
  entry({
    kind: "soil",
    section: "Material and sections",
    order: 1.7,
    Line: SoilLine,
    templates: [
      {
        word: "soil",
        text: "what ground bears: cohesion and friction",
        also: "mohr coulomb ground clay sand gravel cohesion friction angle dilation geotechnical",
        make: () => ({ kind: "soil", target: "everything", cohesion: "5 kPa", friction: "30 deg" }),
      },
    ],
  }),
];
