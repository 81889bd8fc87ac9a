import type { Body } from "../api/types";

/** Muted earths and greens, told apart by lightness too. */
const PALETTE = ["#6f9a96", "#c29a5b", "#8a7f9c", "#b0685a", "#a9b383", "#4f6b7a", "#d1bfa0", "#7a5c48", "#9fb8c4", "#5d7f5a"];

/** Colours of bodies by what they are made of, and the key to them. */
export function tintsOf(bodies: Body[], by: "" | "material" | "section"): { tints: Map<string, string>; key: [string, string][] } {
  if (by === "") return { tints: new Map(), key: [] };
  const word = (b: Body) => (by === "material" ? (b.material ?? "no material") : b.section || "no section");
  const words = [...new Set(bodies.map(word))];
  const colour = (w: string) => PALETTE[words.indexOf(w) % PALETTE.length] as string;
  return { tints: new Map(bodies.map((b) => [b.name, colour(word(b))])), key: words.map((w) => [w, colour(w)]) };
}
