import type { Of } from "../../api/types";
import { ChoiceChip } from "../chips";
import { useNote } from "../context";
import { FigureChip } from "../shape/parts";
import { TargetChip } from "../TargetChip";
import { last } from "../template";
import { entry } from "./entry";

type Section = Of<"section">;

const UPS = [
  ["", "z, or x if upright"],
  ["+x", "+x"],
  ["+y", "+y"],
  ["+z", "+z"],
] as const;
const WAYS = [
  ["", "rigidly joined at both ends"],
  ["start", "turning freely at its start"],
  ["finish", "turning freely at its end"],
  ["both", "turning freely at both ends"],
  ["bar", "carrying only along its axis"],
] as const;

function SectionLine({ statement }: { statement: Section }) {
  const { view, change } = useNote();
  const edit = (apply: (s: Section) => void) => change(statement.id, (s) => s.kind === "section" && apply(s));
  const way = statement.bar ? "bar" : (statement.pinned ?? "");
  return (
    <>
      <TargetChip statement={statement} kinds={["bodies", "edges"]} /> {"has the section "}
      <FigureChip label="section" value={statement.outline} kinds={["outline"]} onChoose={(v) => void edit((s) => (s.outline = v))} />, its y axis towards{" "}
      <ChoiceChip
        label="up"
        value={typeof statement.up === "string" ? statement.up : ""}
        options={UPS.map(([key, words]) => [key, key === "" && view.shape.dimension === 2 ? "across it in the plane" : words] as const) as readonly (readonly [string, string])[]}
        onChoose={(v) =>
          void edit((s) => {
            if (v) s.up = v as "+x";
            else delete s.up;
          })
        }
      />
      ,{" "}
      <ChoiceChip
        label="joined"
        value={way}
        options={WAYS as readonly (readonly [string, string])[]}
        onChoose={(v) =>
          void edit((s) => {
            delete s.bar;
            delete s.pinned;
            if (v === "bar") s.bar = true;
            else if (v) s.pinned = v as "both";
          })
        }
      />
    </>
  );
}

export default [
  entry({
    kind: "section",
    section: "Material and sections",
    order: 2,
    Line: SectionLine,
    templates: [
      {
        word: "member section",
        text: "section of members: an outline that is carried along them",
        also: "beam column bar cross profile truss pinned release",
        make: (v) => ({ kind: "section", target: v.shape.bodies.find((b) => b.make === "members")?.name ?? "", outline: last(v, "outline") }),
      },
    ],
  }),
];
