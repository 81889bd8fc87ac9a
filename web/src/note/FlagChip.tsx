/** Words that are so or not; a click turns them. */
export function FlagChip({ on, words, onTurn }: { on: boolean; words: string; onTurn: () => void }) {
  return (
    <button data-chip="flag" aria-pressed={on} className={`chip ${on ? "" : "text-faint italic"}`} onClick={onTurn}>
      {words}
    </button>
  );
}
