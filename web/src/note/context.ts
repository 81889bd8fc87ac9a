import { createContext, useContext } from "react";
import type { Arrays } from "../api/client";
import type { ModelView, Place, ShapeMeta, Statement } from "../api/types";
import type { Shown } from "../ui/units";

export interface NoteContext {
  view: ModelView;
  shown: Shown;
  /** The surfaces of the shape, once they have come. */
  surfaces: Arrays<ShapeMeta> | null;
  places: Place[];
  /** Changes one statement; rejects with what the server said. */
  change: (id: string, change: (statement: Statement) => void) => Promise<void>;
  /** Changes the list of statements. */
  arrange: (change: (statements: Statement[]) => Statement[]) => Promise<void>;
}

export const Context = createContext<NoteContext | null>(null);

export function useNote(): NoteContext {
  const context = useContext(Context);
  if (!context) throw new Error("a part of the note stands outside of it");
  return context;
}
