import { useRef, useState, type ReactNode } from "react";
import { useVirtualizer } from "@tanstack/react-virtual";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { CopyHead } from "./CopyHead";

export interface Column<Row> {
  key: string;
  words: string;
  /** A kind of quantity; "share" for percent; "text"; "count". */
  kind: string;
  value: (row: Row) => number | string;
  /** Sizes below it are the zero that rounding left over. */
  least?: number;
  alarm?: (row: Row) => boolean;
  /** What a pointer that rests on it is told. */
  title?: (row: Row) => string;
  /** Drawn in place of the value. */
  draw?: (row: Row) => ReactNode;
}

interface TableProps<Row> {
  label: string;
  columns: readonly Column<Row>[];
  rows: readonly Row[];
  keyOf: (row: Row) => string;
  /** The column it is sorted by first, downwards; in the order given when left out. */
  first?: string;
  stale?: boolean;
  onRow?: (row: Row) => void;
  onHover?: (row: Row | null) => void;
  /** Rows below that are not sorted: sums. */
  below?: readonly Row[];
  note?: ReactNode;
}

const SHOWN = 400; // rows on paper
const MANY = 20; // rows from which on they can be filtered
const HIGH = 20; // pixels of a row

/** A table of quantities: sorted by any column, filtered, copied whole, with units in its heads. Of long ones only the rows in sight are drawn. */
export function DataTable<Row>({ label, columns, rows, keyOf, first, stale = false, onRow, onHover, below = [], note }: TableProps<Row>) {
  const { shown } = useNote();
  const [order, setOrder] = useState<{ column: string; down: boolean } | null>(first ? { column: first, down: true } : null);
  const by = columns.find((c) => c.key === order?.column);
  const compare = (a: number | string, b: number | string) => (typeof a === "number" && typeof b === "number" ? Math.abs(a) - Math.abs(b) : String(a).localeCompare(String(b), undefined, { numeric: true }));
  const [wanted, setWanted] = useState("");
  const box = useRef<HTMLDivElement>(null);
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (row: Row) => {
    const told = columns.map((c) => c.value(row)).map((v) => (typeof v === "string" ? v : "")).join(" ").toLowerCase();
    return words.every((word) => told.includes(word));
  };
  const kept = words.length > 0 ? rows.filter(fits) : rows;
  const sorted = by && order ? [...kept].sort((a, b) => (order.down ? -1 : 1) * compare(by.value(a), by.value(b))) : kept;
  const plain = (c: Column<Row>, row: Row) => {
    const value = c.value(row);
    if (typeof value === "string" || c.kind === "count") return value;
    return c.kind === "share" ? value * 100 : shown.number(value, c.kind);
  };
  function text(c: Column<Row>, row: Row): ReactNode {
    if (c.draw) return c.draw(row);
    const value = c.value(row);
    if (typeof value === "string") return value;
    if (Math.abs(value) < (c.least ?? 0)) return "0";
    const number = plain(c, row) as number;
    return digits(c.kind === "share" ? Number(number.toPrecision(3)) : number);
  }
  const head = (c: Column<Row>) => (c.kind === "share" ? `${c.words}, %` : ["text", "count"].includes(c.kind) || !shown.unit(c.kind) ? c.words : `${c.words}, ${shown.unit(c.kind)}`);
  const lines = () => [columns.map(head), ...[...sorted, ...below].map((row) => columns.map((c) => plain(c, row)))];
  const scroller = () => box.current?.closest<HTMLElement>("[data-scroll]") ?? null;
  const inSight = useVirtualizer({ count: sorted.length, getScrollElement: scroller, estimateSize: () => HIGH, overscan: 30 });
  const rolls = sorted.length > SHOWN / 2 && box.current !== null && scroller() !== null;
  const items = inSight.getVirtualItems();
  const drawn = rolls ? items.flatMap((i) => sorted.slice(i.index, i.index + 1)) : sorted.slice(0, SHOWN);
  const above = rolls ? (items[0]?.start ?? 0) : 0;
  const under = rolls ? inSight.getTotalSize() - (items.at(-1)?.end ?? 0) : 0;
  const cells = (row: Row) =>
    columns.map((c) => (
      <td key={c.key} title={c.title?.(row)} className={`whitespace-nowrap pr-5 ${c.kind === "text" ? "font-serif text-[13.5px]" : "text-right"} ${c.alarm?.(row) ? "font-semibold text-vermilion" : ""}`}>
        {text(c, row)}
      </td>
    ));
  return (
    <div ref={box} className={stale ? "opacity-60" : ""}>
      {rows.length > MANY && columns.some((c) => c.kind === "text") && (
        <input className="field no-print mb-1 w-56" data-note-only aria-label={`Filter ${label}`} placeholder="Filter the rows" value={wanted} onChange={(event) => setWanted(event.target.value)} />
      )}
      <table className="text-[12.5px]" aria-label={label}>
        <thead>
          <tr className="text-left text-faint">
            {columns.map((c) => (
              <th key={c.key} className="whitespace-nowrap pr-5 font-normal" aria-sort={order?.column === c.key ? (order.down ? "descending" : "ascending") : "none"}>
                <button onClick={() => setOrder((o) => ({ column: c.key, down: o?.column === c.key ? !o.down : c.kind !== "text" }))}>{head(c)}</button>
              </th>
            ))}
            <CopyHead rows={lines} name={label} />
          </tr>
        </thead>
        <tbody className="font-mono">
          {above > 0 && <tr style={{ height: above }} aria-hidden />}
          {drawn.map((row) => (
            <tr key={keyOf(row)} className={onRow ? "cursor-pointer hover:bg-glow" : ""} onClick={() => onRow?.(row)} onMouseEnter={() => onHover?.(row)} onMouseLeave={() => onHover?.(null)}>
              {cells(row)}
            </tr>
          ))}
          {under > 0 && <tr style={{ height: under }} aria-hidden />}
          {below.map((row) => (
            <tr key={keyOf(row)} className="border-t border-rule text-faint">
              {cells(row)}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[11.5px] text-faint">
        {note}
        {!rolls && sorted.length > SHOWN && ` The first ${SHOWN} of ${digits(sorted.length)} are shown; all are copied.`}
        {words.length > 0 && ` ${digits(sorted.length)} of ${digits(rows.length)} rows fit the filter.`}
      </p>
    </div>
  );
}
