import { useThreads } from "../api/hooks";

/** Sizes of bolts and their property classes. */
export function Bolts({ fits }: { fits: (text: string) => boolean }) {
  const { data, error } = useThreads();
  if (error) return <p role="alert" className="text-vermilion">{error.message}</p>;
  if (!data) return <p className="text-faint">Reading the library…</p>;
  const sizes = Object.entries(data.sizes).filter(([name]) => fits(`${name} size`));
  const classes = Object.entries(data.classes).filter(([name]) => fits(`${name} class`));
  if (sizes.length + classes.length === 0) return <p className="font-serif text-[16px] text-faint">No size or class is called that.</p>;
  return (
    <>
      <div className="flex flex-wrap gap-16">
        {sizes.length > 0 && <Listed label="Sizes" heads={["size", "diameter", "pitch", "stress area", "across flats"]} rows={sizes.map(([name, s]) => [name, s.diameter, s.pitch, s.stress_area, s.head])} />}
        {classes.length > 0 && <Listed label="Classes" heads={["class", "proof strength", "above 16 mm"]} rows={classes.map(([name, c]) => [name, c.proof ?? "–", c.above_16_mm ?? c.proof ?? "–"])} />}
      </div>
      <p className="mt-3 text-[11.5px] text-faint">{data.source}</p>
    </>
  );
}

function Listed({ label, heads, rows }: { label: string; heads: string[]; rows: string[][] }) {
  return (
    <table className="self-start text-[13px]" aria-label={label}>
      <thead>
        <tr className="text-left text-faint">
          {heads.map((head) => (
            <th key={head} className="pb-1 pr-6 font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody className="font-mono text-[12px]">
        {rows.map((row) => (
          <tr key={row[0]} className="border-t border-rule">
            {row.map((cell, i) => (
              <td key={i} className={`py-1 pr-6 ${i === 0 ? "font-serif text-[14.5px]" : ""}`}>
                {cell.replace("mm2", "mm²")}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
