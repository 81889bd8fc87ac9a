import type { Of, PlaceKind, Statement } from "../api/types";
import { ChoiceChip, PanelChip, TextChip } from "./chips";
import { useNote } from "./context";
import { GroupLine } from "./GroupLine";
import { MaterialChip, MaterialProperties } from "./MaterialChip";
import { DivisionLine, MeshLine, RingsLine, SizeLine } from "./MeshLines";
import { OutlineLine } from "./OutlineLine";
import { rename } from "./rename";
import { CombineLine, CopyLine, CutLine, ImprintLine, JoinLine, MidSurfaceLine } from "./shape/AlteringLines";
import { BodyLine } from "./shape/BodyLine";
import { FrameLine, ImportLine, LineLine } from "./shape/DrawnLines";
import { TargetChip } from "./TargetChip";
import { LIMITED, type Limited } from "./words";

/** One statement as a sentence with chips. */
export function StatementLine({ statement }: { statement: Statement }) {
  switch (statement.kind) {
    case "aim":
      return <AimLine statement={statement} />;
    case "outline":
      return <OutlineLine statement={statement} />;
    case "line":
      return <LineLine statement={statement} />;
    case "body":
      return <BodyLine statement={statement} />;
    case "frame":
      return <FrameLine statement={statement} />;
    case "import":
      return <ImportLine statement={statement} />;
    case "combine":
      return <CombineLine statement={statement} />;
    case "cut":
      return <CutLine statement={statement} />;
    case "imprint":
      return <ImprintLine statement={statement} />;
    case "copy":
      return <CopyLine statement={statement} />;
    case "join":
      return <JoinLine statement={statement} />;
    case "mid_surface":
      return <MidSurfaceLine statement={statement} />;
    case "group":
      return <GroupLine statement={statement} />;
    case "material":
      return (
        <>
          <TargetChip statement={statement} kinds={["bodies"]} /> is <MaterialChip statement={statement} />
          <MaterialProperties statement={statement} />
        </>
      );
    case "support":
      return <SupportLine statement={statement} />;
    case "displacement":
      return <DisplacementLine statement={statement} />;
    case "force":
      return (
        <>
          <Value statement={statement} /> acts on <TargetChip statement={statement} kinds={["faces", "edges", "points"]} /> along <Direction statement={statement} />, spread evenly
        </>
      );
    case "pressure":
      return (
        <>
          <Value statement={statement} /> presses on <TargetChip statement={statement} kinds={["faces", "edges"]} />
        </>
      );
    case "gravity":
      return (
        <>
          Everything weighs: <Value statement={statement} /> along <Direction statement={statement} />
        </>
      );
    case "mesh":
      return <MeshLine statement={statement} />;
    case "size":
      return <SizeLine statement={statement} />;
    case "division":
      return <DivisionLine statement={statement} />;
    case "rings":
      return <RingsLine statement={statement} />;
    case "study":
      return <StudyLine statement={statement} />;
    case "limit":
      return <LimitLine statement={statement} />;
    case "hand_check":
      return <HandCheckLine statement={statement} />;
  }
}

function AimLine({ statement }: { statement: Of<"aim"> }) {
  const { change } = useNote();
  return (
    <textarea
      key={statement.text}
      aria-label="aim"
      className="field-sizing-content w-full resize-none rounded bg-transparent font-serif hover:bg-white focus:bg-white"
      placeholder="What should this note answer?"
      defaultValue={statement.text}
      onKeyDown={(event) => event.key === "Enter" && !event.shiftKey && event.currentTarget.blur()}
      onBlur={(event) => {
        const text = event.target.value.trim();
        if (text !== statement.text) void change(statement.id, (s) => s.kind === "aim" && (s.text = text));
      }}
    />
  );
}

const COMPONENTS = [
  ["x,y,z", "in x, y and z"],
  ["x", "in x"],
  ["y", "in y"],
  ["z", "in z"],
  ["x,y", "in x and y"],
  ["x,z", "in x and z"],
  ["y,z", "in y and z"],
] as const;
const FLAT_COMPONENTS = [
  ["x,y", "in x and y"],
  ["x", "in x"],
  ["y", "in y"],
] as const;
const HELD: PlaceKind[] = ["faces", "edges", "points", "bodies"];

function SupportLine({ statement }: { statement: Of<"support"> }) {
  const { view, change } = useNote();
  const flat = view.shape.dimension === 2;
  const value = [...statement.components].filter((c) => !flat || c !== "z").sort().join(",");
  return (
    <>
      <TargetChip statement={statement} kinds={HELD} /> is held{" "}
      <ChoiceChip
        label="components"
        value={value}
        options={(flat ? FLAT_COMPONENTS : COMPONENTS) as readonly (readonly [string, string])[]}
        onChoose={(v) => void change(statement.id, (s) => s.kind === "support" && (s.components = v.split(",") as Of<"support">["components"]))}
      />
    </>
  );
}

