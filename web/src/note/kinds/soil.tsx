import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { digits } from "../../ui/units";
import { TextChip } from "../chips";
import { useNote } from "../context";
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
      <ByHand id={statement.id} />
    </>
  );
}

/** How it presses sideways, by hand. */
function ByHand({ id }: { id: string }) {
  const { view, shown } = useNote();
  const found = view.pressures[id];
  if (!found) return null;
  return (
    <span className="block font-sans text-[12px]" data-pressures>
      By hand it presses sideways with {digits(found.active)} of the weight above{found.less > 0 && ` less ${shown.text(found.less, "stress")}`} as it gives way, with {digits(found.passive)}
      {found.more > 0 && ` and ${shown.text(found.more, "stress")} more`} as it is pushed, and about {digits(found.rest)} at rest.
    </span>
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
