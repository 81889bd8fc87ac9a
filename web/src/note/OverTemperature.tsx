import type { Of } from "../api/types";
import { Graph } from "../tray/Graph";
import { setOrDrop } from "../ui/assign";
import { PanelChip } from "./chips";
import { useNote } from "./context";
import { RowsTable, type Column } from "./RowsTable";
import { useStatement } from "./useStatement";

type Row = NonNullable<Of<"material">["over_temperature"]>[number];

const COLUMNS: readonly Column<Row>[] = [
  { key: "at", words: "temperature" },
  { key: "young", words: "E", placeholder: "none, or 210 GPa" },
  { key: "expansion", words: "mean α from 20 °C", placeholder: "none, or 12e-6 1/K" },
];

/** What the material is like over temperature: a table, and its curves. */
export function OverTemperature({ statement }: { statement: Of<"material"> }) {
  const { view } = useNote();
  const rows = statement.over_temperature ?? [];
  const found = view.warmths[statement.id];
  const words = rows.length > 0 ? `${rows.length} temperatures` : "one value at all temperatures";
  return (
    <span className={rows.length > 0 ? undefined : "when-open"}>
      ; <PanelChip label="over temperature" text={words} width="w-[520px]">
        {() => (
          <>
            <Table statement={statement} rows={rows} />
            {found && found.temperatures.length > 1 && <Curves found={found} />}
          </>
        )}
      </PanelChip>
    </span>
  );
}

function Table({ statement, rows }: { statement: Of<"material">; rows: Row[] }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const warmest = view.warmths[statement.id]?.temperatures.at(-1) ?? 473.15;
  const put = (i: number, key: keyof Row, value: string) => edit((s) => s.over_temperature?.[i] && (key === "at" ? (s.over_temperature[i].at = value) : setOrDrop(s.over_temperature[i], key, value)));
  const more = () =>
    edit((s) => {
      const list: Row[] = s.over_temperature ?? [];
      const last = list.at(-1);
      if (last) list.push({ ...last, at: `${Math.round(warmest - 273.15) + 100} degC` });
      else list.push({ at: "20 degC", young: s.properties?.young ?? "210 GPa" }, { at: "200 degC", young: s.properties?.young ?? "210 GPa" });
      s.over_temperature = list as typeof s.over_temperature;
    });
  const less = (i: number) =>
    edit((s) => {
      s.over_temperature?.splice(i, 1);
      if ((s.over_temperature?.length ?? 0) < 2) delete s.over_temperature;
    });
  return <RowsTable<Row> label="Over temperature" columns={COLUMNS} rows={rows} more={rows.length > 0 ? "+ temperature" : "type it over temperature"} onPut={put} onMore={() => void more()} onLess={(i) => void less(i)} />;
}

function Curves({ found }: { found: { temperatures: number[]; young: number[] | null; expansion: number[] | null } }) {
  const { shown } = useNote();
  const x = found.temperatures.map((t) => shown.number(t, "temperature"));
  return (
    <>
      {found.young && <Graph x={x} curves={[{ name: "E", y: found.young.map((v) => shown.number(v, "stress")) }]} xWords={`temperature, ${shown.unit("temperature")}`} yWords={`E, ${shown.unit("stress")}`} label="Modulus over temperature" />}
      {found.expansion && <Graph x={x} curves={[{ name: "α", y: found.expansion.map((v) => v * 1e6) }]} xWords={`temperature, ${shown.unit("temperature")}`} yWords="mean α from 20 °C, 1e-6/K" label="Expansion over temperature" />}
    </>
  );
}
