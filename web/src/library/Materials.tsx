import { useState } from "react";
import { Pencil, Plus, Trash2 } from "lucide-react";
import { useMaterials, useOwnMaterials } from "../api/hooks";
import type { LibraryMaterial } from "../api/types";
import { OwnMaterial } from "./OwnMaterial";

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
  const [open, setOpen] = useState<LibraryMaterial | null | undefined>(undefined);
  const found = (data?.materials ?? []).filter((m) => fits(`${m.name} ${m.category ?? ""} ${m.source ?? ""} ${m.own ? "own" : ""}`));
  return (
    <>
      {open === undefined ? (
        <button className="button mb-3 flex items-center gap-1" onClick={() => setOpen(null)}>
          <Plus className="size-3.5" /> A material of your own
        </button>
      ) : (
        <OwnMaterial key={open?.name ?? ""} begin={open} onDone={() => setOpen(undefined)} />
      )}
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
                  {m.own && <span className="ml-1 rounded bg-glow px-1 font-sans text-[11px] text-earth">own</span>}
                </td>
                {COLUMNS.map(([key]) => (
                  <td key={key} className="whitespace-nowrap py-1.5 pr-5 font-mono text-[12px]">
                    {m[key] ?? "–"}
                  </td>
                ))}
                <td className="py-1.5 text-[11.5px] text-faint">{m.source}</td>
                <td className="whitespace-nowrap py-1">
                  {m.own && (
                    <>
                      <button className="rounded p-1 hover:bg-glow" aria-label={`Change ${m.name}`} onClick={() => setOpen(m)}>
                        <Pencil className="size-3.5" />
                      </button>
                      <button className="rounded p-1 hover:bg-glow" aria-label={`Delete ${m.name}`} title="Notes that use it keep its properties" onClick={() => void drop(m.name)}>
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
    </>
  );
}
