import { useState } from "react";
import { useOwnSections, useSections } from "../api/hooks";
import type { LibrarySection } from "../api/types";
import { digits } from "../ui/units";
import { OwnSection } from "./OwnSection";
import { OwnButtons, OwnMark, OwnSheet, type Opened } from "./OwnTools";

const DRAWN = [
  ["height", "height"],
  ["width", "width"],
  ["web", "web or wall"],
  ["flange", "flange"],
  ["root", "root radius"],
] as const;

const short = (value: number) => digits(Number(value.toPrecision(4)));

/** Cross-sections that ship, and those of one's own: as they are drawn, and what they measure. */
export function Sections({ fits }: { fits: (text: string) => boolean }) {
  const { data, error } = useSections();
  const { drop } = useOwnSections();
  const [open, setOpen] = useState<Opened<LibrarySection>>(undefined);
  const found = (data?.sections ?? []).filter((s) => fits(`${s.name} ${s.kind ?? ""} ${s.source ?? ""} ${s.shape} ${s.own ? "own" : ""}`));
  return (
    <>
      <OwnSheet words="A section of your own" open={open} onNew={() => setOpen(null)}>
        {(begin) => <OwnSection key={begin?.name ?? ""} begin={begin} onDone={() => setOpen(undefined)} />}
      </OwnSheet>
      {error && <p role="alert" className="text-vermilion">{error.message}</p>}
      {data && found.length === 0 && <p className="font-serif text-[16px] text-faint">No section is called that. Keep it as one of your own, or draw it in a note.</p>}
      {found.length > 0 && (
        <table className="text-[13px]" aria-label="Sections">
          <thead>
            <tr className="text-left text-faint">
              {["section", ...DRAWN.map(([, words]) => words), "area, cm²", "I about level axis, cm⁴", "I about upright axis, cm⁴", "", ""].map((head, i) => (
                <th key={i} className={`pb-1 pr-5 align-bottom font-normal ${i > 0 ? "text-right" : ""}`}>
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {found.map((s) => (
              <tr key={s.name} className="border-t border-rule">
                <td className="whitespace-nowrap py-1 pr-5 font-serif text-[14.5px]">
                  {s.name} <span className="font-sans text-[11.5px] text-faint">{s.kind ?? s.category}</span>
                  {s.own && <OwnMark />}
                </td>
                {DRAWN.map(([key]) => (
                  <td key={key} className="whitespace-nowrap py-1 pr-5 text-right font-mono text-[12px]">
                    {s[key] ?? "–"}
                  </td>
                ))}
                {[s.area * 1e4, s.level * 1e8, s.upright * 1e8].map((value, i) => (
                  <td key={i} className="py-1 pr-5 text-right font-mono text-[12px]">
                    {short(value)}
                  </td>
                ))}
                <td className="py-1 text-[11.5px] text-faint">{s.source}</td>
                <td className="whitespace-nowrap py-1">
                  {s.own && <OwnButtons name={s.name} keeps="their outline" onChange={() => setOpen(s)} onDelete={() => void drop(s.name)} />}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {data && <p className="mt-3 text-[11.5px] text-faint">{data.source}</p>}
    </>
  );
}
