import { useState } from "react";
import { Refused } from "../api/client";
import { useOwnMaterials } from "../api/hooks";
import type { LibraryMaterial } from "../api/types";

const FIELDS = [
  ["name", "name", "grey iron GJL-250"],
  ["category", "kind", "metal"],
  ["young", "Young's modulus", "110 GPa"],
  ["poisson", "Poisson's ratio", "0.26"],
  ["density", "density", "7200 kg/m3"],
  ["expansion", "expansion", "11e-6 /K"],
  ["conductivity", "conductivity", "48 W/(m K)"],
  ["yield", "yield", ""],
  ["ultimate", "ultimate", "250 MPa"],
  ["source", "source", "where the figures are from"],
] as const;

const EMPTY: LibraryMaterial = { name: "", young: "", poisson: "" };

/** A material of one's own, with units; what is refused is told below. */
export function OwnMaterial({ begin, onDone }: { begin: LibraryMaterial | null; onDone: () => void }) {
  const [draft, setDraft] = useState<LibraryMaterial>(begin ?? EMPTY);
  const [refused, setRefused] = useState<Refused | null>(null);
  const { put } = useOwnMaterials();
  async function keep() {
    try {
      await put(draft);
      onDone();
    } catch (error) {
      setRefused(error instanceof Refused ? error : new Refused(String(error), 0, null));
    }
  }
  return (
    <form
      className="card mb-4 max-w-3xl p-4"
      aria-label="A material of your own"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <div className="grid grid-cols-2 gap-x-6 gap-y-2">
        {FIELDS.map(([key, words, example]) => (
          <label key={key} className="flex items-center gap-2 text-[13px]">
            <span className="w-32 text-faint">{words}</span>
            <input className="field flex-1" name={key} aria-label={words} disabled={key === "name" && begin !== null} placeholder={example} value={draft[key] ?? ""} onChange={(event) => setDraft({ ...draft, [key]: event.target.value })} />
          </label>
        ))}
      </div>
      {refused && (
        <p role="alert" className="mt-2 text-[13px] text-vermilion">
          {refused.message}. <span className="text-ink">{refused.cure}</span>
        </p>
      )}
      <p className="mt-3 flex gap-2">
        <button type="submit" className="button-strong">
          Keep it
        </button>
        <button type="button" className="button" onClick={onDone}>
          Cancel
        </button>
      </p>
    </form>
  );
}
