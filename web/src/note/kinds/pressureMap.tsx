import type { Of } from "../../api/types";
import { ChoiceChip } from "../chips";
import { CloudFile, CloudRest } from "../cloud";
import { FollowsChip } from "../FollowsChip";
import { TargetChip } from "../TargetChip";
import { mayFollow } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

const UNITS = ["Pa", "kPa", "MPa", "bar", "psi"].map((u) => [u, u] as const) as readonly (readonly [NonNullable<Of<"pressure_map">["per"]>, string])[];

function PressureMapLine({ statement }: { statement: Of<"pressure_map"> }) {
  const { edit } = useStatement(statement);
  return (
    <>
      On <TargetChip statement={statement} kinds={["faces", "edges"]} /> press the pressures of <CloudFile statement={statement} of="pressure" /> and{" "}
      <ChoiceChip label="pressure unit" value={statement.per ?? "Pa"} options={UNITS} onChoose={(v) => void edit((s) => (s.per = v))} />
      <FollowsChip statement={statement} />
      <CloudRest statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "pressure_map",
    section: "Loads and stages",
    order: 2.5,
    Line: PressureMapLine,
    templates: [{ word: "pressures from a file", text: "pressures from points that another program made", also: "pressure field map cloud csv vtu flow wind water mapped", make: (v) => ({ kind: "pressure_map", target: "", ...(mayFollow(v) ? { follows: true } : {}) }) }],
  }),
];
