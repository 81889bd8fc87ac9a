import type { Of } from "../../api/types";
import { TextChip } from "../chips";
import { ConnectorForces } from "../ConnectorForces";
import { Spot } from "../shape/parts";
import { TargetChip } from "../TargetChip";
import { length, origin } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function SpotWeldsLine({ statement }: { statement: Of<"spot_welds"> }) {
  const { edit } = useStatement(statement);
  return (
    <>
      <TargetChip statement={statement} kinds={["faces"]} /> is welded to <TargetChip statement={statement} kinds={["faces"]} field="to" /> by <TextChip label="count" value={String(statement.count)} onCommit={(v) => edit((s) => (s.count = Number(v)))} /> spots of{" "}
      <TextChip label="diameter" value={statement.diameter} onCommit={(v) => edit((s) => (s.diameter = v))} /> from <Spot label="from" value={statement.from} onPut={(axis, v) => edit((s) => (s.from[axis] = v))} /> to{" "}
      <Spot label="until" value={statement.until} onPut={(axis, v) => edit((s) => (s.until[axis] = v))} />
      <ConnectorForces id={statement.id} />
    </>
  );
}

export default [
  entry({
    kind: "spot_welds",
    section: "Joins and supports",
    order: 11,
    Line: SpotWeldsLine,
    templates: [
      {
        word: "spot welds",
        text: "spot welds in a row between two faces",
        also: "weld seam stitch rivet sheet nugget",
        make: (v) => ({ kind: "spot_welds", target: "", to: "", from: { ...origin(v), z: origin(v).x }, until: { ...origin(v), x: length(v, "100 mm", "4 in"), z: origin(v).x }, count: 5, diameter: length(v, "6 mm", "0.25 in") }),
      },
    ],
  }),
];
