import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { digits } from "../../ui/units";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { FileButton } from "../FileButton";
import { useJoin } from "../joins";
import { CaseChip } from "../loadChips";
import { studiesOf } from "../studies/OfChip";
import { Spot } from "../shape/parts";
import { TargetChip } from "../TargetChip";
import { useStatement } from "../useStatement";
import { length } from "../template";
import { entry } from "./entry";

const UNITS = ["mm", "cm", "m", "in", "ft"].map((u) => [u, u] as const) as readonly (readonly [NonNullable<Of<"temperature_map">["unit"]>, string])[];
const DEGREES = [
  ["degC", "°C"],
  ["K", "K"],
  ["degF", "°F"],
] as const;

interface Brought {
  file: string;
  digest: string;
}

function TemperatureMapLine({ statement }: { statement: Of<"temperature_map"> }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  if (statement.study !== undefined) {
    const names = studiesOf(view, "heat");
    return (
      <>
        <TargetChip statement={statement} kinds={["bodies"]} /> has the temperatures of <ChoiceChip label="heat study" value={statement.study} missing={!names.includes(statement.study)} options={names.map((n) => [n, n] as const)} onChoose={(v) => void edit((s) => (s.study = v))} />, times{" "}
        <TextChip label="multiplier" value={statement.scale ?? "1"} onCommit={(v) => edit((s) => setOrDrop(s, "scale", v))} />, free of stress at <TextChip label="reference" value={statement.reference ?? "20 degC"} onCommit={(v) => edit((s) => (s.reference = v))} />
        <CaseChip statement={statement} />
      </>
    );
  }
  return (
    <>
      <TargetChip statement={statement} kinds={["bodies"]} /> has the temperatures of {statement.file ?? "points"}{" "}
      <FileButton<Brought>
        label="file of temperatures"
        words={statement.file ? "another file" : "bring in a file"}
        title="A CSV file with columns x, y, z and temperature"
        path={(file) => `/api/models/${view.id}/files?kind=cloud&name=${encodeURIComponent(file.name)}`}
        onRead={(found) =>
          edit((s) => {
            s.file = found.file;
            s.digest = found.digest;
          })
        }
      />
      , in <ChoiceChip label="unit" value={statement.unit ?? "m"} options={UNITS} onChoose={(v) => void edit((s) => (s.unit = v))} /> and <ChoiceChip label="degrees" value={statement.degrees ?? "degC"} options={DEGREES} onChoose={(v) => void edit((s) => (s.degrees = v))} />
      {statement.offset ? (
        <>
          , its origin at <Spot label="origin" value={statement.offset} onPut={(axis, v) => edit((s) => s.offset && (s.offset[axis] = v))} />
        </>
      ) : (
        <button className="ml-1 rounded px-1 font-sans text-[11.5px] text-faint hover:bg-glow hover:text-ink" title="Where the file's origin lies in the model" onClick={() => void edit((s) => (s.offset = { x: length(view, "0 mm", "0 in"), y: length(view, "0 mm", "0 in"), z: length(view, "0 mm", "0 in") }))}>
          + origin
        </button>
      )}
      , times <TextChip label="multiplier" value={statement.scale ?? "1"} onCommit={(v) => edit((s) => setOrDrop(s, "scale", v))} />, free of stress at <TextChip label="reference" value={statement.reference ?? "20 degC"} onCommit={(v) => edit((s) => (s.reference = v))} />, from at most{" "}
      <TextChip label="reach" optional placeholder="a tenth of the part" value={statement.reach ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "reach", v))} /> away
      <CaseChip statement={statement} />
      <Mapped id={statement.id} />
    </>
  );
}

const [WIDE, HIGH] = [168, 26];

/** How it was carried over: both fields side by side, and how far the points lay. */
function Mapped({ id }: { id: string }) {
  const { shown } = useNote();
  const found = useJoin(id);
  if (!found?.source || !found.target || !found.bars) return null;
  const { bars } = found;
  const text = (v: number) => shown.text(v, "temperature");
  const most = Math.max(...bars);
  const step = WIDE / bars.length;
  return (
    <span className="block font-sans text-[12px]" data-mapped>
      {digits(found.points ?? 0)} points of {text(found.source.least)} to {text(found.source.greatest)}, mean {text(found.source.mean)}; {digits(found.nodes)} nodes of {text(found.target.least)} to {text(found.target.greatest)}, mean {text(found.target.mean)}.{" "}
      {found.far ? <span className="text-amber-ink">{digits(found.far)} nodes lie farther than {shown.text(found.reach ?? 0, "length")} from the points. </span> : <span className="text-spruce">None lies too far. </span>}
      <svg viewBox={`0 0 ${WIDE} ${HIGH + 12}`} role="img" aria-label="distances from nodes to points" className="block w-44">
        {bars.map((count, i) => (
          <rect key={i} x={i * step + 0.5} y={HIGH - (count / most) * HIGH} width={step - 1} height={(count / most) * HIGH} fill={(i / bars.length) * (found.farthest ?? 0) > (found.reach ?? 0) ? "#d4881f" : "#2f7171"}>
            <title>{`${count} nodes`}</title>
          </rect>
        ))}
        <text x={0} y={HIGH + 10} fontSize="9" className="fill-faint font-mono">
          0
        </text>
        <text x={WIDE} y={HIGH + 10} fontSize="9" textAnchor="end" className="fill-faint font-mono">
          {shown.text(found.farthest ?? 0, "length")} away
        </text>
      </svg>
    </span>
  );
}

export default [
  entry({
    kind: "temperature_map",
    section: "Loads and stages",
    order: 5.5,
    Line: TemperatureMapLine,
    templates: [
      { word: "temperatures from a file", text: "temperatures from points that another program made", also: "thermal field map cloud csv flow heat frost temperature mapped", make: () => ({ kind: "temperature_map", target: "everything" }) },
      { word: "temperatures of a heat study", text: "temperatures that a heat study of this note finds", also: "thermal field stress heat", make: (v) => ({ kind: "temperature_map", target: "everything", study: studiesOf(v, "heat").at(-1) ?? "" }) },
    ],
  }),
];
