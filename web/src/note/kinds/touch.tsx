import type { Of, StagesFinding } from "../../api/types";
import { useTouches, type TouchStart } from "../../api/results";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { FlagChip } from "../FlagChip";
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
      ; <FlagChip on={statement.slides === "far"} words={statement.slides === "far" ? "it slides on and on" : "it slides by little"} onTurn={() => void edit((s) => void (s.slides === "far" ? delete s.slides : (s.slides = "far")))} />
      <Standing statement={statement} />
      <Pressed id={statement.id} />
    </>
  );
}

/** How it stands on the mesh before anything is solved, with a way to close it. */
function Standing({ statement }: { statement: Of<"touch"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const { data } = useTouches(view.mesh?.summary ? view.mesh.digest : null, { model: view.id, version: view.version });
  const found = data?.find((t) => t.statement === statement.id);
  if (!found) return null;
  const well = found.state === "closed";
  return (
    <span className="block font-sans text-[12px]" data-standing={found.state}>
      <Shares shares={found.shares} /> <span className={well ? "text-spruce" : "text-amber-ink"}>{found.words}</span>
      {found.cure && <span className="text-faint">. {found.cure}</span>}
      {!well && found.even && statement.starts !== "touching" && (
        <button className="ml-1 rounded border border-rule px-1 text-faint hover:bg-glow" onClick={() => void edit((s) => (s.starts = "touching"))}>
          start touching
        </button>
      )}
    </span>
  );
}

const PARTS = [
  ["closed", "#2f7171"],
  ["apart", "#d9a441"],
  ["into", "#b3541e"],
  ["beyond", "#cfc7b2"],
] as const;

/** A small bar: of the area, what is closed, apart, drawn into each other, and out of reach. */
function Shares({ shares }: { shares: TouchStart["shares"] }) {
  let at = 0;
  return (
    <svg width="64" height="9" className="inline-block rounded-sm align-[-1px]" role="img" aria-label={PARTS.map(([key]) => `${key} ${share(shares[key])}`).join(", ")}>
      {PARTS.map(([key, colour]) => {
        const from = at;
        at += shares[key] * 64;
        return <rect key={key} x={from} width={at - from} height="9" fill={colour} />;
      })}
    </svg>
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
