import type { Of } from "../../api/types";
import { ChoiceChip } from "../chips";
import { useNote } from "../context";
import { lastRead, onlyBody } from "../template";
import { useStatement } from "../useStatement";
import { useStudies } from "../useStudies";
import { entry } from "./entry";

type HandCheck = Of<"hand_check">;

const BEAMS = [
  ["cantilever", "a cantilever"],
  ["simply supported", "a beam, simply supported"],
  ["clamped", "a beam, clamped at both ends"],
  ["propped", "a beam, clamped and propped"],
  ["free", "a beam, free"],
] as const;
const PLATES = [
  ["plate simply supported", "a plate, simply supported"],
  ["plate clamped", "a plate, clamped"],
] as const;

const FLOWS = [
  ["flows wall", "a wall that heat goes through"],
  ["flows fin", "a fin that air cools"],
] as const;

function HandCheckLine({ statement }: { statement: HandCheck }) {
  const { view } = useNote();
  const studies = useStudies();
  const { edit } = useStatement(statement);
  const type = view.document.statements.find((s) => s.kind === "study" && s.name === statement.study);
  const shapes = type?.kind === "study" && (type.type === "vibration" || type.type === "buckling");
  const heat = type?.kind === "study" && type.type === "heat";
  const options = heat ? FLOWS : [...BEAMS.filter(([key]) => key !== "free" || (type?.kind === "study" && type.type === "vibration")), ...(shapes ? PLATES : [])];
  return (
    <>
      By hand, <ChoiceChip label="body" value={statement.body} options={view.shape.bodies.map((b) => [b.name, b.name] as const)} onChoose={(v) => void edit((s) => (s.body = v))} /> is{" "}
      <ChoiceChip<string> label="seen as" value={statement.flows ? `flows ${statement.flows}` : statement.plate ? `plate ${statement.plate}` : (statement.beam ?? "")} options={options} onChoose={(v) => void edit((s) => take(s, v))} />
      {studies.length > 1 && (
        <>
          {" "}
          in <ChoiceChip label="study" value={statement.study} options={studies} onChoose={(v) => void edit((s) => (s.study = v))} />
        </>
      )}
    </>
  );
}

function take(s: HandCheck, form: string) {
  delete s.beam;
  delete s.plate;
  delete s.flows;
  if (form.startsWith("flows ")) s.flows = form.slice(6) as HandCheck["flows"];
  else if (form.startsWith("plate ")) s.plate = form.slice(6) as HandCheck["plate"];
  else s.beam = form as HandCheck["beam"];
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
        text: "hand check: a beam, a plate, a wall or a fin by hand",
        also: "estimate cantilever simply supported clamped beam plate frequency euler column buckling heat wall fin",
        make: (v) => {
          const study = lastRead(v);
          const heat = v.document.statements.some((s) => s.kind === "study" && s.name === study && s.type === "heat");
          return { kind: "hand_check", study, body: onlyBody(v), ...(heat ? { flows: "wall" as const } : { beam: "cantilever" as const }) };
        },
      },
    ],
  }),
];
