import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip, TextChip } from "../chips";
import { CloudFile, CloudRest } from "../cloud";
import { useNote } from "../context";
import { CaseChip } from "../loadChips";
import { studiesOf } from "../studies/OfChip";
import { TargetChip } from "../TargetChip";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

const DEGREES = [
  ["degC", "°C"],
  ["K", "K"],
  ["degF", "°F"],
] as const;

function TemperatureMapLine({ statement }: { statement: Of<"temperature_map"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  if (statement.study !== undefined) {
    const names = studiesOf(view, "heat");
    return (
      <>
        <TargetChip statement={statement} kinds={["bodies"]} /> has the temperatures of <ChoiceChip label="heat study" value={statement.study} missing={!names.includes(statement.study)} options={names.map((n) => [n, n] as const)} onChoose={(v) => void edit((s) => (s.study = v))} />, times{" "}
        <TextChip label="multiplier" value={statement.scale ?? "1"} onCommit={(v) => edit((s) => setOrDrop(s, "scale", v))} />, free of stress at <TextChip label="reference" value={statement.reference ?? "20 degC"} onCommit={(v) => edit((s) => (s.reference = v))} />
        <CaseChip statement={statement} />
      </>
    );
  }
  return (
    <>
      <TargetChip statement={statement} kinds={["bodies"]} /> has the temperatures of <CloudFile statement={statement} of="temperature" /> and{" "}
      <ChoiceChip label="degrees" value={statement.degrees ?? "degC"} options={DEGREES} onChoose={(v) => void edit((s) => (s.degrees = v))} />
      <CloudRest statement={statement}>
        , free of stress at <TextChip label="reference" value={statement.reference ?? "20 degC"} onCommit={(v) => edit((s) => (s.reference = v))} />
      </CloudRest>
    </>
  );
}

export default [
  entry({
    kind: "temperature_map",
    section: "Loads and stages",
    order: 5.5,
    Line: TemperatureMapLine,
    templates: [
      { word: "temperatures from a file", text: "temperatures from points that another program made", also: "thermal field map cloud csv flow heat frost temperature mapped", make: () => ({ kind: "temperature_map", target: "everything" }) },
      { word: "temperatures of a heat study", text: "temperatures that a heat study of this note finds", also: "thermal field stress heat", make: (v) => ({ kind: "temperature_map", target: "everything", study: studiesOf(v, "heat").at(-1) ?? "" }) },
    ],
  }),
];
