import { Copy, Download } from "lucide-react";
import { requestBytes } from "../api/client";
import { saveFile } from "../ui/saveFile";

type Cell = string | number;

const quoted = (cell: Cell) => (typeof cell === "string" && /[",\n]/.test(cell) ? `"${cell.replaceAll('"', '""')}"` : String(cell));
export const withCommas = (rows: Cell[][]) => rows.map((line) => line.map(quoted).join(",")).join("\r\n");

const BUTTON = "flex items-center gap-1 rounded px-1 hover:bg-glow";

/** The last head of a table: copies its rows, as they are ordered, with tabs between; or saves them with commas between, or as a workbook. */
export function CopyHead({ rows, name = "table" }: { rows: () => Cell[][]; name?: string }) {
  const copy = () => void navigator.clipboard.writeText(rows().map((line) => line.join("\t")).join("\n"));
  const commas = () => saveFile(`${name}.csv`, withCommas(rows()), "text/csv");
  const workbook = async () => saveFile(`${name}.xlsx`, await requestBytes("/api/workbook", { name, rows: rows() }), "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet");
  return (
    <th data-copy>
      <span className="flex">
        <button className={BUTTON} onClick={copy}>
          <Copy className="size-3" /> copy
        </button>
        <button className={BUTTON} onClick={commas}>
          <Download className="size-3" /> CSV
        </button>
        <button className={BUTTON} onClick={() => void workbook()}>
          <Download className="size-3" /> XLSX
        </button>
      </span>
    </th>
  );
}
