import type { Of } from "../../api/types";
import { ChoiceChip } from "../chips";
import { CloudFile, CloudRest, UNITS } from "../cloud";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { useStatement } from "../useStatement";
import { HELD } from "../words";
import { entry } from "./entry";

type Axis = NonNullable<Of<"displacement_map">["components"]>[number];

function DisplacementMapLine({ statement }: { statement: Of<"displacement_map"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const axes: Axis[] = view.shape.dimension === 2 ? ["x", "y"] : ["x", "y", "z"];
  const choices = [["", `${axes.slice(0, -1).join(", ")} and ${axes.at(-1)}`], ...axes.map((a) => [a, `${a} alone`])] as [string, string][];
  const only = statement.components?.length === 1 ? statement.components[0] : "";
  return (
    <>
      <TargetChip statement={statement} kinds={HELD} /> moves along{" "}
      <ChoiceChip
        label="components"
        value={only}
        options={choices}
        onChoose={(v) =>
          void edit((s) => {
            const axis = axes.find((a) => a === v);
            if (axis) s.components = [axis];
            else delete s.components;
          })
        }
      />{" "}
      as <CloudFile statement={statement} of="displacement" />, movements in <ChoiceChip label="movement unit" value={statement.per ?? "m"} options={UNITS} onChoose={(v) => void edit((s) => (s.per = v))} />
      <CloudRest statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "displacement_map",
    section: "Joins and supports",
    order: 2.2,
    Line: DisplacementMapLine,
    templates: [{ word: "movements from a file", text: "movements from points that another program made", also: "displacement field map cloud csv vtu prescribed imposed submodel mapped", make: () => ({ kind: "displacement_map", target: "" }) }],
  }),
];
