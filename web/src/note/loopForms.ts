import type { Loop } from "../api/model";

export type Form = "circle" | "ellipse" | "rectangle" | "slot" | "regular" | "section" | "offset";

/** The values of each ready-made form, in the order they are read, with their words. */
export const NUMBERS: Record<Form, readonly (readonly [key: string, words: string])[]> = {
  circle: [["diameter", "⌀"], ["x", "x"], ["y", "y"]],
  ellipse: [["width", "width"], ["height", "height"], ["x", "x"], ["y", "y"], ["angle", "turned"]],
  rectangle: [["width", "width"], ["height", "height"], ["x", "x"], ["y", "y"], ["fillet", "fillet"], ["angle", "turned"]],
  slot: [["length", "length"], ["width", "width"], ["x", "x"], ["y", "y"], ["angle", "turned"]],
  regular: [["across", "across corners"], ["x", "x"], ["y", "y"], ["angle", "turned"], ["fillet", "fillet"]],
  section: [["height", "height"], ["width", "width"], ["web", "web"], ["flange", "flange"], ["root", "root radius"], ["x", "x"], ["y", "y"]],
  offset: [["by", "by"]],
};

const FORMS = Object.keys(NUMBERS) as Form[];

/** Which ready-made form a loop has; null for typed corners. */
export function formOf(loop: Loop): Form | null {
  return FORMS.find((form) => form in loop) ?? null;
}
