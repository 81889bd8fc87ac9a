import type { ReactNode } from "react";
import { Plus, X } from "lucide-react";
import type { Chain, Loop, Pattern } from "../api/model";
import type { Of, SectionData } from "../api/types";
import { useDesk } from "../workspace/desk";
import { ChoiceChip, TextChip } from "./chips";
import { useNote } from "./context";
import { formOf, type Form } from "./loopForms";
import { SectionChip } from "./SectionChip";
import { useStatement } from "./useStatement";
import { setOrDrop } from "../ui/assign";

type Outline = Of<"outline">;
type Change = (apply: (loop: Loop) => void) => Promise<void>;

/** An outline in words: its boundary, then each hole, divider and region on a line of its own. */
export function OutlineLine({ statement }: { statement: Outline }) {
  const { edit, callIt } = useStatement<"outline">(statement);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is <LoopWords loop={statement.boundary} id={statement.id} onChange={(apply) => edit((s) => apply(s.boundary))} />
      {statement.holes?.map((hole, i) => (
        <span key={i} className="block pl-3">
          less hole {i + 1}, <LoopWords loop={hole} id={statement.id} onChange={(apply) => edit((s) => s.holes?.[i] && apply(s.holes[i]))} />
          <PatternWords loop={hole} onChange={(apply) => edit((s) => s.holes?.[i] && apply(s.holes[i]))} />
          <Remove label={`Remove hole ${i + 1}`} onClick={() => void edit((s) => void s.holes?.splice(i, 1))} />
        </span>
      ))}
      {statement.dividers?.map((divider, i) => (
        <span key={i} className="block pl-3">
          parted by a line through <DividerChip divider={divider} onChange={(next) => edit((s) => s.dividers && (s.dividers[i] = next))} />
          <Remove label={`Remove divider ${i + 1}`} onClick={() => void edit((s) => void s.dividers?.splice(i, 1))} />
        </span>
      ))}
      {statement.regions?.map((region, i) => (
        <span key={i} className="block pl-3">
          with the region <TextChip label="region" value={region.name} onCommit={(v) => edit((s) => s.regions?.[i] && (s.regions[i].name = v))} /> around{" "}
          <TextChip label="region x" value={region.x} onCommit={(v) => edit((s) => s.regions?.[i] && (s.regions[i].x = v))} />, <TextChip label="region y" value={region.y} onCommit={(v) => edit((s) => s.regions?.[i] && (s.regions[i].y = v))} />
          <Remove label={`Remove region ${i + 1}`} onClick={() => void edit((s) => void s.regions?.splice(i, 1))} />
        </span>
      ))}
      <Additions statement={statement} />
    </>
  );
}

/** What is not set is only offered while the statement is worked on. */
function Quiet({ set, children }: { set: string | undefined; children: ReactNode }) {
  return <span className={set ? "" : "when-open"}>{children}</span>;
}

function Remove({ label, onClick }: { label: string; onClick: () => void }) {
  return (
    <button aria-label={label} className="ml-1 inline-grid size-4 place-items-center rounded align-middle text-faint opacity-40 hover:bg-glow hover:text-vermilion hover:opacity-100" onClick={onClick}>
      <X className="size-3" />
    </button>
  );
}

const SHAPES = [
  ["I", "an I section"],
  ["channel", "a channel"],
  ["angle", "an angle"],
  ["T", "a T section"],
  ["hollow", "a hollow section"],
  ["tube", "a tube"],
] as const;

