import { Copy } from "lucide-react";

/** The last head of a table: copies its rows, as they are ordered, with tabs between. */
export function CopyHead({ rows }: { rows: () => (string | number)[][] }) {
  const copy = () => void navigator.clipboard.writeText(rows().map((line) => line.join("\t")).join("\n"));
  return (
    <th>
      <button className="flex items-center gap-1 rounded px-1 hover:bg-glow" onClick={copy}>
        <Copy className="size-3" /> copy
      </button>
    </th>
  );
}
