import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function AtRestLine({ statement }: { statement: Of<"at_rest"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const bodies = view.shape.bodies.map((b) => b.name);
  const { as = "" } = statement;
  return (
    <>
      <TargetChip statement={statement} kinds={["bodies"]} /> rests under the weight above it, and presses sideways with <TextChip label="coefficient" value={statement.coefficient} onCommit={(v) => edit((s) => (s.coefficient = v))} /> of that; it is{" "}
      <ChoiceChip label="as" value={as} missing={as !== "" && !bodies.includes(as)} options={[["", "what it is"], ...bodies.map((b) => [b, `like ${b} until it goes`] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => setOrDrop(s, "as", v))} />
    </>
  );
}

export default [
  entry({
    kind: "at_rest",
    section: "Loads and stages",
    order: 0.7,
    Line: AtRestLine,
    templates: [
      {
        word: "at-rest pressure",
        text: "what ground holds before anything is done to it",
        also: "K0 earth pressure initial stress geostatic in situ ground",
        make: () => ({ kind: "at_rest", target: "everything", coefficient: "0.5" }),
      },
    ],
  }),
];
