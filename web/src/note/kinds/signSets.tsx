import type { Of } from "../../api/types";
import { TextChip } from "../chips";
import { NamesChips } from "../NamesChips";
import { fresh } from "../template";
import { statedCases, useCases } from "../useCases";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function SignSetsLine({ statement }: { statement: Of<"sign_sets"> }) {
  const { edit, callIt } = useStatement(statement);
  const cases = useCases();
  const steady = statement.steady ?? [];
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> adds{" "}
      <NamesChips
        names={cases.filter((n) => !statement.swinging.includes(n))}
        chosen={steady}
        onChange={(names) =>
          void edit((s) => {
            if (names.length) s.steady = names as typeof s.steady;
            else delete s.steady;
          })
        }
      />{" "}
      to every set of signs of{" "}
      <NamesChips names={cases.filter((n) => !steady.includes(n))} chosen={statement.swinging} onChange={(names) => void edit((s) => names.length && (s.swinging = names.slice(0, 6) as typeof s.swinging))} />
      <span className="text-spruce"> · {2 ** statement.swinging.length} combinations</span>
    </>
  );
}

export default [
  entry({
    kind: "sign_sets",
    section: "Loads and stages",
    order: 15,
    Line: SignSetsLine,
    templates: [
      {
        word: "sign sets",
        text: "combinations for every set of signs of some cases",
        also: "plus minus permutations motion roll pitch heave combine signs",
        make: (v) => ({ kind: "sign_sets", name: fresh(v, "Signs"), swinging: (statedCases(v).length ? statedCases(v).slice(0, 6) : ["all loads"]) as Of<"sign_sets">["swinging"] }),
      },
    ],
  }),
];
