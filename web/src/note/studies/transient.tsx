import { Refused } from "../../api/client";
import type { Of, TransientFinding } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { quiet } from "../../ui/quiet";
import { digits } from "../../ui/units";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { FileButton } from "../FileButton";
import { fresh, type Template } from "../template";
import { useCases } from "../useCases";
import { useStatement } from "../useStatement";
import { AXES, Damped } from "./harmonic";
import { OfChip, studiesOf } from "./OfChip";

type Study = Of<"study">;
type Base = NonNullable<Study["base"]>;

const PUSHED = [
  ["", "pushed by"],
  ["base", "shaken where it is held, by an acceleration of"],
  ["drive", "driven over by"],
] as const;

export function TransientLine({ statement }: { statement: Study }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement(statement);
  const state = view.studies.find((s) => s.statement === statement.id);
  const found = state?.findings?.findings.find((f): f is TransientFinding => f.kind === "transient");
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> follows the movement until <TextChip label="until" value={statement.until ?? ""} onCommit={(v) => edit((s) => (s.until = v))} /> in steps of <TextChip label="step" value={statement.step ?? ""} onCommit={(v) => edit((s) => (s.step = v))} />, made of the shapes of{" "}
      <OfChip statement={statement} types={["vibration"]} />, <Pushed statement={statement} />; <Damped statement={statement} />
      {found && (
        <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-transient>
          {digits(found.moments)} moments, {found.modes} modes{found.residual ? ", and what the modes left out add stiffly" : ""}{found.relative && ", seen from the base"}.{" "}
          {found.coarse > 0 && (
            <span className="text-amber-ink">
              {found.coarse} of them swing so fast that ten steps of {shown.text(found.step, "time")} do not follow a turn: take a shorter step, or fewer modes.
            </span>
          )}
        </span>
      )}
    </>
  );
}

/** By loads in a course, by the base, or by what drives over it. */
function Pushed({ statement }: { statement: Study }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const cases = useCases();
  const { base, drive } = statement;
  const carts = view.document.statements.flatMap((s) => (s.kind === "moving_load" && !s.off ? [s.name] : []));
  return (
    <>
      <ChoiceChip
        label="pushed by"
        value={drive ? "drive" : base ? "base" : ""}
        options={PUSHED}
        onChoose={(v) =>
          void edit((s) => {
            delete s.base;
            delete s.drive;
            delete s.case;
            if (v === "base") s.base = { direction: "+x", acceleration: "1 m/s2" };
            if (v === "drive") s.drive = { load: carts[0] ?? "", speed: "10 m/s" };
          })
        }
      />{" "}
      {drive && (
        <>
          <ChoiceChip label="moving load" value={drive.load} missing={!carts.includes(drive.load)} options={carts.map((n) => [n, n] as const)} onChoose={(v) => void edit((s) => s.drive && (s.drive.load = v))} /> at <TextChip label="speed" value={drive.speed} onCommit={(v) => edit((s) => s.drive && (s.drive.speed = v))} />
        </>
      )}
      {base && (
        <>
          <TextChip label="amplitude" value={"acceleration" in base ? base.acceleration : ""} onCommit={(v) => edit((s) => (s.base = { direction: base.direction, acceleration: v }))} />{" "}
          <ChoiceChip label="along" value={typeof base.direction === "string" ? base.direction.replace("-", "+") : "+x"} options={AXES} onChoose={(d) => void edit((s) => s.base && (s.base.direction = d as Base["direction"]))} />
        </>
      )}
      {!drive && !base && <ChoiceChip label="case" value={statement.case ?? ""} options={[["", "its first case"], ...cases.map((n) => [n, n] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => setOrDrop(s, "case", v))} />}
      {!drive && <Course statement={statement} />}
    </>
  );
}

interface Columns {
  columns: number[][];
}

const MOST = 2500; // points that a document takes

/** Times and factors, out of a file or suddenly there. */
function Course({ statement }: { statement: Study }) {
  const { edit } = useStatement(statement);
  const { history } = statement;
  function paired({ columns }: Columns): number[] {
    const [at, values] = [columns[0] ?? [], columns[1] ?? []];
    if (at.length > MOST) throw new Refused(`it has ${digits(at.length)} rows, and at most ${digits(MOST)} are taken`, 422, "Leave out every second row, or its end.");
    return at.flatMap((t, i) => [t, values[i] ?? 0]);
  }
  return (
    <>
      , {history ? `times a course of ${digits(history.length / 2)} points${statement.record ? ` of ${statement.record}` : ""}` : "suddenly there and staying"}{" "}
      <FileButton<Columns>
        label="course file"
        words="from a file"
        title="A CSV file with a time in s and a factor in each row"
        path={() => "/api/columns"}
        onRead={(found, file) =>
          edit((s) => {
            s.history = paired(found) as NonNullable<Study["history"]>;
            s.record = file;
          })
        }
      />
      {history && (
        <button
          className={quiet}
          onClick={() =>
            void edit((s) => {
              delete s.history;
              delete s.record;
            })
          }
        >
          no course
        </button>
      )}
    </>
  );
}

export const transient: Template = {
  word: "transient response",
  text: "study: transient response, movement in time",
  also: "time history shock record earthquake moving load transient study",
  make: (v) => ({ kind: "study", name: fresh(v, "Course"), type: "transient", of: studiesOf(v, "vibration").at(-1) ?? "", until: "1 s", step: "5 ms", damping: "2 %" }),
};
