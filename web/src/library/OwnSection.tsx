import { useOwnSections } from "../api/hooks";
import type { LibrarySection } from "../api/types";
import { OwnEntry } from "./OwnEntry";

const FIELDS = [
  ["name", "name", "shelf rail"],
  ["shape", "shape", ["I", "channel", "angle", "T", "hollow", "tube"]],
  ["height", "height", "60 mm"],
  ["width", "width", "30 mm, not for a tube"],
  ["web", "web or wall", "3 mm"],
  ["flange", "flange", "as the web"],
  ["root", "root radius", "sharp"],
  ["source", "source", "where the figures are from"],
] as const;

const EMPTY: LibrarySection = { name: "", shape: "I", height: "", web: "", area: 0, level: 0, upright: 0 };

/** A cross-section of one's own. */
export function OwnSection({ begin, onDone }: { begin: LibrarySection | null; onDone: () => void }) {
  const { put } = useOwnSections();
  return <OwnEntry label="A section of your own" fields={FIELDS} begin={begin} empty={EMPTY} put={put} onDone={onDone} />;
}
