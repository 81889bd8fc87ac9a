import type { Of } from "../../api/types";
import { ChoiceChip } from "../chips";
import { useNote } from "../context";
import { lastRead, onlyBody } from "../template";
import { useStudies } from "../useStudies";
import { entry } from "./entry";

const BEAMS = [
  ["cantilever", "a cantilever"],
  ["simply supported", "simply supported at its ends"],
] as const;

function HandCheckLine({ statement }: { statement: Of<"hand_check"> }) {
  const { view, change } = useNote();
  const studies = useStudies();
  const edit = (apply: (s: Of<"hand_check">) => void) => change(statement.id, (s) => s.kind === "hand_check" && apply(s));
  return (
    <>
      By hand, <ChoiceChip label="body" value={statement.body} options={view.shape.bodies.map((b) => [b.name, b.name] as const)} onChoose={(v) => void edit((s) => (s.body = v))} /> as a beam is{" "}
      <ChoiceChip label="beam" value={statement.beam} options={BEAMS} onChoose={(v) => void edit((s) => (s.beam = v))} />
      {studies.length > 1 && (
        <>
          {" "}
          in <ChoiceChip label="study" value={statement.study} options={studies} onChoose={(v) => void edit((s) => (s.study = v))} />
        </>
      )}
    </>
  );
}

export default [
  entry({
    kind: "hand_check",
    section: "Findings",
    order: 1,
    Line: HandCheckLine,
    templates: [
      {
        word: "hand check",
        text: "hand check: beam deflection by hand",
        also: "estimate cantilever simply supported beam",
        make: (v) => ({ kind: "hand_check", study: lastRead(v), body: onlyBody(v), beam: "cantilever" }),
      },
    ],
  }),
];
