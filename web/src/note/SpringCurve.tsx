import type { Of } from "../api/types";
import { Graph } from "../tray/Graph";
import { PanelChip } from "./chips";
import { useNote } from "./context";
import { RowsTable, type Column } from "./RowsTable";
import { imperial } from "./template";
import { useStatement } from "./useStatement";

type Point = NonNullable<Of<"spring">["curve"]>[number];

const COLUMNS: readonly Column<Point>[] = [
  { key: "at", words: "moved by" },
  { key: "force", words: "held by" },
];

/** The force of a spring over how far it moves, point by point, and drawn. */
export function SpringCurve({ statement }: { statement: Of<"spring"> }) {
  const { view, shown } = useNote();
  const { edit } = useStatement(statement);
  const rows = statement.curve ?? [];
  const found = view.springs[statement.id];
  const [length, force] = imperial(view) ? ["in", "lbf"] : ["mm", "kN"];
  const put = (i: number, key: keyof Point, value: string) => edit((s) => s.curve?.[i] && (s.curve[i][key] = value));
  const more = () =>
    edit((s) => {
      const list = s.curve ?? [{ at: `0 ${length}`, force: `0 ${force}` }];
      list.push({ at: `${list.length} ${length}`, force: list.at(-1)?.force ?? `1 ${force}` });
      if (!s.curve) list[1] = { at: `1 ${length}`, force: `1 ${force}` };
      s.curve = list as typeof s.curve;
      delete s.stiffness;
      s.components ??= ["y"];
    });
  const less = (i: number) =>
    edit((s) => {
      s.curve?.splice(i, 1);
      if ((s.curve?.length ?? 0) >= 2) return;
      delete s.curve;
      s.stiffness ??= `1 ${force}/${length}`;
    });
  return (
    <PanelChip label="spring curve" text={rows.length > 0 ? `a curve of ${rows.length} points` : "one stiffness"} width="w-[480px]">
      {() => (
        <>
          <RowsTable<Point> label="Spring curve" columns={COLUMNS} rows={rows} more={rows.length > 0 ? "+ point" : "type a curve instead"} onPut={put} onMore={() => void more()} onLess={(i) => void less(i)} />
          {found && (
            <Graph
              x={found.moves.map((v) => shown.number(v, "length"))}
              curves={[{ name: "force", y: found.forces.map((v) => shown.number(v, "force")) }]}
              xWords={`moved by, ${shown.unit("length")}`}
              yWords={`held by, ${shown.unit("force")}`}
              label="Force over movement"
            />
          )}
          {found && <p className="mt-1 text-[12px] text-faint">Stages, collapse studies and earthquakes go along it; other studies take its stiffness at rest.</p>}
        </>
      )}
    </PanelChip>
  );
}
