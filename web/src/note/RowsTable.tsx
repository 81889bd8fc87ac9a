import { X } from "lucide-react";
import { quiet } from "../ui/quiet";
import { TextChip } from "./chips";

export interface Column<Row> {
  key: keyof Row & string;
  words: string;
  /** Of a cell that may stay empty: what it shows then. */
  placeholder?: string;
}

interface Props<Row> {
  label: string;
  columns: readonly Column<Row>[];
  rows: readonly Row[];
  /** Words of the button that adds a row. */
  more: string;
  onPut: (row: number, key: keyof Row & string, value: string) => Promise<void>;
  onMore: () => void;
  onLess: (row: number) => void;
}

/** A small table of typed values, row by row. */
export function RowsTable<Row extends object>({ label, columns, rows, more, onPut, onMore, onLess }: Props<Row>) {
  return (
    <>
      {rows.length > 0 && (
        <table className="mb-1 text-[12px]" aria-label={label}>
          <thead>
            <tr className="text-left text-faint">
              {columns.map((column) => (
                <th key={column.key} className="pr-3 font-normal">
                  {column.words}
                </th>
              ))}
              <th />
            </tr>
          </thead>
          <tbody>
            {rows.map((row, i) => (
              <tr key={i}>
                {columns.map(({ key, words, placeholder }) => (
                  <td key={key} className="pr-3">
                    <TextChip label={`${words} ${i + 1}`} value={(row[key] as string | undefined) ?? ""} placeholder={placeholder} optional={placeholder !== undefined} onCommit={(v) => onPut(i, key, v)} />
                  </td>
                ))}
                <td>
                  <button className="text-faint hover:text-ink" aria-label={`Remove row ${i + 1} of ${label}`} onClick={() => onLess(i)}>
                    <X className="inline size-3" />
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <button className={quiet} onClick={onMore}>
        {more}
      </button>
    </>
  );
}
