import type { Statement } from "../api/types";

/** Renames a statement, and everything in the note that speaks of it follows. */
export function rename(all: Statement[], id: string, name: string): Statement[] {
  const renamed = all.find((s) => s.id === id);
  if (!renamed || !("name" in renamed)) return all;
  const old = renamed.name;
  return all.map((s) => {
    if (s.id === id) return { ...s, name } as Statement;
    const copy = structuredClone(s);
    if (renamed.kind === "outline" && copy.kind === "body" && copy.outline === old) copy.outline = name;
    if (renamed.kind === "study" && "study" in copy && copy.study === old) copy.study = name;
    if (renamed.kind === "body" || renamed.kind === "group") {
      if ("target" in copy && copy.target === old) copy.target = name;
      if (renamed.kind === "body" && copy.kind === "hand_check" && copy.body === old) copy.body = name;
      if (renamed.kind === "body" && copy.kind === "group") {
        copy.pick?.forEach((pick) => {
          if (pick.body !== old) return;
          pick.body = name;
          if (pick.name === old) pick.name = name;
        });
      }
    }
    return copy;
  });
}
