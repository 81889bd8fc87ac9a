import { Fragment } from "react";
import type { ModelView, Of, ShakingFinding } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { quiet } from "../../ui/quiet";
import { digits } from "../../ui/units";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { NamesChips } from "../NamesChips";
import { fresh, type Template } from "../template";
import { useStatement } from "../useStatement";
import { DriftAtMost, Held } from "./building";
import { DampingCurve } from "./DampingCurve";
import { AXES } from "./harmonic";

type Study = Of<"study">;
type Ground = NonNullable<Study["ground"]>[number];

const motionsOf = (view: ModelView) => view.document.statements.flatMap((s) => (s.kind === "ground_motion" && !s.off ? [s.name] : []));

export function ShakingLine({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit, callIt } = useStatement(statement);
  const floors = view.document.statements.some((s) => s.kind === "floor" && !s.off);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} />
      <Held statement={statement} />
      lets the ground shake by <Directions statement={statement} /> until <TextChip label="until" optional placeholder="the record ends" value={statement.until ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "until", v))} />, in steps of{" "}
      <TextChip label="step" optional placeholder="the record" value={statement.step ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "step", v))} />; <Damping statement={statement} />
      {floors && <DriftAtMost statement={statement} />}
      <Runs statement={statement} />
      <Found id={statement.id} />
    </>
  );
}

/** In up to three directions at once. */
function Directions({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const names = motionsOf(view);
  const ground = statement.ground ?? [];
  const change = (i: number, make: (g: Ground) => void) => edit((s) => s.ground?.[i] && make(s.ground[i]));
  return (
    <>
      {ground.map((g, i) => (
        <Fragment key={i}>
          {i > 0 && " and "}
          <ChoiceChip label={`motion ${i + 1}`} value={g.motion} missing={!names.includes(g.motion)} options={names.map((n) => [n, n] as const)} onChoose={(v) => void change(i, (one) => (one.motion = v))} />{" "}
          <ChoiceChip label={`direction ${i + 1}`} value={typeof g.direction === "string" ? g.direction.replace("-", "+") : "+x"} options={AXES} onChoose={(d) => void change(i, (one) => (one.direction = d as Ground["direction"]))} /> times{" "}
          <TextChip label={`scale ${i + 1}`} value={g.scale ?? "1"} onCommit={(v) => change(i, (one) => setOrDrop(one, "scale", v === "1" ? "" : v))} />
        </Fragment>
      ))}
      {ground.length < 3 && (
        <button className={quiet} onClick={() => void edit((s) => (s.ground = [...ground, { motion: names.find((n) => !ground.some((g) => g.motion === n)) ?? names[0] ?? "", direction: (["+x", "+y", "+z"] as const).find((d) => !ground.some((g) => g.direction === d)) ?? "+x" }] as Study["ground"]))}>
          + direction
        </button>
      )}
      {ground.length > 1 && (
        <button className={quiet} onClick={() => void edit((s) => void s.ground?.pop())}>
          − direction
        </button>
      )}
    </>
  );
}

/** One ratio at two periods. */
function Damping({ statement }: { statement: Study }) {
  const { view, shown } = useNote();
  const { edit } = useStatement(statement);
  const { periods } = statement;
  const set = (key: "ratio" | "longer" | "shorter", value: string) => edit((s) => s.periods && (s.periods[key] = value));
  // What a vibration study has found is what one would type.
  const found = view.studies.flatMap((s) => (s.findings?.findings ?? []).flatMap((f) => (f.kind === "modes" ? [f.rows.filter((row) => !row.rigid).map((row) => row.period)] : [])))[0] ?? [];
  const known = found.filter((p): p is number => p !== null).slice(0, 6);
  return (
    <>
      damped by{" "}
      <ChoiceChip
        label="damping"
        value={periods ? "both" : ""}
        options={[
          ["", "nothing but what flows"],
          ["both", "mass and stiffness"],
        ]}
        onChoose={(v) => void edit((s) => (v ? (s.periods = { ratio: "3 %", longer: "1 s", shorter: "0.1 s" }) : delete s.periods))}
      />
      {periods && (
        <>
          : <TextChip label="ratio" value={periods.ratio} onCommit={(v) => set("ratio", v)} /> at periods of <TextChip label="longer" value={periods.longer} onCommit={(v) => set("longer", v)} /> and <TextChip label="shorter" value={periods.shorter} onCommit={(v) => set("shorter", v)} />
          <DampingCurve study={statement.id} />
          {known.length > 1 && <span className="font-sans text-[12px] text-faint"> (its shapes swing with {known.map((p) => shown.text(p, "time")).join(", ")})</span>}
        </>
      )}
    </>
  );
}

/** The same with other motions and scales. */
function Runs({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const names = motionsOf(view);
  const { runs } = statement;
  if (!runs) {
    return (
      <>
        {". "}
        <button className={quiet} disabled={names.length === 0} onClick={() => void edit((s) => (s.runs = { motions: names as [string, ...string[]], scales: ["0.5", "1", "1.5"] }))}>
          many runs
        </button>
      </>
    );
  }
  return (
    <>
      . Run for each of <NamesChips names={names} chosen={runs.motions} onChange={(chosen) => chosen.length > 0 && void edit((s) => s.runs && (s.runs.motions = chosen as [string, ...string[]]))} /> with all directions times{" "}
      <TextChip label="scales" value={runs.scales.join("; ")} onCommit={(v) => edit((s) => s.runs && (s.runs.scales = v.split(/[;,]/).map((one) => one.trim()).filter(Boolean) as NonNullable<Study["runs"]>["scales"]))} />
      <button className={quiet} onClick={() => void edit((s) => delete s.runs)}>
        one run
      </button>
    </>
  );
}

function Found({ id }: { id: string }) {
  const { view, shown } = useNote();
  const state = view.studies.find((s) => s.statement === id);
  const found = state?.findings?.findings.find((f): f is ShakingFinding => f.kind === "shaking");
  if (!found) return null;
  const { stuck } = found;
  return (
    <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-shaking>
      {found.runs && `${found.runs.length} runs. Of the one that shook most, ${found.motions[0]?.name} times ${digits(found.motions[0]?.scale ?? 1)}: `}
      {found.runs ? "the" : "The"} ground shakes by up to {found.most.ground.map((v) => shown.text(v, "acceleration")).join(" and ")}, something moves by up to <b className="font-semibold">{shown.text(found.most.farthest, "length")}</b>, and the feet take <b className="font-semibold">{shown.text(found.most.base, "force")}</b>. {digits(found.steps)} steps, {digits(found.iterations)} iterations.
      {stuck && <span className="text-vermilion"> At {shown.text(stuck.time, "time")} a step came to no rest, however short{stuck.at.length > 0 && <> (near {stuck.at.map((v) => shown.text(v, "length")).join("; ")})</>}: all before is kept. Look at what gives way there, or take a shorter step.</span>}
    </span>
  );
}

export const shaking: Template = {
  word: "shaking",
  text: "study: an earthquake, step by step",
  also: "ground motion seismic time history nonlinear dynamic earthquake drift base shear records batch study",
  make: (v) => ({ kind: "study", name: fresh(v, "Earthquake"), type: "shaking", ground: [{ motion: motionsOf(v)[0] ?? "", direction: "+x" }], periods: { ratio: "3 %", longer: "1 s", shorter: "0.1 s" } }),
};
