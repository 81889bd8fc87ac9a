import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { useDesk } from "../../workspace/desk";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { useStatement } from "../useStatement";
import { PlacementWords, placed, Spot } from "./parts";

/** An open line through typed corners. */
export function LineLine({ statement }: { statement: Of<"line"> }) {
  const { edit, callIt } = useStatement<"line">(statement);
  const { set } = useDesk();
  const links = statement.links?.map((pair) => pair.join("–")).join(" ") ?? "";
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is an open line through{" "}
      <button className="chip" data-chip="table" onClick={() => set({ selected: statement.id, trayOpen: true })}>
        {statement.corners.length} corners
      </button>
      <span className={links ? "" : "when-open"}>
        , members run{" "}
      <TextChip
        label="links"
        value={links}
        placeholder="along it"
        optional
        onCommit={(v) =>
          edit((s) => {
            const pairs = v.split(/[\s,;]+/).filter(Boolean).map((text) => text.split(/[–-]/).map(Number) as [number, number]);
            if (pairs.length) s.links = pairs;
            else delete s.links;
          })
        }
      />
      </span>
    </>
  );
}

const split = (text: string) => text.split(/[;,]\s*|\s+\|\s+/).map((t) => t.trim()).filter(Boolean) as [string, ...string[]];

/** Members in bays and storeys. */
export function FrameLine({ statement }: { statement: Of<"frame"> }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement<"frame">(statement);
  const made = view.shape.bodies.find((b) => b.name === statement.name);
  const at = statement.at ?? { x: "0 m", y: "0 m", z: "0 m" };
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> are members in bays of <TextChip label="bays" value={statement.bays.join("; ")} onCommit={(v) => edit((s) => (s.bays = split(v)))} />, across{" "}
      <TextChip label="bays across" value={statement.bays_across?.join("; ") ?? ""} placeholder="none" optional onCommit={(v) => edit((s) => (v ? (s.bays_across = split(v)) : delete s.bays_across))} />, storeys of{" "}
      <TextChip label="storeys" value={statement.storeys.join("; ")} onCommit={(v) => edit((s) => (s.storeys = split(v)))} /> rising along{" "}
      <ChoiceChip label="up" value={statement.up ?? "z"} options={[["z", "z"], ["y", "y"]] as const} onChoose={(v) => void edit((s) => (s.up = v))} />, from{" "}
      <Spot label="origin" value={at} onPut={(axis, text) => edit((s) => (s.at = { ...at, [axis]: text }))} />
      {made?.length != null && <span className="text-spruce">. {shown.text(made.length, "length")} in all</span>}
    </>
  );
}

const UNITS = [
  ["mm", "mm"],
  ["cm", "cm"],
  ["m", "m"],
  ["in", "in"],
  ["ft", "ft"],
] as const;
const FINENESS = [
  ["0.002", "coarse"],
  ["0.0005", "fine"],
  ["0.0001", "very fine"],
] as const;

const MENDED: readonly (readonly [string, string])[] = [
  ["points_merged", "near points made one"],
  ["doubled", "doubled triangles dropped"],
  ["degenerate", "triangles without area dropped"],
  ["joints_closed", "T-joints closed"],
  ["turned", "triangles turned outwards"],
];
const LEFT: readonly (readonly [string, string])[] = [
  ["open_edges", "open edges"],
  ["crowded_edges", "edges of more than two triangles"],
  ["slivers", "slivers"],
  ["tiny_edges", "tiny edges"],
];

/** Bodies read from a file, and what was mended in it. */
export function ImportLine({ statement }: { statement: Of<"import"> }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement<"import">(statement);
  const report = view.shape.reports[statement.id];
  const loose = /\.(stl|obj)$/i.test(statement.file);
  const say = (list: readonly (readonly [string, string])[]) => list.flatMap(([key, words]) => (Number(report?.[key] ?? 0) > 0 ? [`${String(report?.[key])} ${words}`] : [])).join(", ");
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is read from <b className="font-mono text-[12.5px]">{statement.file}</b>
      {loose ? (
        <>
          , lengths in <ChoiceChip label="unit" value={statement.unit ?? "mm"} options={UNITS} onChoose={(v) => void edit((s) => (s.unit = v))} />, faces parted at{" "}
          <TextChip label="angle" value={statement.angle ?? ""} placeholder="35 deg" optional onCommit={(v) => edit((s) => (v ? (s.angle = v) : delete s.angle))} />
        </>
      ) : (
        <>
          , <ChoiceChip label="fineness" value={String(statement.fineness ?? 0.0005)} options={FINENESS as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => (s.fineness = Number(v)))} /> on curves
        </>
      )}
      , points made one within <TextChip label="merge" value={statement.merge ?? ""} placeholder="rounding" optional onCommit={(v) => edit((s) => setOrDrop(s, "merge", v))} />, <PlacementWords value={statement.on} onChange={placed<Of<"import">>(edit)} />
      {report && (
        <span className="text-spruce">
          . {String(report.bodies)} {report.bodies === 1 ? "body" : "bodies"}, {String(report.faces)} faces{say(MENDED) && `; mended: ${say(MENDED)}`}
        </span>
      )}
      {say(LEFT) && (
        <span className="text-amber-ink">
          ; left: {say(LEFT)}
          {Array.isArray(report?.open_at) && <> (open near {report.open_at.map((c) => shown.text(c, "length")).join("; ")})</>}
        </span>
      )}
    </>
  );
}
