/** Some of several names, each a small switch. */
export function NamesChips({ names, chosen, onChange }: { names: readonly string[]; chosen: readonly string[]; onChange: (names: string[]) => void }) {
  return (
    <>
      {names.map((name) => (
        <button
          key={name}
          aria-pressed={chosen.includes(name)}
          className={`mr-1 rounded border px-1 font-mono text-[11.5px] leading-[17px] ${chosen.includes(name) ? "border-[#8cbfae] bg-spruce-pale" : "border-rule text-faint hover:bg-glow"}`}
          onClick={() => onChange(chosen.includes(name) ? chosen.filter((n) => n !== name) : names.filter((n) => n === name || chosen.includes(n)))}
        >
          {name}
        </button>
      ))}
    </>
  );
}