function LoopWords({ loop, id, onChange }: { loop: Loop; id: string; onChange: Change }) {
  const { set } = useDesk();
  const { view } = useNote();
  const form = formOf(loop);
  if (!form) {
    const corners = "corners" in loop ? loop.corners : [];
    return (
      <>
        a line through{" "}
        <button className="chip" data-chip="table" onClick={() => set({ selected: id, trayOpen: true })}>
          {corners.length} corners
        </button>
        {"mirror" in loop && loop.mirror && (
          <>
            {" "}
            and its mirror image in <ChoiceChip label="mirror axis" value={loop.mirror.axis} options={[["x", "x ="], ["y", "y ="]] as const} onChoose={(v) => void onChange((l) => "corners" in l && l.mirror && (l.mirror.axis = v))} />{" "}
            <TextChip label="mirror at" value={loop.mirror.at} onCommit={(v) => onChange((l) => "corners" in l && l.mirror && (l.mirror.at = v))} />
            <Remove label="Remove the mirror image" onClick={() => void onChange((l) => "corners" in l && delete l.mirror)} />
          </>
        )}
      </>
    );
  }
  const values = (loop as unknown as Record<Form, Record<string, string | undefined>>)[form];
  const put = (key: string) => (v: string) =>
    onChange((l) => {
      const target = (l as unknown as Record<Form, Record<string, string>>)[form];
      setOrDrop(target, key, v);
    });
  const chip = (key: string, placeholder?: string, label = key) => <TextChip label={label} value={values[key] ?? ""} placeholder={placeholder} optional={placeholder !== undefined} onCommit={put(key)} />;
  switch (form) {
    case "circle":
      return <>a circle of ⌀ {chip("diameter")} at {chip("x")}, {chip("y")}</>;
    case "rectangle":
      return <>a rectangle of {chip("width")} by {chip("height")} from {chip("x")}, {chip("y")}, corners rounded {chip("fillet", "sharp")}<Quiet set={values.angle}>, turned {chip("angle", "0°")}</Quiet></>;
    case "ellipse":
      return <>an ellipse of {chip("width")} by {chip("height")} about {chip("x")}, {chip("y")}<Quiet set={values.angle}>, turned {chip("angle", "0°")}</Quiet></>;
    case "slot":
      return <>a slot of {chip("length")} by {chip("width")} about {chip("x")}, {chip("y")}<Quiet set={values.angle}>, turned {chip("angle", "0°")}</Quiet></>;
    case "regular":
      return (
        <>
          a regular polygon of <TextChip label="sides" value={String(values.sides ?? "")} onCommit={(v) => onChange((l) => "regular" in l && (l.regular.sides = Number(v)))} /> sides, {chip("across")} across corners, about {chip("x")}, {chip("y")}
          <Quiet set={values.angle}>, turned {chip("angle", "0°")}</Quiet>
          <Quiet set={values.fillet}>, rounded {chip("fillet", "sharp")}</Quiet>
        </>
      );
    case "section":
      return (
        <>
          <ChoiceChip label="section" value={(values.shape ?? "I") as "I"} options={SHAPES} onChoose={(v) => void onChange((l) => "section" in l && (l.section.shape = v))} /> <SectionChip drawn={values as unknown as SectionData} onChoose={(drawn) => void onChange((l) => "section" in l && (l.section = drawn))} />: {chip("height")} high
          {values.shape !== "tube" && <>, {chip("width", "width")} wide</>}, {values.shape === "hollow" || values.shape === "tube" ? "wall" : "web"} {chip("web")}
          {values.shape !== "tube" && values.shape !== "hollow" && <>, flange {chip("flange", "as the web")}</>}
          {values.shape !== "tube" && <>, root {chip("root", "sharp")}</>}
          <Quiet set={values.x ?? values.y}>
            , about {chip("x", "x 0")}, {chip("y", "y 0")}
          </Quiet>
        </>
      );
    case "offset": {
      const others = view.document.statements.flatMap((s) => (s.kind === "outline" && s.id !== id ? [[s.name, s.name] as const] : []));
      return (
        <>
          <ChoiceChip label="of" value={values.outline ?? ""} options={others} onChoose={(v) => void onChange((l) => "offset" in l && (l.offset.outline = v))} /> moved outwards by {chip("by")}
        </>
      );
    }
  }
}

type Repeat = "once" | "row" | "grid" | "ring";
const REPEATS: readonly (readonly [Repeat, string])[] = [
  ["once", "once"],
  ["row", "in a row of"],
  ["grid", "in a grid of"],
  ["ring", "in a ring of"],
];
const START: Record<Exclude<Repeat, "once">, Pattern> = {
  row: { row: { dx: "20 mm", dy: "0 mm", count: 2 } },
  grid: { grid: { dx: "20 mm", columns: 2, dy: "20 mm", rows: 2 } },
  ring: { ring: { x: "0 mm", y: "0 mm", count: 4 } },
};

type Repeated = Loop & { pattern?: Pattern };

