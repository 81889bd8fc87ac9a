import { createContext, useContext } from "react";
import type { ModelView, Statement } from "../api/types";
import type { Shown } from "../ui/units";

export interface NoteContext {
  view: ModelView;
  shown: Shown;
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