function DisplacementLine({ statement }: { statement: Of<"displacement"> }) {
  const { view, change } = useNote();
  const axes = (view.shape.dimension === 2 ? ["x", "y"] : ["x", "y", "z"]) as ("x" | "y" | "z")[];
  return (
    <>
      <TargetChip statement={statement} kinds={HELD} /> is moved by{" "}
      <TextChip label="displacement" value={statement.value} onCommit={(v) => change(statement.id, (s) => s.kind === "displacement" && (s.value = v))} /> along{" "}
      <ChoiceChip label="component" value={statement.component} options={axes.map((a) => [a, a] as const)} onChoose={(v) => void change(statement.id, (s) => s.kind === "displacement" && (s.component = v))} />
    </>
  );
}

function Value({ statement }: { statement: Of<"force"> | Of<"pressure"> | Of<"gravity"> }) {
  const { change } = useNote();
  return <TextChip label={statement.kind} value={statement.value} onCommit={(v) => change(statement.id, (s) => "value" in s && (s.value = v))} />;
}

const AXES = ["+x", "-x", "+y", "-y", "+z", "-z"] as const;

function Direction({ statement }: { statement: Of<"force"> | Of<"gravity"> }) {
  const { view, change } = useNote();
  const direction = statement.direction;
  const text = typeof direction === "string" ? direction.replace("-", "−") : `(${direction.join(", ")})`;
  const put = (value: typeof direction) => change(statement.id, (s) => "direction" in s && (s.direction = value));
  const axes = view.shape.dimension === 2 ? AXES.slice(0, 4) : AXES;
  return (
    <PanelChip label="direction" text={text} width="w-56">
      {(close) => (
        <>
          <div className="mb-2 grid grid-cols-2 gap-1">
            {axes.map((axis) => (
              <button
                key={axis}
                className={`rounded border border-rule py-1 font-mono hover:bg-glow ${axis === direction ? "bg-glow font-semibold" : ""}`}
                onClick={() => {
                  close();
                  void put(axis);
                }}
              >
                {axis.replace("-", "−")}
              </button>
            ))}
          </div>
          <label className="text-[12px] text-faint">
            or components, such as 1, 0, −0.5
            <input
              className="field mt-1 w-full"
              onKeyDown={(event) => {
                if (event.key !== "Enter") return;
                const parts = event.currentTarget.value.replaceAll("−", "-").split(/[,;\s]+/).map(Number);
                if (parts.length !== 3 || parts.some((p) => !Number.isFinite(p))) return event.currentTarget.setCustomValidity("Three numbers are wanted."), void event.currentTarget.reportValidity();
                close();
                void put(parts as [number, number, number]);
              }}
              onInput={(event) => event.currentTarget.setCustomValidity("")}
            />
          </label>
        </>
      )}
    </PanelChip>
  );
}

function StudyLine({ statement }: { statement: Of<"study"> }) {
  const { arrange, change } = useNote();
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={(v) => arrange((all) => rename(all, statement.id, v))} /> is a static study with all loads times{" "}
      <TextChip label="load factor" value={statement.load_factor ?? "1"} onCommit={(v) => change(statement.id, (s) => s.kind === "study" && (v ? (s.load_factor = v) : delete s.load_factor))} />
    </>
  );
}

function useStudies() {
  const { view } = useNote();
  return view.document.statements.flatMap((s) => (s.kind === "study" ? [[s.name, s.name] as const] : []));
}

function LimitLine({ statement }: { statement: Of<"limit"> }) {
  const { change } = useNote();
  const studies = useStudies();
  const edit = (apply: (s: Of<"limit">) => void) => change(statement.id, (s) => s.kind === "limit" && apply(s));
  return (
    <>
      <ChoiceChip label="quantity" value={statement.quantity} options={LIMITED} onChoose={(v: Limited) => void edit((s) => (s.quantity = v))} /> in{" "}
      <TargetChip statement={statement} kinds={["bodies", "faces", "edges", "points"]} /> stays under{" "}
      <TextChip label="limit" value={statement.at_most} onCommit={(v) => edit((s) => (s.at_most = v))} />
      {studies.length !== 1 || studies[0]?.[0] !== statement.study ? (
        <>
          {" "}
          in <ChoiceChip label="study" value={statement.study} options={studies} missing={!studies.some(([n]) => n === statement.study)} onChoose={(v) => void edit((s) => (s.study = v))} />
        </>
      ) : null}
    </>
  );
}

const BEAMS = [
  ["cantilever", "a cantilever"],
  ["simply supported", "simply supported at its ends"],
] as const;

function HandCheckLine({ statement }: { statement: Of<"hand_check"> }) {
  const { view, change } = useNote();
  const studies = useStudies();
  const edit = (apply: (s: Of<"hand_check">) => void) => change(statement.id, (s) => s.kind === "hand_check" && apply(s));
  return (
    <>
      By hand, <ChoiceChip label="body" value={statement.body} options={view.shape.bodies.map((b) => [b.name, b.name] as const)} onChoose={(v) => void edit((s) => (s.body = v))} /> as a beam is{" "}
      <ChoiceChip label="beam" value={statement.beam} options={BEAMS} onChoose={(v) => void edit((s) => (s.beam = v))} />
      {studies.length > 1 && (
        <>
          {" "}
          in <ChoiceChip label="study" value={statement.study} options={studies} onChoose={(v) => void edit((s) => (s.study = v))} />
        </>
      )}
    </>
  );
}
