import type { Of, StagesFinding } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

const STARTS = [
  ["drawn", "as drawn"],
  ["touching", "taken as none"],
] as const;

function TouchLine({ statement }: { statement: Of<"touch"> }) {
  const { edit } = useStatement(statement);
  return (
    <>
      <TargetChip statement={statement} kinds={["faces", "edges"]} /> touches <TargetChip statement={statement} kinds={["faces", "edges"]} field="to" />, with friction of{" "}
      <TextChip label="friction" optional placeholder="none" value={statement.friction ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "friction", v))} />, looking as far as <TextChip label="reach" optional placeholder="1 % of the part" value={statement.reach ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "reach", v))} />; gaps are{" "}
      <ChoiceChip label="starts" value={statement.starts ?? "drawn"} options={STARTS} onChoose={(v) => void edit((s) => (v === "drawn" ? delete s.starts : (s.starts = v)))} />
      <Pressed id={statement.id} />
    </>
  );
}

/** How it stood before anything moved, and the force through it at the end of every stage. */
function Pressed({ id }: { id: string }) {
  const { view, shown } = useNote();
  return view.studies.map((study) => {
    const found = study.findings?.findings.find((f): f is StagesFinding => f.kind === "stages");
    const touch = found?.touches.find((t) => t.statement === id);
    if (!found || !touch) return null;
    const { least, greatest } = touch.start;
    return (
      <span key={study.statement} className={`block font-sans text-[12px] ${study.state === "stale" ? "opacity-55" : ""}`} data-touch>
        {least < 0 && -least > touch.start.size * 0.01 ? <span className="text-amber-ink">Drawn {shown.text(-least, "length")} into each other. </span> : greatest > touch.start.size * 1e-6 ? `At most ${shown.text(greatest, "length")} apart at first. ` : "Closed at first. "}
        {found.rows.map((row) => {
          const at = row.frame === null ? undefined : touch.rows[row.frame];
          if (!at) return null;
          return (
            <span key={row.name} className="mr-2">
              {row.name}: <b className="font-semibold">{shown.text(at.normal, "force")}</b>
              {touch.friction > 0 && <> and {shown.text(at.shear, "force")} across</>}, {share(at.closed)} closed
              {at.sticks !== null && <>, {share(at.sticks)} sticks</>}.
            </span>
          );
        })}
      </span>
    );
  });
}

const share = (value: number) => `${Math.round(value * 100)} %`;

export default [
  entry({
    kind: "touch",
    section: "Joins and supports",
    order: 5.5,
    Line: TouchLine,
    templates: [{ word: "touch", text: "touch: two regions press, part and slide", also: "contact friction gap slide press interference", make: () => ({ kind: "touch", target: "", to: "" }) }],
  }),
];
