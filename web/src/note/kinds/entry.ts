import type { ComponentType } from "react";
import type { Kind, Of } from "../../api/types";
import type { Template } from "../template";

export const SECTION_TITLES = ["Aim", "Shape", "Material and sections", "Joins and supports", "Loads and stages", "Mesh", "Studies", "Findings"] as const;
export type Section = (typeof SECTION_TITLES)[number];

/** What the note knows of a kind of statement: where it stands, how it reads, and how it is begun. */
export interface Entry<K extends Kind = Kind> {
  kind: K;
  section: Section;
  /** Place among the kinds of its section. */
  order: number;
  Line: ComponentType<{ statement: Of<K> }>;
  templates?: readonly Template[];
}

/** Keeps an entry's own type while it is written. */
export const entry = <K extends Kind>(of: Entry<K>): Entry => of as unknown as Entry;
