import type { Of } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { imperial, lastRead, length, onlyBody } from "../template";
import { useStudies } from "../useStudies";
import { LIMITED, type Limited } from "../words";
import { entry } from "./entry";

function LimitLine({ statement }: { statement: Of<"limit"> }) {
  const { change } = useNote();
  const studies = useStudies();
  const edit = (apply: (s: Of<"limit">) => void) => change(statement.id, (s) => s.kind === "limit" && apply(s));
  return (
    <>
      <ChoiceChip label="quantity" value={statement.quantity} options={LIMITED} onChoose={(v: Limited) => void edit((s) => (s.quantity = v))} /> in{" "}
      <TargetChip statement={statement} kinds={["bodies", "faces", "edges", "points"]} /> stays under{" "}
      <TextChip label="limit" value={statement.at_most} onCommit={(v) => edit((s) => (s.at_most = v))} />
      {studies.length !== 1 || studies[0]?.[0] !== statement.study ? (
        <>
          {" "}
          in <ChoiceChip label="study" value={statement.study} options={studies} missing={!studies.some(([n]) => n === statement.study)} onChoose={(v) => void edit((s) => (s.study = v))} />
        </>
      ) : null}
    </>
  );
}

export default [
  entry({
    kind: "limit",
    section: "Findings",
    order: 2,
    Line: LimitLine,
    templates: [
      {
        word: "stress limit",
        text: "limit: stress stays under a share of yield",
        also: "limit von mises allowable yield strength verdict check",
        make: (v) => ({ kind: "limit", study: lastRead(v), quantity: "von_mises", target: onlyBody(v), at_most: "yield / 1.5" }),
      },
      {
        word: "deflection limit",
        text: "limit: displacement stays under a value",
        also: "limit displacement sag stiffness verdict check",
        make: (v) => ({ kind: "limit", study: lastRead(v), quantity: "displacement", target: onlyBody(v), at_most: length(v, "0.5 mm", "0.02 in") }),
      },
      {
        word: "reaction limit",
        text: "limit: reaction at a support stays under a force",
        also: "limit force support verdict check",
        make: (v) => ({ kind: "limit", study: lastRead(v), quantity: "reaction", target: "", at_most: imperial(v) ? "1000 lbf" : "5 kN" }),
      },
    ],
  }),
];