/** How often a hole is there. */
function PatternWords({ loop, onChange }: { loop: Loop; onChange: Change }) {
  const pattern = (loop as Repeated).pattern;
  const kind: Repeat = !pattern ? "once" : "row" in pattern ? "row" : "grid" in pattern ? "grid" : "ring";
  const values = (pattern ?? {}) as unknown as Record<string, Record<string, string | number | undefined>>;
  const inner = values[kind] ?? {};
  const put = (key: string, number: boolean) => (v: string) =>
    onChange((l) => {
      const target = ((l as Repeated).pattern as unknown as Record<string, Record<string, string | number>> | undefined)?.[kind];
      if (target) setOrDrop(target, key, number && v ? Number(v) : v);
    });
  const chip = (key: string, number = false, placeholder?: string) => <TextChip label={`pattern ${key}`} value={String(inner[key] ?? "")} placeholder={placeholder} optional={placeholder !== undefined} onCommit={put(key, number)} />;
  return (
    <>
      <Quiet set={pattern && kind}>,{" "}
      <ChoiceChip
        label="pattern"
        value={kind}
        options={REPEATS}
        onChoose={(v) =>
          void onChange((l) => {
            const target = l as Repeated;
            if (v === "once") delete target.pattern;
            else target.pattern = structuredClone(START[v]);
          })
        }
      /></Quiet>{" "}
      {kind === "row" && <>{chip("count", true)}, {chip("dx")}, {chip("dy")} apart</>}
      {kind === "grid" && <>{chip("columns", true)} by {chip("rows", true)}, {chip("dx")} and {chip("dy")} apart</>}
      {kind === "ring" && <>{chip("count", true)} about {chip("x")}, {chip("y")}, over {chip("angle", false, "a full turn")}</>}
    </>
  );
}

/** The corners of a divider as one text: x, y; x, y. */
function DividerChip({ divider, onChange }: { divider: Chain; onChange: (next: Chain) => Promise<void> }) {
  const text = divider.corners.map((c) => `${c.x ?? ""}, ${c.y ?? ""}`).join("; ");
  return (
    <TextChip
      label="divider"
      value={text}
      onCommit={(v) => {
        const corners = v.split(";").map((pair) => {
          const [x = "", y = ""] = pair.split(",").map((t) => t.trim());
          return { x, y };
        });
        return onChange({ corners: corners as Chain["corners"] });
      }}
    />
  );
}

/** New holes, dividers and region names, in the middle of the outline's box. */
function Additions({ statement }: { statement: Outline }) {
  const { view, shown } = useNote();
  const { edit } = useStatement<"outline">(statement);
  const { set } = useDesk();
  const points = view.shape.outlines[statement.name]?.[0]?.points ?? [];
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const length = (si: number) => `${Number(shown.number(si, "length").toPrecision(4))} ${shown.unit("length")}`;
  const middle = { x: length((x0 + x1) / 2), y: length((y0 + y1) / 2) };
  const hole: Loop = { circle: { ...middle, diameter: length(Math.min(x1 - x0, y1 - y0) / 4) } };
  const divider: Chain = { corners: [{ x: length(x0), y: middle.y }, { x: length(x1), y: middle.y }] };
  const halved = "corners" in statement.boundary && !statement.boundary.mirror;
  const buttons: [string, () => void][] = [
    ...(halved ? [["mirror image", () => void edit((s) => "corners" in s.boundary && (s.boundary.mirror = { axis: "x", at: length(x0) }))] as [string, () => void]] : []),
    ["hole", () => void edit((s) => (s.holes = [...(s.holes ?? []), hole]))],
    ["divider", () => void edit((s) => (s.dividers = [...(s.dividers ?? []), divider]))],
    ...(statement.dividers?.length ? [["region name", () => void edit((s) => (s.regions = [...(s.regions ?? []), { name: `region ${(s.regions?.length ?? 0) + 1}`, ...middle }]))] as [string, () => void]] : []),
  ];
  return (
    <span className="when-open whitespace-nowrap">
      {buttons.map(([word, add]) => (
        <button key={word} className="ml-1 inline-flex items-center gap-0.5 rounded px-1 font-sans text-[11.5px] text-faint hover:bg-glow hover:text-ink" onClick={add}>
          <Plus className="size-3" /> {word}
        </button>
      ))}
      <button className="ml-1 rounded px-1 font-sans text-[11.5px] text-faint underline hover:bg-glow hover:text-ink" onClick={() => set({ selected: statement.id, paper: true, look: "shape" })}>
        on paper
      </button>
    </span>
  );
}
