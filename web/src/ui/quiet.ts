/** The look of a small offer within a line of the note. */
export const quiet = "ml-1 rounded px-1 font-sans text-[11.5px] text-faint hover:bg-glow hover:text-ink";
