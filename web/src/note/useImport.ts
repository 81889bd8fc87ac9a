import { useCallback, useRef, useState } from "react";
import { Refused, upload } from "../api/client";
import type { Of } from "../api/types";
import { useDesk } from "../workspace/desk";
import { useNote } from "./context";
import { freshId } from "./template";

interface Brought {
  file: string;
  digest: string;
  bodies: { name: string }[];
}

/** Brings a geometry file in: it is read first, and the note gains its statement only when that went well. */
export function useImport() {
  const { view, arrange } = useNote();
  const { complain, set } = useDesk();
  const [reading, setReading] = useState<string | null>(null);
  const running = useRef<AbortController | null>(null);

  const bringIn = useCallback(
    async (file: File) => {
      const control = new AbortController();
      running.current = control;
      setReading(file.name);
      try {
        const brought = await upload<Brought>(`/api/models/${view.id}/files?name=${encodeURIComponent(file.name)}`, file, control.signal);
        const stem = file.name.replace(/\.[^.]+$/, "").slice(0, 70);
        await arrange((all) => {
          const names = new Set(all.map((s) => ("name" in s ? s.name : "")));
          let name = stem;
          for (let n = 2; names.has(name); n += 1) name = `${stem} ${n}`;
          const made: Of<"import"> = { id: freshId(all), kind: "import", name, file: brought.file, digest: brought.digest };
          return [...all, made];
        });
        set({ look: "shape", paper: false });
      } catch (error) {
        if (error instanceof Refused && !control.signal.aborted) complain({ message: error.message.replace(/\.$/, ""), cure: error.cure });
      } finally {
        setReading(null);
      }
    },
    [arrange, complain, set, view.id],
  );
  const stop = useCallback(() => running.current?.abort(), []);
  return { bringIn, reading, stop };
}
