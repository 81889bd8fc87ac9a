import { useOwnMaterials } from "../api/hooks";
import type { LibraryMaterial } from "../api/types";
import { OwnEntry } from "./OwnEntry";

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

/** A material of one's own. */
export function OwnMaterial({ begin, onDone }: { begin: LibraryMaterial | null; onDone: () => void }) {
  const { put } = useOwnMaterials();
  return <OwnEntry label="A material of your own" fields={FIELDS} begin={begin} empty={EMPTY} put={put} onDone={onDone} />;
}
