import type { Of, Statement } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { fresh, freshId, typed } from "../template";
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
      <Holds id={statement.id} />
    </>
  );
}

/** Proposes to hold what nothing holds yet. */
function Holds({ id }: { id: string }) {
  const { view, arrange, shown } = useNote();
  const { holds } = view;
  const first = view.document.statements.find((s) => s.kind === "at_rest" && !s.off);
  if (holds.length === 0 || first?.id !== id) return null;
  const hold = (all: Statement[]) =>
    holds.reduce<Statement[]>((list, plane) => {
      const name = fresh({ ...view, document: { ...view.document, statements: list } }, plane.name);
      const at = typed(view, plane.at, 9);
      const group: Of<"group"> = { id: freshId(list), kind: "group", name, of: view.shape.dimension === 3 ? "faces" : "edges", rule: { plane: { axis: plane.axis, at } } };
      const support: Of<"support"> = { id: freshId([...list, group]), kind: "support", target: name, components: plane.components as Of<"support">["components"] };
      return [...list, group, support];
    }, all);
  return (
    <span className="block font-sans text-[12px] text-faint" data-holds>
      Nothing holds its {holds.map((plane) => `${plane.name.replace(" of the ground", "")} (${plane.axis} = ${shown.text(plane.at, "length")})`).join(", ")} yet.{" "}
      <button className="rounded px-1 text-ink underline hover:bg-glow" onClick={() => void arrange(hold)}>
        Hold them
      </button>
    </span>
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
