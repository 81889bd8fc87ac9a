import type { Of } from "../../api/types";
import { TextChip } from "../chips";
import { useNote } from "../context";
import { CaseChip } from "../loadChips";
import { TargetChip } from "../TargetChip";
import { entry } from "./entry";

type Temperature = Of<"temperature">;

function TemperatureLine({ statement }: { statement: Temperature }) {
  const { change } = useNote();
  const edit = (apply: (s: Temperature) => void) => change(statement.id, (s) => s.kind === "temperature" && apply(s));
  return (
    <>
      <TargetChip statement={statement} kinds={["bodies"]} /> is at <TextChip label="temperature" value={statement.value} onCommit={(v) => edit((s) => (s.value = v))} />, free of stress at{" "}
      <TextChip label="reference" value={statement.reference ?? "20 degC"} onCommit={(v) => edit((s) => (s.reference = v))} />
      <CaseChip statement={statement} />
    </>
  );
}

export default [
  entry({
    kind: "temperature",
    section: "Loads and stages",
    order: 5,
    Line: TemperatureLine,
    templates: [{ word: "temperature", text: "temperature of bodies, uniform", also: "thermal heat expansion warm cold frost", make: () => ({ kind: "temperature", target: "everything", value: "60 degC" }) }],
  }),
];
