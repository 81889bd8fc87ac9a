import type { Kind, Of, Statement } from "../api/types";

/** Supports and joins that stages may speak of, once they have a name. */
export const CALLED = ["support", "bond", "link", "joint"] as const satisfies readonly Kind[];
export type Called = Of<(typeof CALLED)[number]>;

export const mayBeCalled = (s: Statement): s is Called => (CALLED as readonly string[]).includes(s.kind);

/** What a support or join is told by where it has no name yet. */
export const toldAs = (s: Called) => `${s.kind} of ${s.target || "what is not chosen yet"}`;

/** A name of its own for one that stages shall speak of, other than all that are taken. */
export function freshName(all: Statement[], s: Called): string {
  const taken = new Set(all.flatMap((other) => ("name" in other && other.name ? [other.name] : [])));
  const base = toldAs(s);
  if (!taken.has(base)) return base;
  for (let i = 2; ; i++) if (!taken.has(`${base} ${i}`)) return `${base} ${i}`;
}
