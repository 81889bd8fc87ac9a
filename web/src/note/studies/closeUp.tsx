import type { CloseUpFinding, ModelView, Of } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { Spot } from "../shape/parts";
import { boundsOf, fresh, groupsOf, suggestedSize, typed, type Template } from "../template";
import { useStatement } from "../useStatement";
import { OfChip, staticsOf } from "./OfChip";

export function CloseUpLine({ statement }: { statement: Of<"study"> }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement(statement);
  const state = view.studies.find((s) => s.statement === statement.id);
  const found = state?.findings?.findings.find((f): f is CloseUpFinding => f.kind === "close_up" && f.statement === statement.id);
  const block = statement.block;
  const named = [...view.shape.bodies.map((b) => b.name), ...groupsOf(view, "bodies")];
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is a close-up of <OfChip statement={statement} />
      : <ChoiceChip label="cut out" value={statement.body !== undefined ? "body" : statement.ball ? "ball" : "block"} options={FORMS} onChoose={(v) => void edit((s) => reshape(s, v, view))} />
      {statement.body !== undefined && (
        <>
          {" "}
          <ChoiceChip label="body" value={statement.body} missing={!named.includes(statement.body)} options={named.map((n) => [n, n] as const)} onChoose={(v) => void edit((s) => (s.body = v))} />, cut where it bears on the others
        </>
      )}
      {statement.ball && (
        <>
          {" "}
          about <Spot label="about" value={statement.ball} onPut={(axis, v) => edit((s) => s.ball && (s.ball[axis] = v))} /> of radius <TextChip label="radius" value={statement.ball.radius} onCommit={(v) => edit((s) => s.ball && (s.ball.radius = v))} />
        </>
      )}
      {block && !statement.ball && (
        <>
          {" "}
          from <Spot label="from" value={block} onPut={(axis, v) => edit((s) => s.block && (s.block[axis] = v))} />, extending{" "}
          {(["dx", "dy", "dz"] as const).map((key, i) => (
            <span key={key}>
              {i > 0 && " by "}
              <TextChip label={key} value={block[key]} onCommit={(v) => edit((s) => s.block && (s.block[key] = v))} />
            </span>
          ))}
        </>
      )}
      , in elements of <TextChip label="size" value={statement.size ?? ""} onCommit={(v) => edit((s) => (s.size = v))} />
      {found && (
        <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-close-up>
          {found.nodes} points of the cut move as the whole does. Stress on the cut differs by <b className={`font-semibold ${found.difference < 0.05 ? "text-spruce" : "text-amber-ink"}`}>{Number((found.difference * 100).toPrecision(2))} %</b> of the peak
          {found.difference >= 0.05 ? ": cut farther away, or mesh the whole more finely" : ": it lies far enough away"}. Peak {shown.text(found.peak.value, "stress")}
          {found.whole && <>, {shown.text(found.whole.value, "stress")} in the whole</>}. What lies within {shown.text(found.depth, "length")} of the cut is veiled: it is not to be read.
        </span>
      )}
    </>
  );
}

const FORMS = [
  ["block", "a block"],
  ["ball", "a ball"],
  ["body", "the whole body"],
] as const;

/** Two fifths of the last body, about its middle. */
function blockOf(v: ModelView) {
  const [low, high] = boundsOf(v.shape.bodies.at(-1));
  const from = [0, 1, 2].map((k) => (low[k] ?? 0) + 0.3 * ((high[k] ?? 0) - (low[k] ?? 0)));
  const along = [0, 1, 2].map((k) => 0.4 * ((high[k] ?? 0) - (low[k] ?? 0)));
  const [x = "0", y = "0", z = "0"] = from.map((m) => typed(v, m));
  const [dx = "0", dy = "0", dz = "0"] = along.map((m) => typed(v, m));
  return { x, y, z, dx, dy, dz };
}

/** The last body, a ball about its middle, or a block again. */
function reshape(s: Of<"study">, form: "block" | "ball" | "body", v: ModelView) {
  delete s.body;
  if (form === "body") {
    delete s.block;
    delete s.ball;
    s.body = v.shape.bodies.at(-1)?.name ?? "";
    return;
  }
  if (form === "block") {
    delete s.ball;
    s.block ??= blockOf(v);
    return;
  }
  const [low, high] = boundsOf(v.shape.bodies.at(-1));
  const [x = "0", y = "0", z = "0"] = [0, 1, 2].map((k) => typed(v, ((low[k] ?? 0) + (high[k] ?? 0)) / 2));
  delete s.block;
  s.ball = { x, y, z, radius: typed(v, Math.max(...[0, 1, 2].map((k) => (high[k] ?? 0) - (low[k] ?? 0))) / 4) };
}

export const closeUp: Template = {
  word: "close-up",
  text: "study: close-up, a block, a ball or a body of the whole on a finer mesh",
  also: "submodel detail zoom cut out local finer study",
  make: (v) => ({ kind: "study", name: fresh(v, "Close-up"), type: "close_up", of: staticsOf(v).at(-1) ?? "", block: blockOf(v), size: suggestedSize(v, 60) }),
};
