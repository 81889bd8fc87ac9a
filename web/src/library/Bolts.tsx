import { useState, type ReactNode } from "react";
import { useBolts, useOwnBolts, type LibraryBolt } from "../api/hooks";
import { raised } from "../ui/units";
import { OwnBolt } from "./OwnBolt";
import { OwnButtons, OwnMark, OwnSheet, type Opened } from "./OwnTools";

const SIZED = ["size", "diameter", "pitch", "stress area", "across flats"];

/** Sizes of bolts and their property classes, and bolts of one's own. */
export function Bolts({ fits }: { fits: (text: string) => boolean }) {
  const { data, error } = useBolts();
  const { drop } = useOwnBolts();
  const [open, setOpen] = useState<Opened<LibraryBolt>>(undefined);
  if (error) return <p role="alert" className="text-vermilion">{error.message}</p>;
  if (!data) return <p className="text-faint">Reading the library…</p>;
  const own = data.own.filter((bolt) => fits(`${bolt.name} ${bolt.source ?? ""} own`));
  const sizes = Object.entries(data.sizes).filter(([name]) => fits(`${name} size`));
  const classes = Object.entries(data.classes).filter(([name]) => fits(`${name} class`));
  return (
    <>
      <OwnSheet words="A bolt of your own" open={open} onNew={() => setOpen(null)}>
        {(begin) => <OwnBolt key={begin?.name ?? ""} begin={begin} onDone={() => setOpen(undefined)} />}
      </OwnSheet>
      {own.length + sizes.length + classes.length === 0 && <p className="font-serif text-[16px] text-faint">No bolt is called that. Keep it as one of your own.</p>}
      <div className="flex flex-wrap gap-x-16 gap-y-8">
        {own.length > 0 && (
          <Listed
            label="Bolts of your own"
            heads={[...SIZED, "proof strength", "source", ""]}
            rows={own.map((b) => [
              <>
                {b.name} <OwnMark />
              </>,
              b.diameter,
              b.pitch ?? "–",
              b.stress_area ?? "by its pitch",
              b.head ?? "1.5 diameters",
              b.proof,
              b.source ?? "–",
              <OwnButtons key="own" name={b.name} keeps="their thread" onChange={() => setOpen(b)} onDelete={() => void drop(b.name)} />,
            ])}
          />
        )}
        {sizes.length > 0 && <Listed label="Sizes" heads={SIZED} rows={sizes.map(([name, s]) => [name, s.diameter, s.pitch, s.stress_area, s.head])} />}
        {classes.length > 0 && <Listed label="Classes" heads={["class", "proof strength", "above 16 mm"]} rows={classes.map(([name, c]) => [name, c.proof ?? "–", c.above_16_mm ?? c.proof ?? "–"])} />}
      </div>
      <p className="mt-3 text-[11.5px] text-faint">{data.source}</p>
    </>
  );
}

function Listed({ label, heads, rows }: { label: string; heads: string[]; rows: ReactNode[][] }) {
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
        {rows.map((row, r) => (
          <tr key={r} className="border-t border-rule">
            {row.map((cell, i) => (
              <td key={i} className={`py-1 pr-6 ${i === 0 ? "font-serif text-[14.5px]" : ""}`}>
                {typeof cell === "string" && i > 0 ? raised(cell) : cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
