import { useDesk } from "../workspace/desk";
import { useNote } from "./context";
import { keyOf, whoMeets, type Pair } from "./meetingPairs";

const MOST = 12; // bodies that a table can show

/** Who is bonded to whom, may touch whom, or meets whom unjoined; a click on what meets takes its pairs in, or leaves them out. */
export function WhoMeets({ pairs, left, onTurn }: { pairs: Pair[]; left: Set<string>; onTurn: (keys: string[], off: boolean) => void }) {
  const { view } = useNote();
  const { set } = useDesk();
  const { names, between } = whoMeets(view, pairs);
  if (names.length < 3 || names.length > MOST) return null;
  return (
    <div className="mb-2 max-w-full overflow-x-auto border-b border-rule pb-2">
      <table className="text-[11.5px]" aria-label="Who meets whom">
        <thead>
          <tr>
            <th />
            {names.slice(0, -1).map((name) => (
              <th key={name} className="max-w-20 truncate px-1 text-left font-normal text-faint" title={name}>
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {names.slice(1).map((row, i) => (
            <tr key={row} className="border-t border-rule">
              <th className="max-w-28 truncate pr-2 text-left font-normal text-faint" title={row}>
                {row}
              </th>
              {names.slice(0, i + 1).map((column) => {
                const { joins, pairs: meet } = between(row, column);
                const keys = meet.map(keyOf);
                const off = keys.every((key) => left.has(key));
                return (
                  <td key={column} className="px-1 align-top">
                    {joins.map((join) => (
                      <button key={join.id} className="block rounded px-1 text-spruce hover:bg-glow" onClick={() => set({ selected: join.id })}>
                        {join.kind === "bond" ? "bonded" : "touch"}
                      </button>
                    ))}
                    {keys.length > 0 && (
                      <button className={`block rounded px-1 hover:bg-glow ${off ? "text-faint line-through" : "font-semibold text-amber-ink"}`} aria-pressed={!off} aria-label={`${row} and ${column} meet`} onClick={() => onTurn(keys, !off)}>
                        {keys.length === 1 ? "meet" : `meet ${keys.length} ×`}
                      </button>
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
