import { Copy, Download } from "lucide-react";
import { saveFile } from "../ui/saveFile";

const quoted = (cell: string | number) => (typeof cell === "string" && /[",\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : String(cell));

/** The last head of a table: copies its rows, as they are ordered, with tabs between; or saves them with commas between. */
export function CopyHead({ rows, name = "table" }: { rows: () => (string | number)[][]; name?: string }) {
  const copy = () => void navigator.clipboard.writeText(rows().map((line) => line.join("\t")).join("\n"));
  const save = () => saveFile(`${name}.csv`, rows().map((line) => line.map(quoted).join(",")).join("\r\n"), "text/csv");
  return (
    <th data-copy>
      <span className="flex">
        <button className="flex items-center gap-1 rounded px-1 hover:bg-glow" onClick={copy}>
          <Copy className="size-3" /> copy
        </button>
        <button className="flex items-center gap-1 rounded px-1 hover:bg-glow" onClick={save}>
          <Download className="size-3" /> CSV
        </button>
      </span>
    </th>
  );
}
