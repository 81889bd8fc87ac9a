import { useState } from "react";
import { Refused } from "../api/client";

interface Props<Entry> {
  label: string;
  /** Its fields, what they are called, and an example; a list where one of a few is chosen. */
  fields: readonly (readonly [keyof Entry & string, string, string | readonly string[]])[];
  begin: Entry | null;
  empty: Entry;
  put: (entry: Entry) => Promise<unknown>;
  onDone: () => void;
}

/** An entry of one's own, with units; what is refused is told below. */
export function OwnEntry<Entry extends object>({ label, fields, begin, empty, put, onDone }: Props<Entry>) {
  const [draft, setDraft] = useState<Entry>(begin ?? empty);
  const [refused, setRefused] = useState<Refused | null>(null);
  async function keep() {
    try {
      await put(draft);
      onDone();
    } catch (error) {
      setRefused(error instanceof Refused ? error : new Refused(String(error), 0, null));
    }
  }
  const text = (key: keyof Entry) => String(draft[key] ?? "");
  return (
    <form
      className="card mb-4 max-w-3xl p-4"
      aria-label={label}
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <div className="grid grid-cols-2 gap-x-6 gap-y-2">
        {fields.map(([key, words, example]) => (
          <label key={key} className="flex items-center gap-2 text-[13px]">
            <span className="w-32 text-faint">{words}</span>
            {typeof example === "string" ? (
              <input className="field flex-1" name={key} aria-label={words} disabled={key === "name" && begin !== null} placeholder={example} value={text(key)} onChange={(event) => setDraft({ ...draft, [key]: event.target.value })} />
            ) : (
              <select className="field flex-1" name={key} aria-label={words} value={text(key)} onChange={(event) => setDraft({ ...draft, [key]: event.target.value })}>
                {example.map((one) => (
                  <option key={one}>{one}</option>
                ))}
              </select>
            )}
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
