import { useState } from "react";
import { useMaterials, useOwnMaterials } from "../api/hooks";
import type { LibraryMaterial } from "../api/types";
import { OwnMaterial } from "./OwnMaterial";
import { OwnButtons, OwnMark, OwnSheet, type Opened } from "./OwnTools";

const COLUMNS = [
  ["young", "Young's modulus"],
  ["poisson", "Poisson's ratio"],
  ["density", "density"],
  ["yield", "yield"],
  ["ultimate", "ultimate"],
] as const;

/** The materials that ship, and those of one's own. */
export function Materials({ fits }: { fits: (text: string) => boolean }) {
  const { data, error } = useMaterials();
  const { drop } = useOwnMaterials();
  // A material that is being changed; a new one is null.
  const [open, setOpen] = useState<Opened<LibraryMaterial>>(undefined);
  const found = (data?.materials ?? []).filter((m) => fits(`${m.name} ${m.category ?? ""} ${m.source ?? ""} ${m.own ? "own" : ""}`));
  return (
    <>
      <OwnSheet words="A material of your own" open={open} onNew={() => setOpen(null)}>
        {(begin) => <OwnMaterial key={begin?.name ?? ""} begin={begin} onDone={() => setOpen(undefined)} />}
      </OwnSheet>
      {error && <p role="alert" className="text-vermilion">{error.message}</p>}
      {data && found.length === 0 && <p className="font-serif text-[16px] text-faint">No material is called that. Keep it as one of your own, or type its properties in a note.</p>}
      {found.length > 0 && (
        <table className="w-full text-[13px]" aria-label="Materials">
          <thead>
            <tr className="text-left text-faint">
              <th className="pb-1 pr-5 font-normal">material</th>
              {COLUMNS.map(([key, text]) => (
                <th key={key} className="pb-1 pr-5 font-normal">
                  {text}
                </th>
              ))}
              <th className="pb-1 font-normal">source</th>
              <th />
            </tr>
          </thead>
          <tbody>
            {found.map((m) => (
              <tr key={m.name} className="border-t border-rule align-top">
                <td className="py-1 pr-5 font-serif text-[14.5px]">
                  {m.name} <span className="font-sans text-[11.5px] text-faint">{m.category}</span>
                  {m.own && <OwnMark />}
                </td>
                {COLUMNS.map(([key]) => (
                  <td key={key} className="whitespace-nowrap py-1.5 pr-5 font-mono text-[12px]">
                    {m[key] ?? "–"}
                  </td>
                ))}
                <td className="py-1.5 text-[11.5px] text-faint">{m.source}</td>
                <td className="whitespace-nowrap py-1">
                  {m.own && <OwnButtons name={m.name} keeps="its properties" onChange={() => setOpen(m)} onDelete={() => void drop(m.name)} />}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
