import type { Of } from "../../api/types";
import { TextChip } from "../chips";
import { useNote } from "../context";
import { Spot } from "../shape/parts";
import { fresh, origin } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function PointLine({ statement }: { statement: Of<"point"> }) {
  const { view } = useNote();
  const { edit, callIt } = useStatement(statement);
  const tied = view.document.statements.some((s) => !s.off && ["link", "joint", "one_way", "spring"].includes(s.kind) && (("target" in s && s.target === statement.name) || ("to" in s && s.to === statement.name)));
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is a point at <Spot label="at" value={statement.at} onPut={(axis, v) => edit((s) => (s.at[axis] = v))} />
      {!tied && <span className="text-amber-ink"> · nothing ties it to the part yet: add a link</span>}
    </>
  );
}

export default [
  entry({
    kind: "point",
    section: "Joins and supports",
    order: 12,
    Line: PointLine,
    templates: [{ word: "point", text: "point of its own, for forces, masses and supports away from the part", also: "remote node centre gravity hook lever reference marker", make: (v) => ({ kind: "point", name: fresh(v, "Point"), at: { ...origin(v), z: origin(v).x } }) }],
  }),
];
