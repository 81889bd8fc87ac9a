import type { ModesFinding, Of, ResonanceFinding } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { percent } from "../../ui/units";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { fresh, type Template } from "../template";
import { useStatement } from "../useStatement";
import { staticsOf } from "./OfChip";

type Study = Of<"study">;

export function VibrationLine({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit, callIt } = useStatement(statement);
  const { running } = statement;
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> finds{" "}
      {statement.to ? (
        "all"
      ) : (
        <>
          the first <TextChip label="modes" value={String(statement.modes ?? 10)} onCommit={(v) => edit((s) => (s.modes = Number(v)))} />
        </>
      )}{" "}
      natural frequencies{statement.to && " up to"} <TextChip label="up to" optional placeholder="up to…" value={statement.to ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "to", v))} />, of the part{" "}
      <ChoiceChip
        label="stressed by"
        value={statement.of ?? ""}
        options={[["", "as it is"], ...staticsOf(view).map((n) => [n, `under the loads of ${n}`] as const)] as readonly (readonly [string, string])[]}
        onChoose={(v) => void edit((s) => setOrDrop(s, "of", v))}
      />
      , with{" "}
      <ChoiceChip
        label="masses"
        value={statement.mass ?? "consistent"}
        options={[
          ["consistent", "consistent masses"],
          ["lumped", "masses at nodes alone"],
        ] as const}
        onChoose={(v) => void edit((s) => (v === "lumped" ? (s.mass = v) : void delete s.mass))}
      />
      {running ? (
        <>
          , and none may lie between <TextChip label="running from" value={running.from} onCommit={(v) => edit((s) => s.running && (s.running.from = v))} /> and <TextChip label="running to" value={running.to} onCommit={(v) => edit((s) => s.running && (s.running.to = v))} />{" "}
          <button className="text-[11.5px] text-faint underline" onClick={() => void edit((s) => void delete s.running)}>
            no range
          </button>
        </>
      ) : (
        <button className="ml-1 rounded px-1 font-sans text-[11.5px] text-faint hover:bg-glow hover:text-ink" onClick={() => void edit((s) => (s.running = { from: "20 Hz", to: "60 Hz" }))}>
          + running range
        </button>
      )}
      <Found id={statement.id} />
    </>
  );
}

function Found({ id }: { id: string }) {
  const { view, shown } = useNote();
  const state = view.studies.find((s) => s.statement === id);
  const modes = state?.findings?.findings.find((f): f is ModesFinding => f.kind === "modes");
  const range = state?.findings?.findings.find((f): f is ResonanceFinding => f.kind === "resonance");
  if (!modes) return null;
  const elastic = modes.rows.filter((r) => !r.rigid);
  const { counted } = modes;
  const missed = counted ? counted.below - counted.found : 0;
  const most = modes.rows.at(-1)?.sums ?? [0, 0, 0];
  return (
    <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-modes>
      {modes.rows.length} found{elastic.length < modes.rows.length && `, ${modes.rows.length - elastic.length} of them rigid`}
      {elastic[0] && (
        <>
          , the first at <b className="font-semibold">{shown.text(elastic[0].frequency, "frequency")}</b>
        </>
      )}
      {counted && (missed === 0 ? <span className="text-spruce">; none missed below {shown.text(counted.frequency, "frequency")}</span> : <span className="text-vermilion">; {missed} missed below {shown.text(counted.frequency, "frequency")}: ask for more</span>)}
      . They carry {["x", "y", "z"].map((axis, k) => `${Math.round((most[k] ?? 0) * 100)} % of the mass along ${axis}`).join(", ")}.
      {modes.sags.map((s) => (
        <span key={s.axis} className="block text-faint" data-sag={s.axis}>
          By hand: weight along {s.axis} sags {shown.text(s.sag, "length")}, so √(g/δ)/2π is {shown.text(s.simple, "frequency")}, and of the whole sagging line {shown.text(s.whole, "frequency")}; mode {s.mode} is{" "}
          {shown.text(modes.rows[s.mode - 1]?.frequency ?? 0, "frequency")} ({percent((modes.rows[s.mode - 1]?.frequency ?? 0) / s.whole - 1, 1)}).
        </span>
      ))}
      {range && (
        <span data-verdict={range.holds ? "holds" : "fails"} className={`ml-1 font-semibold ${range.holds ? "text-spruce" : "text-vermilion"}`}>
          {range.holds ? "holds: none lies in the running range" : `fails: ${range.inside.map((n) => `mode ${n}`).join(", ")} in the running range`}
        </span>
      )}
    </span>
  );
}

export const vibration: Template = {
  word: "vibration",
  text: "study: vibration, natural frequencies and shapes",
  also: "modal modes natural frequency eigen resonance study",
  make: (v) => ({ kind: "study", name: fresh(v, "Vibration"), type: "vibration", modes: 10 }),
};
