import { useOwnBolts, type LibraryBolt } from "../api/hooks";
import { OwnEntry } from "./OwnEntry";

const FIELDS = [
  ["name", "name", "dome stud"],
  ["diameter", "diameter", "10 mm"],
  ["pitch", "pitch", "1.25 mm"],
  ["stress_area", "stress area", "by its pitch"],
  ["head", "across flats", "1.5 diameters"],
  ["proof", "proof strength", "450 MPa"],
  ["source", "source", "where the figures are from"],
] as const;

const EMPTY: LibraryBolt = { name: "", diameter: "", proof: "" };

/** A bolt of one's own. */
export function OwnBolt({ begin, onDone }: { begin: LibraryBolt | null; onDone: () => void }) {
  const { put } = useOwnBolts();
  return <OwnEntry label="A bolt of your own" fields={FIELDS} begin={begin} empty={EMPTY} put={put} onDone={onDone} />;
}
