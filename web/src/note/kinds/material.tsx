import type { Of } from "../../api/types";
import { MaterialChip, MaterialProperties } from "../MaterialChip";
import { OverTemperature } from "../OverTemperature";
import { TargetChip } from "../TargetChip";
import { entry } from "./entry";

function MaterialLine({ statement }: { statement: Of<"material"> }) {
  return (
    <>
      <TargetChip statement={statement} kinds={["bodies"]} /> is <MaterialChip statement={statement} />
      <MaterialProperties statement={statement} />
      <OverTemperature statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "material",
    section: "Material and sections",
    order: 1,
    Line: MaterialLine,
    templates: [
      {
        word: "material",
        text: "material of a body",
        also: "steel aluminium concrete timber glass plastic young density",
        make: () => ({ kind: "material", target: "everything", material: "steel S355" }),
      },
    ],
  }),
];
