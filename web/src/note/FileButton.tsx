import { useRef, useState } from "react";
import { Refused, upload } from "../api/client";
import { useDesk } from "../workspace/desk";

interface Props<T> {
  label: string;
  words: string;
  title: string;
  /** Where the file is sent to be read. */
  path: (file: File) => string;
  onRead: (answer: T, file: string) => Promise<void>;
}

/** Sends a text file to be read, and takes up what was found in it. */
export function FileButton<T>({ label, words, title, path, onRead }: Props<T>) {
  const { complain } = useDesk();
  const input = useRef<HTMLInputElement>(null);
  const [reading, setReading] = useState(false);
  async function read(file: File) {
    setReading(true);
    try {
      await onRead(await upload<T>(path(file), file, new AbortController().signal), file.name);
    } catch (error) {
      if (error instanceof Refused) complain({ message: `${file.name}: ${error.message.replace(/\.$/, "")}`, cure: error.cure });
    } finally {
      setReading(false);
    }
  }
  return (
    <>
      <button className="rounded px-1 font-sans text-[11.5px] text-faint underline hover:bg-glow hover:text-ink" title={title} disabled={reading} onClick={() => input.current?.click()}>
        {reading ? "reading…" : words}
      </button>
      <input
        ref={input}
        type="file"
        accept=".csv,.txt,.tsv,text/csv,text/plain"
        aria-label={label}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void read(file);
          event.target.value = "";
        }}
      />
    </>
  );
}
