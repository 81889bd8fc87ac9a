import { Fragment } from "react";
import { X } from "lucide-react";
import type { Of, StagesFinding } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { quiet } from "../../ui/quiet";
import { digits } from "../../ui/units";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { FlagChip } from "../FlagChip";
import { fresh, type Template } from "../template";
import { renameStage } from "../rename";
import { useCases } from "../useCases";
import { useStatement } from "../useStatement";
import { BranchChip } from "./BranchChip";
import { StageChanges } from "./StageChanges";

type Study = Of<"study">;
type Stage = NonNullable<Study["stages"]>[number];

const TURNED = 0.1; // rad, from where on joins that do not turn are told

/** Rows are cases, columns are stages; a cell is what a case is multiplied by at the end of the stage. */
export function StagesLine({ statement }: { statement: Study }) {
  const { edit, callIt } = useStatement(statement);
  const { arrange } = useNote();
  const cases = useCases();
  const { stages = [], counted_from = "" } = statement;
  const change = (i: number, turn: (stage: Stage) => void) => edit((s) => s.stages?.[i] && turn(s.stages[i]));
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> goes through stages, each of which begins with what the one before it left behind
      <BranchChip statement={statement} />
      <div className="overflow-x-auto">
      <table className="mt-1 font-sans text-[12px]" aria-label="Stages">
        <thead>
          <tr>
            <th className="pr-2 text-left font-normal text-faint">load at the end of</th>
            {stages.map((stage, i) => (
              <th key={i} className="whitespace-nowrap px-1 text-left font-normal">
                <TextChip label={`stage ${i + 1}`} value={stage.name} onCommit={(v) => arrange((all) => renameStage(all, statement.id, i, v))} />
                {stages.length > 1 && (
                  <button className="ml-0.5 text-faint hover:text-ink" aria-label={`Remove stage ${stage.name}`} onClick={() => void edit((s) => void s.stages?.splice(i, 1))}>
                    <X className="inline size-3" />
                  </button>
                )}
              </th>
            ))}
            <th>
              <button className={`${quiet} whitespace-nowrap`} onClick={() => void edit((s) => void s.stages?.push({ name: nextName(s.stages), loads: [{ case: cases[0] ?? "", factor: "0" }] }))}>
                + stage
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          {cases.map((name) => (
            <tr key={name}>
              <td className="pr-2">{name}</td>
              {stages.map((_, i) => (
                <td key={i} className="px-1">
                  <Cell stages={stages} at={i} name={name} onPut={(factor) => change(i, (one) => put(one, name, factor))} />
                </td>
              ))}
            </tr>
          ))}
          <Driven stages={stages} onChoose={(i, name) => void change(i, (one) => setOrDrop(one, "drives", name))} />
          <StageChanges study={statement.id} stages={stages} edit={(turn) => void edit((s) => s.stages && turn(s.stages))} />
          <tr>
            <td className="pr-2 text-faint">increments</td>
            {stages.map((stage, i) => (
              <td key={i} className="px-1">
                <TextChip
                  label={`increments of stage ${i + 1}`}
                  optional
                  placeholder="any"
                  value={stage.increments === undefined ? "" : String(stage.increments)}
                  onCommit={(v) => change(i, (one) => (v ? (one.increments = Number(v)) : delete one.increments))}
                />
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      </div>
      <span className="font-sans text-[12px]">
        Movement is counted from <ChoiceChip label="counted from" value={counted_from} missing={counted_from !== "" && !stages.some((s) => s.name === counted_from)} options={[["", "the beginning"], ...stages.map((s) => [s.name, `the end of ${s.name}`] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => setOrDrop(s, "counted_from", v))} />; material{" "}
        <ChoiceChip label="material" value={statement.elastic ? "elastic" : ""} options={[["", "flows where it reaches its strength"], ["elastic", "stays elastic"]] as const} onChoose={(v) => void edit((s) => (v ? (s.elastic = true) : delete s.elastic))} />;{" "}
        <FlagChip on={statement.steadied !== undefined} words={statement.steadied === undefined ? "what nothing holds yet is not held" : "what nothing holds yet is held weakly"} onTurn={() => void edit((s) => void (s.steadied === undefined ? (s.steadied = "1e-3") : delete s.steadied))} />
        {statement.steadied !== undefined && (
          <>
            , by <TextChip label="share of the stiffness" value={statement.steadied} onCommit={(v) => edit((s) => (s.steadied = v))} /> of its stiffness
          </>
        )}
      </span>
      <Found id={statement.id} />
    </>
  );
}

/** What drives through a stage, position by position; nothing to choose where nothing drives. */
function Driven({ stages, onChoose }: { stages: Stage[]; onChoose: (stage: number, name: string) => void }) {
  const { view } = useNote();
  const names = view.document.statements.flatMap((s) => (s.kind === "moving_load" && !s.off ? [s.name] : []));
  if (names.length === 0 && stages.every((s) => !s.drives)) return null;
  return (
    <tr>
      <td className="pr-2 text-faint">drives through</td>
      {stages.map((stage, i) => (
        <td key={i} className="px-1">
          <ChoiceChip label={`drives through stage ${i + 1}`} value={stage.drives ?? ""} missing={!!stage.drives && !names.includes(stage.drives)} options={[["", "nothing"], ...names.map((n) => [n, n] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => onChoose(i, v)} />
        </td>
      ))}
    </tr>
  );
}

/** What a case does in a stage; where nothing is said it stays as it is. */
function Cell({ stages, at, name, onPut }: { stages: Stage[]; at: number; name: string; onPut: (factor: string) => Promise<void> }) {
  const own = stages[at]?.loads?.find((l) => l.case === name)?.factor ?? "";
  const held = stages.slice(0, at).reduce((value, s) => s.loads?.find((l) => l.case === name)?.factor ?? value, "");
  return <TextChip label={`${name} in stage ${at + 1}`} optional placeholder={held ? `= ${held}` : "none"} value={own} onCommit={(v) => onPut(v)} />;
}

function put(stage: Stage, name: string, factor: string) {
  const rest = (stage.loads ?? []).filter((l) => l.case !== name);
  stage.loads = factor ? [...rest, { case: name, factor }] : rest;
}

function nextName(stages: Stage[]): string {
  let n = stages.length + 1;
  while (stages.some((s) => s.name === `stage ${n}`)) n += 1;
  return `stage ${n}`;
}

function Found({ id }: { id: string }) {
  const { view, shown } = useNote();
  const state = view.studies.find((s) => s.statement === id);
  const found = state?.findings?.findings.find((f): f is StagesFinding => f.kind === "stages");
  if (!found) return null;
  return (
    <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-stages={found.holds ? "done" : "broken"}>
      {found.rows.map((row, i) => (
        <Fragment key={row.name}>
          {i > 0 && "; "}
          {row.name}: {row.displacement === null ? "did not come to its end" : `${shown.text(row.displacement, "length")}, ${shown.text(row.von_mises ?? 0, "stress")}${row.cracks ? `, cracks ${row.cracks.width > 0 ? `${shown.text(row.cracks.width, "length")} wide` : `open by ${digits(row.cracks.strain * 100)} % of strain`}` : row.plastic ? `, plastic strain ${digits(row.plastic * 100)} %` : ""}`}
        </Fragment>
      ))}
      .
      {typeof found.steadied === "number" && (
        <span data-steadied>
          {" "}
          What held weakly what nothing held took {digits(Number((found.steadied * 100).toPrecision(2)))} % of the work on the way, and holds nothing in the end.
        </span>
      )}
      {found.broken && (
        <span className="text-vermilion">
          {" "}
          It ended in {found.broken.stage} at {Math.round(found.broken.level * 100)} %: an increment did not come to rest, however small{found.broken.at && `; most was left over near ${found.broken.at.map((v) => digits(shown.number(v, "length"))).join("; ")} ${shown.unit("length")}`}. {found.broken.loose ? `Nothing resists that ${found.broken.loose}: hold or join it, or keep what held it.` : "Look for what flows through or comes loose there, or load it less."}
        </span>
      )}
      {found.sections?.map((s) => {
        const acts = s.acts.filter((m) => m !== null).at(-1) ?? 0;
        return (
          <span key={s.body} data-section>
            {" "}
            By hand {s.body} bears {shown.text((acts < 0 ? s.bears[1] : s.bears[0]), "moment")} half way along it; {shown.text(Math.abs(acts), "moment")} act there at the end.
          </span>
        );
      })}
      {found.joins > TURNED && <span className="text-amber-ink"> What joins its parts turns by {shown.text(found.joins, "angle")}, and is taken as it is drawn.</span>}
    </span>
  );
}

export const stages: Template = {
  word: "stages",
  text: "study: loads in stages, one after the other",
  also: "sequence steps nonlinear load unload residual stress history increments study",
  make: (v) => {
    const first = v.document.statements.find((s): s is Of<"case"> => s.kind === "case" && !s.off);
    const name = first?.name ?? "all loads";
    return {
      kind: "study",
      name: fresh(v, "Stages"),
      type: "stages",
      stages: [
        { name: "load", loads: [{ case: name, factor: "1" }] },
        { name: "let go", loads: [{ case: name, factor: "0" }] },
      ],
    };
  },
};
