import { useRef } from "react";
import { Refused, upload } from "../../api/client";
import { useDesk } from "../../workspace/desk";

interface Columns {
  names: string[];
  columns: number[][];
}

const ROW = 5000; // values of a row of the document

/** Reads a recorded history out of a file: its last column. */
export function HistoryButton({ onRead }: { onRead: (rows: number[][], file: string) => Promise<void> }) {
  const { complain } = useDesk();
  const input = useRef<HTMLInputElement>(null);
  async function read(file: File) {
    try {
      const { columns } = await upload<Columns>("/api/columns", file, new AbortController().signal);
      const values = columns.at(-1) ?? [];
      const rows: number[][] = [];
      for (let from = 0; from < values.length; from += ROW) rows.push(values.slice(from, from + ROW));
      await onRead(rows, file.name);
    } catch (error) {
      if (error instanceof Refused) complain({ message: `${file.name}: ${error.message.replace(/\.$/, "")}`, cure: error.cure });
    }
  }
  return (
    <>
      <button className="rounded px-1 font-sans text-[11.5px] text-faint underline hover:bg-glow hover:text-ink" title="A CSV file; its last column is taken, as factors on the stress" onClick={() => input.current?.click()}>
        from a file
      </button>
      <input
        ref={input}
        type="file"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        aria-label="history file"
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void read(file);
          event.target.value = "";
        }}
      />
    </>
  );
}
