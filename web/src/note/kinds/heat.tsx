import type { Of } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

type Heat = Of<"heat">;

const HOWS = [
  ["held", "is held at"],
  ["flux", "takes in"],
  ["source", "makes within it"],
  ["convection", "gives heat to air of"],
] as const;

/** What a way wants, with values to begin with. */
function begun(how: Heat["how"], old: Heat): Partial<Heat> {
  const temperature = old.temperature ?? "20 degC";
  return how === "held" ? { temperature } : how === "convection" ? { temperature, film: old.film ?? "15 W/(m2 K)" } : { power: old.power ?? "50 W" };
}

function HeatLine({ statement }: { statement: Heat }) {
  const { edit } = useStatement(statement);
  const { how } = statement;
  const { view } = useNote();
  const members = view.shape.bodies.some((b) => b.make === "members");
  return (
    <>
      <TargetChip statement={statement} kinds={how === "source" ? ["bodies"] : how === "held" ? ["faces", "edges", "points", "bodies"] : how === "convection" && members ? ["faces", "edges", "bodies"] : ["faces", "edges"]} />{" "}
      <ChoiceChip
        label="how"
        value={how}
        options={HOWS}
        onChoose={(v) =>
          void edit((s) => {
            const wanted = begun(v, s);
            delete s.temperature;
            delete s.power;
            delete s.film;
            Object.assign(s, { how: v }, wanted);
          })
        }
      />{" "}
      {how === "held" || how === "convection" ? <TextChip label="temperature" value={statement.temperature ?? ""} onCommit={(v) => edit((s) => (s.temperature = v))} /> : <TextChip label="power" value={statement.power ?? ""} onCommit={(v) => edit((s) => (s.power = v))} />}
      {how === "convection" && (
        <>
          , with <TextChip label="film" value={statement.film ?? ""} onCommit={(v) => edit((s) => (s.film = v))} />
        </>
      )}
      {(how === "flux" || how === "source") && " in all"}
    </>
  );
}

export default [
  entry({
    kind: "heat",
    section: "Loads and stages",
    order: 5.7,
    Line: HeatLine,
    templates: [
      { word: "held temperature", text: "heat: a place is held at a temperature", also: "thermal boundary fixed heat study", make: () => ({ kind: "heat", target: "", how: "held", temperature: "20 degC" }) },
      { word: "air", text: "heat: air takes heat from a surface (convection)", also: "thermal convection film cooling heat study", make: () => ({ kind: "heat", target: "", how: "convection", temperature: "20 degC", film: "15 W/(m2 K)" }) },
      { word: "heat flow", text: "heat: power through a surface, or made within a body", also: "thermal flux source power watt heat study", make: () => ({ kind: "heat", target: "", how: "flux", power: "50 W" }) },
    ],
  }),
];
