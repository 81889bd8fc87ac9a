import type { ReactNode } from "react";
import { Command } from "cmdk";

interface Props<Entry> {
  label: string;
  placeholder: string;
  none: string;
  entries: readonly Entry[];
  /** What it is found by, beside its name. */
  words: (entry: Entry) => string;
  /** Figures at the end of its line, and what stands below. */
  figures: (entry: Entry) => ReactNode;
  below?: (entry: Entry) => ReactNode;
  onChoose: (entry: Entry) => void;
  children?: ReactNode;
}

/** Entries of the library, searched as one types. */
export function LibraryList<Entry extends { name: string }>({ label, placeholder, none, entries, words, figures, below, onChoose, children }: Props<Entry>) {
  return (
    <Command label={label}>
      <Command.Input autoFocus placeholder={placeholder} className="mb-2 w-full rounded border border-rule bg-white px-2 py-1" />
      <Command.List className="max-h-72 overflow-auto">
        <Command.Empty className="px-2 py-1 text-faint">{none}</Command.Empty>
        {entries.map((entry) => (
          <Command.Item key={entry.name} value={`${entry.name} ${words(entry)}`} className="cursor-pointer rounded px-2 py-1 data-[selected=true]:bg-glow" onSelect={() => onChoose(entry)}>
            <div className="flex items-baseline gap-2">
              <span className="font-serif text-[14px]">{entry.name}</span>
              <span className="ml-auto font-mono text-[11.5px] text-faint">{figures(entry)}</span>
            </div>
            {below && <div className="text-[11px] text-faint">{below(entry)}</div>}
          </Command.Item>
        ))}
      </Command.List>
      {children}
    </Command>
  );
}
