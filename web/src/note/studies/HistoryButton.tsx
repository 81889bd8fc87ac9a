import { FileButton } from "../FileButton";

interface Columns {
  names: string[];
  columns: number[][];
}

const ROW = 5000; // values of a row of the document

/** Reads a recorded history out of a file: its last column. */
export function HistoryButton({ onRead }: { onRead: (rows: number[][], file: string) => Promise<void> }) {
  function rows({ columns }: Columns): number[][] {
    const values = columns.at(-1) ?? [];
    return Array.from({ length: Math.ceil(values.length / ROW) }, (_, i) => values.slice(i * ROW, (i + 1) * ROW));
  }
  return <FileButton<Columns> label="history file" words="from a file" title="A CSV file; its last column is taken, as factors on the stress" path={() => "/api/columns"} onRead={(found, file) => onRead(rows(found), file)} />;
}
