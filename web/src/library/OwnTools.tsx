import type { ReactNode } from "react";
import { Pencil, Plus, Trash2 } from "lucide-react";

/** What is open of one's own entries: one that is changed, a new one (null), or none. */
export type Opened<Entry> = Entry | null | undefined;

/** A way to a new entry of one's own, or the form of the one that is open. */
export function OwnSheet<Entry>({ words, open, onNew, children }: { words: string; open: Opened<Entry>; onNew: () => void; children: (begin: Entry | null) => ReactNode }) {
  if (open !== undefined) return children(open);
  return (
    <button className="button mb-3 flex items-center gap-1" onClick={onNew}>
      <Plus className="size-3.5" /> {words}
    </button>
  );
}

export const OwnMark = () => <span className="ml-1 rounded bg-glow px-1 font-sans text-[11px] text-earth">own</span>;

/** Changes an entry of one's own, or deletes it; keeps: what notes that use it keep. */
export function OwnButtons({ name, keeps, onChange, onDelete }: { name: string; keeps: string; onChange: () => void; onDelete: () => void }) {
  return (
    <>
      <button className="rounded p-1 hover:bg-glow" aria-label={`Change ${name}`} onClick={onChange}>
        <Pencil className="size-3.5" />
      </button>
      <button className="rounded p-1 hover:bg-glow" aria-label={`Delete ${name}`} title={`Notes that use it keep ${keeps}`} onClick={onDelete}>
        <Trash2 className="size-3.5" />
      </button>
    </>
  );
}
