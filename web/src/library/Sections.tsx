import { useState } from "react";
import { Pencil, Plus, Trash2 } from "lucide-react";
import { useOwnSections, useSections } from "../api/hooks";
import type { LibrarySection } from "../api/types";
import { digits } from "../ui/units";
import { OwnSection } from "./OwnSection";

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
  const [open, setOpen] = useState<LibrarySection | null | undefined>(undefined);
  const found = (data?.sections ?? []).filter((s) => fits(`${s.name} ${s.kind ?? ""} ${s.source ?? ""} ${s.shape} ${s.own ? "own" : ""}`));
  return (
    <>
      {open === undefined ? (
        <button className="button mb-3 flex items-center gap-1" onClick={() => setOpen(null)}>
          <Plus className="size-3.5" /> A section of your own
        </button>
      ) : (
        <OwnSection key={open?.name ?? ""} begin={open} onDone={() => setOpen(undefined)} />
      )}
      {error && <p role="alert" className="text-vermilion">{error.message}</p>}
      {data && found.length === 0 && <p className="font-serif text-[16px] text-faint">No section is called that. Keep it as one of your own, or draw it in a note.</p>}
      {found.length > 0 && (
        <table className="text-[13px]" aria-label="Sections">
          <thead>
            <tr className="text-left text-faint">
              {["section", ...DRAWN.map(([, words]) => words), "area, cm²", "about level, cm⁴", "about upright, cm⁴", "", ""].map((head, i) => (
                <th key={i} className="pb-1 pr-5 font-normal">
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
                  {s.own && <span className="ml-1 rounded bg-glow px-1 font-sans text-[11px] text-earth">own</span>}
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
                  {s.own && (
                    <>
                      <button className="rounded p-1 hover:bg-glow" aria-label={`Change ${s.name}`} onClick={() => setOpen(s)}>
                        <Pencil className="size-3.5" />
                      </button>
                      <button className="rounded p-1 hover:bg-glow" aria-label={`Delete ${s.name}`} title="Notes that use it keep their outline" onClick={() => void drop(s.name)}>
                        <Trash2 className="size-3.5" />
                      </button>
                    </>
                  )}
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
