import type { Kind, Of, Statement } from "../api/types";

/** Supports and joins that stages may speak of, once they have a name. */
export const CALLED = ["support", "bond", "link", "joint", "spring", "one_way"] as const satisfies readonly Kind[];
export type Called = Of<(typeof CALLED)[number]>;

/** Springs that are shared over a place on the ground stay in all stages. */
const stays = (s: Statement) => s.kind === "spring" && s.to === undefined && !s.curve && !s.turning;

export const mayBeCalled = (s: Statement): s is Called => (CALLED as readonly string[]).includes(s.kind) && !stays(s);

/** What a support or join is told by where it has no name yet. */
export const toldAs = (s: Called) => `${s.kind.replace("_", "-")} of ${s.target || "what is not chosen yet"}`;

/** A name of its own for one that stages shall speak of, other than all that are taken. */
export function freshName(all: Statement[], s: Called): string {
  const taken = new Set(all.flatMap((other) => ("name" in other && other.name ? [other.name] : [])));
  const base = toldAs(s);
  if (!taken.has(base)) return base;
  for (let i = 2; ; i++) if (!taken.has(`${base} ${i}`)) return `${base} ${i}`;
}
