import type { LifeFinding, Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { quiet } from "../../ui/quiet";
import { digits, percent } from "../../ui/units";
import { useDesk } from "../../workspace/desk";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { fresh, type Template } from "../template";
import { useCases } from "../useCases";
import { useStatement } from "../useStatement";
import { HistoryButton } from "./HistoryButton";
import { Bears, Law, Lowered } from "./lifeStrength";
import { OfChip, staticsOf } from "./OfChip";
import { stageNames } from "./stageNames";

type Study = Of<"study">;
type Life = NonNullable<Study["life"]>;


const LOADS = [
  ["-1", "fully reversed"],
  ["0", "from zero"],
  ["ratio", "between it and a share of it"],
  ["history", "as recorded"],
  ["duty", "through cases in order"],
] as const;
const THROUGH = [["duty", "through stages in order"]] as const;
const USES = [
  ["von_mises", "signed von Mises stress"],
  ["shear", "signed Tresca stress"],
  ["principal", "the largest principal stress"],
] as const;
export const MEANS = [
  ["none", "means do nothing"],
  ["goodman", "means by Goodman"],
  ["gerber", "means by Gerber"],
  ["soderberg", "means by Soderberg"],
  ["morrow", "means by Morrow"],
  ["swt", "means by Smith, Watson, Topper"],
  ["walker", "means by Walker"],
] as const;
const OF_STRAIN = MEANS.filter(([m]) => m === "none" || m === "morrow" || m === "swt");

export function LifeLine({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit, callIt } = useStatement(statement);
  const life = statement.life;
  if (!life) return null;
  const change = (put: (l: Life) => void) => edit((s) => s.life && put(s.life));
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> finds how long <TargetChip statement={{ ...statement, target: statement.target ?? "" }} kinds={["bodies", "faces", "edges", "points"]} /> lives under the stress of <OfChip statement={statement} types={["static", "stages"]} onPut={(s, of) => throughStages(s, stageNames(view.document.statements, of))} />,{" "}
      <Loaded statement={statement} life={life} />, by{" "}
      <ChoiceChip
        label="by"
        value={life.by ?? "stress"}
        options={[["stress", "stress"], ["strain", "strain"]] as const}
        onChoose={(v) =>
          void change((l) => {
            l.by = v;
            if (v === "strain" && !OF_STRAIN.some(([m]) => m === l.mean)) l.mean = "swt";
          })
        }
      />{" "}
      from the <ChoiceChip label="uses" value={life.uses ?? "von_mises"} options={USES} onChoose={(v) => void change((l) => (l.uses = v))} />; <ChoiceChip label="means" value={life.mean ?? "none"} options={life.by === "strain" ? OF_STRAIN : MEANS} onChoose={(v) => void change((l) => (l.mean = v))} />
      {life.mean === "walker" && (
        <>
          {" "}
          with <TextChip label="Walker's exponent" value={life.walker ?? "0.5"} onCommit={(v) => change((l) => (l.walker = v))} />
        </>
      )}
      ; {life.by === "strain" ? <Law statement={statement} life={life} /> : <Bears statement={statement} life={life} />}; <Lowered statement={statement} life={life} />; it must last{" "}
      <TextChip label="design life" optional placeholder="any number of" value={life.design ?? ""} onCommit={(v) => change((l) => setOrDrop(l, "design", v))} /> {life.load && "ratio" in life.load ? "cycles" : "passes"}
      {life.unit ? (
        <>
          , <TextChip label="passes in a unit" value={life.unit.passes} onCommit={(v) => change((l) => l.unit && (l.unit.passes = v))} /> to <TextChip label="unit" value={life.unit.name} onCommit={(v) => change((l) => l.unit && (l.unit.name = v))} />
          <button className={quiet} onClick={() => void change((l) => void delete l.unit)}>
            no unit
          </button>
        </>
      ) : (
        <button className={quiet} title="What life is told in besides, such as years" onClick={() => void change((l) => (l.unit = { name: "years", passes: "365" }))}>
          + unit
        </button>
      )}
      <Found id={statement.id} />
    </>
  );
}

/** What a study in stages found is taken as it is: through its stages in order. */
function throughStages(s: Study, stages: string[] | undefined) {
  if (!s.life || !stages) return;
  s.life.load = { duty: [{ case: stages.at(-2) ?? "" }, { case: stages.at(-1) ?? "" }] };
  delete s.life.scale;
  delete s.case;
}

