import { useState, type ReactNode } from "react";
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

const SHOWN = 400;

/** A table of quantities: sorted by any column, copied whole, with units in its heads. */
export function DataTable<Row>({ label, columns, rows, keyOf, first, stale = false, onRow, onHover, below = [], note }: TableProps<Row>) {
  const { shown } = useNote();
  const [order, setOrder] = useState<{ column: string; down: boolean } | null>(first ? { column: first, down: true } : null);
  const by = columns.find((c) => c.key === order?.column);
  const compare = (a: number | string, b: number | string) => (typeof a === "number" && typeof b === "number" ? Math.abs(a) - Math.abs(b) : String(a).localeCompare(String(b), undefined, { numeric: true }));
  const sorted = by && order ? [...rows].sort((a, b) => (order.down ? -1 : 1) * compare(by.value(a), by.value(b))) : rows;
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
  const cells = (row: Row) =>
    columns.map((c) => (
      <td key={c.key} title={c.title?.(row)} className={`whitespace-nowrap pr-5 ${c.kind === "text" ? "font-serif text-[13.5px]" : "text-right"} ${c.alarm?.(row) ? "font-semibold text-vermilion" : ""}`}>
        {text(c, row)}
      </td>
    ));
  return (
    <div className={stale ? "opacity-60" : ""}>
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
          {sorted.slice(0, SHOWN).map((row) => (
            <tr key={keyOf(row)} className={onRow ? "cursor-pointer hover:bg-glow" : ""} onClick={() => onRow?.(row)} onMouseEnter={() => onHover?.(row)} onMouseLeave={() => onHover?.(null)}>
              {cells(row)}
            </tr>
          ))}
          {below.map((row) => (
            <tr key={keyOf(row)} className="border-t border-rule text-faint">
              {cells(row)}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-[11.5px] text-faint">
        {note}
        {rows.length > SHOWN && ` The first ${SHOWN} of ${digits(rows.length)} are shown; all are copied.`}
      </p>
    </div>
  );
}
