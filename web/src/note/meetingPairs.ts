import type { Meeting } from "../api/hooks";
import type { ModelView } from "../api/types";

export type Pair = Meeting["pairs"][number];

export const keyOf = (pair: Pair) => [...pair.one, ...pair.other].join("\n");

/** What joins two bodies, or could: statements that bond them or let them touch, and pairs of faces that meet. */
export interface Between {
  joins: { id: string; kind: "bond" | "touch" }[];
  pairs: Pair[];
}

const both = (a: string, b: string) => [a, b].sort().join("\n");

/** Of all bodies that are joined, or meet, who does so with whom. */
export function whoMeets(view: Pick<ModelView, "document" | "groups">, pairs: Pair[]): { names: string[]; between: (a: string, b: string) => Between } {
  const cells = new Map<string, Between>();
  const cell = (a: string, b: string) => {
    const key = both(a, b);
    const found = cells.get(key) ?? { joins: [], pairs: [] };
    cells.set(key, found);
    return found;
  };
  for (const s of view.document.statements) {
    if ((s.kind !== "bond" && s.kind !== "touch") || s.off) continue;
    const sides = [s.target, s.to].map((name) => [...new Set((view.groups[name] ?? []).map(([body]) => body))]);
    for (const a of sides[0] ?? []) for (const b of sides[1] ?? []) if (a !== b) cell(a, b).joins.push({ id: s.id, kind: s.kind });
  }
  for (const pair of pairs) cell(pair.one[0], pair.other[0]).pairs.push(pair);
  const names = [...new Set([...cells.keys()].flatMap((key) => key.split("\n")))];
  return { names, between: (a, b) => cells.get(both(a, b)) ?? { joins: [], pairs: [] } };
}
