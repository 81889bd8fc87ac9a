import { Fragment } from "react";
import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { quiet } from "../../ui/quiet";
import { MomentCurves } from "../MomentCurves";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { last } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

type Reinforced = Of<"reinforced">;
type Rows = Reinforced["rows"];

const BENDS = [
  ["sharply", "sharply"],
  ["smoothly", "smoothly, the sooner the farther they were strained"],
] as const;

function ReinforcedLine({ statement }: { statement: Reinforced }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const names = view.document.statements.flatMap((s) => (s.kind === "outline" && !s.off ? [s.name] : []));
  const { confined, bends = "sharply" } = statement;
  return (
    <>
      <ChoiceChip label="outline" value={statement.outline} missing={!names.includes(statement.outline)} options={names.map((n) => [n, n] as const)} onChoose={(v) => void edit((s) => (s.outline = v))} /> is concrete that bears <TextChip label="strength" value={statement.strength} onCommit={(v) => edit((s) => (s.strength = v))} /> and is crushed at{" "}
      <TextChip label="crushed" optional placeholder="0.6 %" value={statement.crushed ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "crushed", v))} />,{" "}
      <ChoiceChip
        label="confined"
        value={confined ? "yes" : ""}
        options={[
          ["", "held by no ties"],
          ["yes", "held by ties"],
        ]}
        onChoose={(v) => void edit((s) => (v ? (s.confined = { cover: "40 mm", factor: "1.25" }) : delete s.confined))}
      />
      {confined && (
        <>
          {" "}
          <TextChip label="cover" value={confined.cover} onCommit={(v) => edit((s) => s.confined && (s.confined.cover = v))} /> under its sides, within which it bears <TextChip label="times" value={confined.factor} onCommit={(v) => edit((s) => s.confined && (s.confined.factor = v))} /> times as much and is crushed at{" "}
          <TextChip label="core crushed" optional placeholder="3 %" value={confined.crushed ?? ""} onCommit={(v) => edit((s) => s.confined && setOrDrop(s.confined, "crushed", v))} />
        </>
      )}
      , with <RowChips statement={statement} />; they yield at <TextChip label="bar strength" value={statement.bar_strength} onCommit={(v) => edit((s) => (s.bar_strength = v))} />, <ChoiceChip label="bends" value={bends} options={BENDS} onChoose={(v) => void edit((s) => (v === "sharply" ? delete s.bends : (s.bends = v)))} />, and keep{" "}
      <TextChip label="hardens" optional placeholder="0.5 %" value={statement.hardens ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "hardens", v))} /> of their modulus. Drawn at a force along of <TextChip label="axial" optional placeholder="0 N" value={statement.axial ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "axial", v))} />
      <Drawn statement={statement} />
    </>
  );
}

function RowChips({ statement }: { statement: Reinforced }) {
  const { edit } = useStatement(statement);
  return (
    <>
      {statement.rows.map((row, i) => (
        <Fragment key={i}>
          {i > 0 && ", "}
          <span className="whitespace-nowrap">
            <TextChip label={`count ${i + 1}`} value={String(row.count)} onCommit={(v) => edit((s) => s.rows[i] && (s.rows[i].count = Number(v)))} /> bars of <TextChip label={`diameter ${i + 1}`} value={row.diameter} onCommit={(v) => edit((s) => s.rows[i] && (s.rows[i].diameter = v))} />
          </span>{" "}
          at y <TextChip label={`at ${i + 1}`} value={row.at} onCommit={(v) => edit((s) => s.rows[i] && (s.rows[i].at = v))} /> over <TextChip label={`width ${i + 1}`} optional placeholder="no width" value={row.width ?? ""} onCommit={(v) => edit((s) => s.rows[i] && setOrDrop(s.rows[i], "width", v))} />
        </Fragment>
      ))}
      <button className={quiet} onClick={() => void edit((s) => (s.rows = [...s.rows, { ...(s.rows.at(-1) as Rows[number]) }] as Rows))}>
        + row
      </button>
      {statement.rows.length > 1 && (
        <button className={quiet} onClick={() => void edit((s) => void s.rows.pop())}>
          − row
        </button>
      )}
    </>
  );
}

const HIGH = 104;

/** The section with its bars, and moments over curvature. */
function Drawn({ statement }: { statement: Reinforced }) {
  const { view } = useNote();
  const found = view.bends[statement.id];
  const loops = view.shape.outlines[statement.outline];
  if (!found || !loops) return null;
  const points = loops.flatMap((l) => l.points);
  const [x0, x1, y0, y1] = [Math.min(...points.map((p) => p[0])), Math.max(...points.map((p) => p[0])), Math.min(...points.map((p) => p[1])), Math.max(...points.map((p) => p[1]))];
  const size = Math.max(x1 - x0, y1 - y0);
  const sx = (x: number) => 8 + ((x - (x0 + x1) / 2) / size + 0.5) * 84;
  const sy = (y: number) => 10 + (0.5 - (y - (y0 + y1) / 2) / size) * 84;
  return (
    <span className="mt-1 flex gap-3" data-reinforced>
      <svg viewBox={`0 0 100 ${HIGH}`} role="img" aria-label="section with its bars" className="w-[100px]">
        <path d={loops.map((l) => `M${l.points.map((p) => `${sx(p[0]).toFixed(1)} ${sy(p[1]).toFixed(1)}`).join("L")}Z`).join("")} fill="#e7e4d8" fillRule="evenodd" stroke="#93a0a6" />
        {found.bars.map(([x, y, d], i) => (
          <circle key={i} cx={sx(x)} cy={sy(y)} r={Math.max((d / size) * 42, 1.4)} fill="#22313b" />
        ))}
      </svg>
      <MomentCurves curves={found.curves} />
    </span>
  );
}

export default [
  entry({
    kind: "reinforced",
    section: "Material and sections",
    order: 2.5,
    Line: ReinforcedLine,
    templates: [
      {
        word: "reinforced section",
        text: "section of concrete with bars, fibre by fibre",
        also: "reinforced concrete rebar fibre section confined column moment curvature",
        make: (v) => ({ kind: "reinforced", outline: last(v, "outline"), strength: "30 MPa", confined: { cover: "40 mm", factor: "1.25" }, rows: [{ at: "110 mm", width: "220 mm", count: 3, diameter: "20 mm" }, { at: "-110 mm", width: "220 mm", count: 3, diameter: "20 mm" }], bar_strength: "500 MPa" }),
      },
    ],
  }),
];
