import { useState } from "react";
import { useMaterials } from "../api/hooks";
import { Screen } from "../ui/Screen";

const COLUMNS = [
  ["young", "Young's modulus"],
  ["poisson", "Poisson's ratio"],
  ["density", "density"],
  ["yield", "yield"],
  ["ultimate", "ultimate"],
] as const;

/** The materials that ship, with where their figures are from. */
export function Library() {
  const { data, error } = useMaterials();
  const [wanted, setWanted] = useState("");
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const found = (data?.materials ?? []).filter((m) => words.every((word) => `${m.name} ${m.category} ${m.source}`.toLowerCase().includes(word)));
  return (
    <Screen>
      <label className="mb-4 block">
        <span className="sr-only">Search the materials</span>
        <input className="w-80 rounded-md border border-rule bg-white px-3 py-1.5 font-serif text-[15px]" placeholder="Search: steel, aluminium, concrete…" value={wanted} onChange={(event) => setWanted(event.target.value)} />
      </label>
      {error && <p role="alert" className="text-vermilion">{error.message}</p>}
      {data && found.length === 0 && <p className="font-serif text-[16px] text-faint">No material is called that. In a note any can be typed: its own statement takes every property.</p>}
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
            </tr>
          </thead>
          <tbody>
            {found.map((m) => (
              <tr key={m.name} className="border-t border-rule align-top">
                <td className="py-1 pr-5 font-serif text-[14.5px]">
                  {m.name} <span className="font-sans text-[11.5px] text-faint">{m.category}</span>
                </td>
                {COLUMNS.map(([key]) => (
                  <td key={key} className="whitespace-nowrap py-1.5 pr-5 font-mono text-[12px]">
                    {m[key] ?? "–"}
                  </td>
                ))}
                <td className="py-1.5 text-[11.5px] text-faint">{m.source}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Screen>
  );
}
