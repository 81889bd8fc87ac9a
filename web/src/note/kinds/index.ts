import type { Kind } from "../../api/types";
import { SECTION_TITLES, type Entry, type Section } from "./entry";

/** Every file beside this one brings the kinds it knows. */
const files = import.meta.glob<{ default?: Entry[] }>("./*.tsx", { eager: true });

export const ENTRIES: readonly Entry[] = Object.values(files)
  .flatMap((file) => file.default ?? [])
  .sort((a, b) => SECTION_TITLES.indexOf(a.section) - SECTION_TITLES.indexOf(b.section) || a.order - b.order);

export const entryOf = (kind: Kind): Entry | undefined => ENTRIES.find((e) => e.kind === kind);

export const SECTIONS: readonly { title: Section; kinds: Kind[] }[] = SECTION_TITLES.map((title) => ({ title, kinds: ENTRIES.filter((e) => e.section === title).map((e) => e.kind) }));

export const TEMPLATES = ENTRIES.flatMap((e) => e.templates ?? []);