/** How the stress goes up and down. */
function Loaded({ statement, life }: { statement: Study; life: Life }) {
  const { edit } = useStatement(statement);
  const { view } = useNote();
  const named = useCases();
  const stages = stageNames(view.document.statements, statement.of ?? "");
  const cases = stages ?? named;
  const change = (put: (l: Life) => void) => edit((s) => s.life && put(s.life));
  const { load } = life;
  const how = "ratio" in load ? (load.ratio === "-1" || load.ratio === "0" ? load.ratio : "ratio") : "history" in load ? "history" : "duty";
  const names = [["", "its first case"], ...cases.map((n) => [n, n] as const)] as readonly (readonly [string, string])[];
  const steps = [...(stages ? [] : [["", "no load"] as const]), ...cases.map((n) => [n, n] as const)] as readonly (readonly [string, string])[];
  return (
    <>
      {how !== "duty" && <ChoiceChip label="case" value={statement.case ?? ""} options={names} onChoose={(v) => void edit((s) => setOrDrop(s, "case", v))} />}{" "}
      <ChoiceChip
        label="load"
        value={how}
        options={stages ? THROUGH : LOADS}
        onChoose={(v) =>
          void change((l) => {
            l.load = v === "history" ? { history: [[1, -1]] } : v === "duty" ? { duty: [{ case: cases[0] ?? "" }, { case: cases[1] ?? "" }] } : { ratio: v === "ratio" ? "-0.5" : v };
          })
        }
      />
      {how === "ratio" && "ratio" in load && (
        <>
          {" "}
          of <TextChip label="ratio" value={load.ratio} onCommit={(v) => change((l) => (l.load = { ratio: v }))} />
        </>
      )}
      {"history" in load && (
        <>
          {" "}
          in {load.history.flat().length} values{load.file && ` of ${load.file}`} <HistoryButton onRead={(rows, file) => change((l) => (l.load = { history: rows as [[number, ...number[]], ...[number, ...number[]][]], file }))} />
        </>
      )}
      {"duty" in load &&
        load.duty.map((step, i) => (
          <span key={i}>
            {" "}
            {i > 0 && "→ "}
            <ChoiceChip label={`step ${i + 1}`} value={step.case} options={steps} onChoose={(v) => void change((l) => "duty" in l.load && l.load.duty[i] && (l.load.duty[i].case = v))} />
            {!stages && " × "}
            {!stages && <TextChip label={`factor ${i + 1}`} value={step.factor ?? "1"} onCommit={(v) => change((l) => "duty" in l.load && l.load.duty[i] && (l.load.duty[i].factor = v))} />}
            {load.duty.length > 2 && (
              <button className={quiet} aria-label={`remove step ${i + 1}`} onClick={() => void change((l) => void ("duty" in l.load && l.load.duty.splice(i, 1)))}>
                ×
              </button>
            )}
          </span>
        ))}
      {"duty" in load && (
        <button className={quiet} onClick={() => void change((l) => void ("duty" in l.load && l.load.duty.push({ case: stages?.at(-1) ?? "" })))}>
          + step
        </button>
      )}
      {!stages && (
        <>
          , times <TextChip label="scale" value={life.scale ?? "1"} onCommit={(v) => change((l) => setOrDrop(l, "scale", v))} />
        </>
      )}
    </>
  );
}

/** How long, in words. */
export function lasts(found: LifeFinding): string {
  const { life } = found.worst;
  if (life === null) return "without end";
  const unit = found.unit ? ` (${digits(life / found.unit.passes)} ${found.unit.name})` : "";
  return `${digits(Number(life.toPrecision(4)))}${unit}`;
}

function Found({ id }: { id: string }) {
  const { view, shown } = useNote();
  const { set } = useDesk();
  const state = view.studies.find((s) => s.statement === id);
  const found = state?.findings?.findings.find((f): f is LifeFinding => f.kind === "life");
  if (!found) return null;
  return (
    <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-life>
      Lasts <b className="font-semibold">{lasts(found)}</b> at least, in{" "}
      <button className="underline" onClick={() => set({ study: state?.name ?? "", look: "results", spot: found.worst.at as [number, number, number] })}>
        {found.worst.body}
      </button>
      ; {found.as_found ? "strain and stress, as found," : "the load"} may be {digits(Number(found.worst.safety.toPrecision(3)))} times as much.{" "}
      {found.margin !== null && (
        <span data-verdict={found.holds ? "holds" : "fails"} className={`font-semibold ${found.holds ? "text-spruce" : "text-vermilion"}`}>
          {found.holds ? "holds" : "fails"}, {percent(found.margin)}
        </span>
      )}{" "}
      {found.by === "stress" && found.yields && <span className="text-amber-ink">The stress there, {shown.text(found.peak, "stress")}, is over yield: life by stress does not apply, choose strain. </span>}
      {found.by === "stress" && found.yields === false && <span className="text-faint">The stress there, {shown.text(found.peak, "stress")}, stays under yield: life by stress applies. </span>}
      {found.above && <span className="text-amber-ink">The stress is over the first point of the curve, which is carried on. </span>}
      {found.estimated && <span className="text-amber-ink">Its constants are an estimate. </span>}
    </span>
  );
}

export const life: Template = {
  word: "life",
  text: "study: life under stress that goes up and down",
  also: "fatigue s-n curve cycles damage rainflow duty endurance goodman strain study",
  make: (v) => ({ kind: "study", name: fresh(v, "Life"), type: "life", of: staticsOf(v).at(-1) ?? "", life: { load: { ratio: "-1" }, mean: "goodman", curve: { coefficient: "900 MPa", exponent: "-0.09" }, design: "1e6" } }),
};
