import type { Of, SweepFinding } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { quiet } from "../../ui/quiet";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { fresh, type Template } from "../template";
import { useCases } from "../useCases";
import { useStatement } from "../useStatement";
import { DampingCurve } from "./DampingCurve";
import { OfChip, studiesOf } from "./OfChip";

type Study = Of<"study">;
type Base = NonNullable<Study["base"]>;

export const AXES = ["+x", "+y", "+z"].map((d) => [d, `along ${d[1]}`] as const);
const SHAKEN = [
  ["acceleration", "an acceleration of", "1 m/s2"],
  ["velocity", "a velocity of", "10 mm/s"],
  ["displacement", "a displacement of", "1 mm"],
] as const;
type Shaken = (typeof SHAKEN)[number][0];

const shakenBy = (base: Base): Shaken => ("acceleration" in base ? "acceleration" : "velocity" in base ? "velocity" : "displacement");
const shaking = (how: Shaken, direction: Base["direction"], value: string): Base => (how === "acceleration" ? { direction, acceleration: value } : how === "velocity" ? { direction, velocity: value } : { direction, displacement: value });
const amplitude = (base: Base) => ("acceleration" in base ? base.acceleration : "velocity" in base ? base.velocity : base.displacement);

export function HarmonicLine({ statement }: { statement: Study }) {
  const { edit, callIt } = useStatement(statement);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is the steady swing from <TextChip label="from" value={statement.from ?? ""} onCommit={(v) => edit((s) => (s.from = v))} /> to <TextChip label="to" value={statement.to ?? ""} onCommit={(v) => edit((s) => (s.to = v))} />, made of the shapes of{" "}
      <OfChip statement={statement} types={["vibration"]} />, <Pushed statement={statement} />; <Damped statement={statement} />; at <TextChip label="points" value={String(statement.points ?? 100)} onCommit={(v) => edit((s) => (s.points = Number(v)))} /> frequencies and close about the natural ones
      <Swept statement={statement} />
    </>
  );
}

