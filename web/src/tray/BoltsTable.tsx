import type { BoltForces } from "../api/types";
import { useNote } from "../note/context";
import { TextChip } from "../note/chips";
import { nameOf } from "../note/joins";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { filledDown, pasted, setOwn, type Bolt } from "./ownBolts";
import { useFrame } from "./useFrame";

interface Row {
  statement: Bolt;
  number: number;
  label: string;
  grip: number;
  head: [number, number, number];
  forces: BoltForces | undefined;
}

/** Every bolt: whether it is there, what it is tightened to, and once solved its forces at both ends, the most used first. */
export function BoltsTable() {
  const { view, change } = useNote();
  const { set } = useDesk();
  const { summary, shownFrame, stale } = useFrame();
  const statements = view.document.statements.filter((s): s is Bolt => s.kind === "bolt" && !s.off);
  const forces = shownFrame?.bolt_forces;
  const rows = statements.flatMap((statement) =>
    (view.shape.bolts[statement.id] ?? []).map((bolt): Row => {
      const at = summary?.bolts.findIndex((b) => b.statement === statement.id && b.number === bolt.number) ?? -1;
      return { statement, number: bolt.number, label: `${statement.target} ${bolt.number}`, grip: bolt.grip, head: bolt.head, forces: at < 0 ? undefined : forces?.[at] };
    }),
  );
  if (rows.length === 0) return <p className="text-faint">The bolts stand here once their statement names holes of the parts that they go through.</p>;
  const edit = (row: Row, apply: (s: Bolt) => void) => change(row.statement.id, (s) => s.kind === "bolt" && apply(s));
  const own = (row: Row) => row.statement.own?.find((o) => o.number === row.number);
  const largest = Math.max(...rows.flatMap((r) => [...(r.forces?.tension ?? []), ...(r.forces?.shear ?? [])].map(Math.abs)), 1e-300);
  const solved = rows.some((r) => r.forces);
  const columns: Column<Row>[] = [
    {
      key: "in",
      words: "in",
      kind: "count",
      value: (r) => (own(r)?.off ? 0 : 1),
      draw: (r) => <input type="checkbox" aria-label={`bolt ${r.number} is there`} checked={!own(r)?.off} onClick={(e) => e.stopPropagation()} onChange={(e) => void edit(r, (s) => setOwn(s, r.number, { off: !e.target.checked }))} />,
    },
    { key: "bolt", words: "bolt", kind: "text", value: (r) => r.label },
    { key: "size", words: "size", kind: "text", value: (r) => `${nameOf(r.statement.size)} ${nameOf(r.statement.class)}` },
    { key: "grip", words: "grip", kind: "length", value: (r) => r.grip },
    {
      key: "tighten",
      words: "own tightening",
      kind: "text",
      value: (r) => own(r)?.tighten ?? "",
      draw: (r) => (
        <span onClick={(e) => e.stopPropagation()} onPaste={(e) => {
          const lines = pasted(e.clipboardData.getData("text"));
          if (lines.length < 2) return;
          e.preventDefault();
          void edit(r, (s) => lines.forEach((line, i) => setOwn(s, r.number + i, { tighten: line })));
        }}>
          <TextChip label={`tighten bolt ${r.number}`} value={own(r)?.tighten ?? ""} placeholder="as all" optional onCommit={(v) => edit(r, (s) => setOwn(s, r.number, { tighten: v }))} />
          {own(r)?.tighten && (
            <button className="ml-1 rounded px-1 font-sans text-[11px] text-faint hover:bg-glow hover:text-ink" onClick={() => void edit(r, (s) => filledDown(s, r.number, view.shape.bolts[s.id]?.length ?? 0))}>
              fill down
            </button>
          )}
        </span>
      ),
    },
    ...(solved
      ? ([
          ["tension", "tension", "force", (r) => Math.max(...(r.forces?.tension ?? [0]))],
          ["shear head", "shear at head", "force", (r) => r.forces?.shear[0] ?? 0],
          ["shear nut", "shear at nut", "force", (r) => r.forces?.shear[1] ?? 0],
          ["bending head", "bending at head", "moment", (r) => r.forces?.bending[0] ?? 0],
          ["bending nut", "bending at nut", "moment", (r) => r.forces?.bending[1] ?? 0],
          ["used tension", "used in tension", "share", (r) => r.forces?.used.tension ?? 0],
          ["used shear", "in shear", "share", (r) => r.forces?.used.shear ?? 0],
          ["used", "together", "share", (r) => r.forces?.used.combined ?? 0],
        ] as [string, string, string, (r: Row) => number][]).map(([key, words, kind, value]): Column<Row> => ({ key, words, kind, value, least: kind === "force" ? 1e-7 * largest : kind === "moment" ? 1e-9 * largest : 1e-8, alarm: (r) => key === "used" && value(r) > 1 }))
      : []),
  ];
  return (
    <DataTable
      label="Bolts"
      columns={columns}
      rows={rows}
      keyOf={(r) => `${r.statement.id} ${r.number}`}
      first={solved ? "used" : undefined}
      stale={stale}
      onRow={(r) => set({ look: "shape", paper: false, spot: r.head, selected: r.statement.id })}
      note={summary && !forces ? "An envelope has no bolts of its own: choose a case or a combination under the model." : "A row shows its bolt in the window. Several lines may be pasted into own tightening."}
    />
  );
}