/** By loads, or by the base. */
function Pushed({ statement }: { statement: Study }) {
  const { edit } = useStatement(statement);
  const cases = useCases();
  const { base, curve } = statement;
  return (
    <>
      <ChoiceChip
        label="pushed by"
        value={base ? "base" : ""}
        options={[["", "pushed by"], ["base", "shaken where it is held, by"]] as const}
        onChoose={(v) =>
          void edit((s) => {
            if (v) s.base = shaking("acceleration", "+z", "1 m/s2");
            else delete s.base;
            if (v) delete s.case;
            else delete s.relative;
          })
        }
      />{" "}
      {base ? (
        <>
          <ChoiceChip label="shaken by" value={shakenBy(base)} options={SHAKEN.map(([how, words]) => [how, words] as const)} onChoose={(how) => void edit((s) => (s.base = shaking(how, base.direction, SHAKEN.find(([h]) => h === how)?.[2] ?? "")))} />{" "}
          <TextChip label="amplitude" value={amplitude(base)} onCommit={(v) => edit((s) => (s.base = shaking(shakenBy(base), base.direction, v)))} />{" "}
          <ChoiceChip label="along" value={typeof base.direction === "string" ? base.direction.replace("-", "+") : "+z"} options={AXES} onChoose={(d) => void edit((s) => (s.base = shaking(shakenBy(base), d as Base["direction"], amplitude(base))))} />, seen from{" "}
          <ChoiceChip label="seen from" value={statement.relative ? "base" : ""} options={[["", "outside"], ["base", "the base"]] as const} onChoose={(v) => void edit((s) => (v ? (s.relative = true) : void delete s.relative))} />
        </>
      ) : (
        <ChoiceChip label="case" value={statement.case ?? ""} options={[["", "its first case"], ...cases.map((n) => [n, n] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => setOrDrop(s, "case", v))} />
      )}
      {statement.unbalance_at ? (
        <>
          , as of something out of balance at <TextChip label="unbalance at" optional placeholder="no unbalance" value={statement.unbalance_at} onCommit={(v) => edit((s) => setOrDrop(s, "unbalance_at", v))} />
        </>
      ) : (
        <button className={quiet} title="Loads that grow with the square of the frequency; they are as stated at one" onClick={() => void edit((s) => (s.unbalance_at = s.to ?? "25 Hz"))}>
          + unbalance
        </button>
      )}
      {curve ? (
        <>
          , times{" "}
          {curve.map((point, i) => (
            <span key={i}>
              {i > 0 && ", "}
              <TextChip label={`factor ${i + 1}`} value={point.factor} onCommit={(v) => edit((s) => s.curve?.[i] && (s.curve[i].factor = v))} /> at <TextChip label={`at ${i + 1}`} value={point.at} onCommit={(v) => edit((s) => s.curve?.[i] && (s.curve[i].at = v))} />
            </span>
          ))}
          <button className={quiet} onClick={() => void edit((s) => void s.curve?.push({ ...(s.curve.at(-1) ?? { at: "1 Hz", factor: "1" }) }))}>
            + point
          </button>
          <button className={quiet} onClick={() => void edit((s) => void delete s.curve)}>
            no curve
          </button>
        </>
      ) : (
        <button
          className={quiet}
          title="What the loads are multiplied by, over frequency"
          onClick={() =>
            void edit(
              (s) =>
                (s.curve = [
                  { at: s.from ?? "1 Hz", factor: "1" },
                  { at: s.to ?? "100 Hz", factor: "1" },
                ]),
            )
          }
        >
          + curve
        </button>
      )}
    </>
  );
}

export function Damped({ statement }: { statement: Study }) {
  const { edit } = useStatement(statement);
  const { rayleigh } = statement;
  const own = statement.damping_of ?? [];
  return (
    <>
      {rayleigh ? (
        <>
          damped by mass and stiffness, <TextChip label="first ratio" value={rayleigh.from_ratio} onCommit={(v) => edit((s) => s.rayleigh && (s.rayleigh.from_ratio = v))} /> at <TextChip label="first at" value={rayleigh.from} onCommit={(v) => edit((s) => s.rayleigh && (s.rayleigh.from = v))} /> and{" "}
          <TextChip label="second ratio" value={rayleigh.to_ratio} onCommit={(v) => edit((s) => s.rayleigh && (s.rayleigh.to_ratio = v))} /> at <TextChip label="second at" value={rayleigh.to} onCommit={(v) => edit((s) => s.rayleigh && (s.rayleigh.to = v))} />
          <DampingCurve study={statement.id} />
          <button className={quiet} onClick={() => void edit((s) => void delete s.rayleigh)}>
            one ratio
          </button>
        </>
      ) : (
        <>
          damped by <TextChip label="damping" value={statement.damping ?? "2 %"} onCommit={(v) => edit((s) => setOrDrop(s, "damping", v))} />
          <button className={quiet} title="A part of the damping by mass, and one by stiffness" onClick={() => void edit((s) => (s.rayleigh = { from: s.from ?? "1 Hz", from_ratio: s.damping ?? "2 %", to: s.to ?? "100 Hz", to_ratio: s.damping ?? "2 %" }))}>
            by mass and stiffness
          </button>
        </>
      )}
      {own.map((mode, i) => (
        <span key={i}>
          , mode <TextChip label={`mode ${i + 1}`} value={String(mode.mode)} onCommit={(v) => edit((s) => s.damping_of?.[i] && (s.damping_of[i].mode = Number(v)))} /> by{" "}
          <TextChip
            label={`its ratio ${i + 1}`}
            optional
            value={mode.ratio}
            onCommit={(v) =>
              edit((s) => {
                if (v && s.damping_of?.[i]) s.damping_of[i].ratio = v;
                else s.damping_of?.splice(i, 1);
                if (s.damping_of && !s.damping_of[0]) delete s.damping_of;
              })
            }
          />
        </span>
      ))}
      <button className={quiet} onClick={() => void edit((s) => (s.damping_of = [{ mode: 1, ratio: "1 %" }, ...(s.damping_of ?? [])]))}>
        + a mode’s own
      </button>
    </>
  );
}

/** What the sweep is made of, and whether its modes carry enough. */
function Swept({ statement }: { statement: Study }) {
  const { view, shown } = useNote();
  const state = view.studies.find((s) => s.statement === statement.id);
  const found = state?.findings?.findings.find((f): f is SweepFinding => f.kind === "sweep");
  if (!found) return null;
  const low = ["x", "y", "z"].filter((axis) => found.short.includes(axis));
  return (
    <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-sweep>
      {found.frequencies} frequencies, {found.modes.length} modes
      {found.residual ? ", and what the modes left out add stiffly" : ""}.{" "}
      {low.length > 0 && (
        <span className="text-amber-ink">
          The modes carry only {low.map((axis) => `${Math.round((found.carried["xyz".indexOf(axis)] ?? 0) * 100)} % of the mass along ${axis}`).join(", ")}, under {Math.round(found.enough * 100)} %: ask {found.of} for more, {found.modes.length * 2} say.{" "}
        </span>
      )}
      {found.beyond && <span className="text-amber-ink">The sweep goes beyond the last mode, {shown.text(found.modes.at(-1)?.frequency ?? 0, "frequency")}: ask {found.of} for all up to twice its end.</span>}
    </span>
  );
}

export const harmonic: Template = {
  word: "harmonic response",
  text: "study: harmonic response, steady swing over a range of frequencies",
  also: "sweep forced vibration frequency response harmonic base shaking amplitude resonance study",
  make: (v) => ({ kind: "study", name: fresh(v, "Sweep"), type: "harmonic", of: studiesOf(v, "vibration").at(-1) ?? "", from: "5 Hz", to: "100 Hz", damping: "2 %", points: 100 }),
};
