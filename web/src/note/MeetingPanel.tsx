import { useState } from "react";
import { Popover } from "radix-ui";
import { Refused } from "../api/client";
import { useMeeting } from "../api/hooks";
import type { Place, PlaceKey, Statement } from "../api/types";
import { pickOf } from "../window/usePick";
import { useDesk } from "../workspace/desk";
import { useNote } from "./context";
import { freshId } from "./template";
import { keyOf, type Pair } from "./meetingPairs";
import { WhoMeets } from "./WhoMeets";

/** Bonds, or touches, of some pairs, with groups for both sides of each. */
function joined(kind: "bond" | "touch", all: Statement[], pairs: Pair[], places: Map<string, Place>): Statement[] {
  return pairs.reduce((list, pair) => {
    const taken = new Set(list.map((s) => ("name" in s ? s.name : "")));
    const name = (base: string) => {
      let [n, found] = [2, base];
      while (taken.has(found)) found = `${base} ${n++}`;
      taken.add(found);
      return found;
    };
    const group = (key: PlaceKey, other: PlaceKey, so_far: Statement[]): Statement => {
      const place = places.get(key.join("\n"));
      return { id: freshId(so_far), kind: "group", name: name(`${key[0]} at ${other[0]}`.slice(0, 70)), of: "faces", pick: [place ? pickOf(place) : { body: key[0], name: key[1] }] };
    };
    const one = group(pair.one, pair.other, list);
    const other = group(pair.other, pair.one, [...list, one]);
    const both = [...list, one, other];
    return [...both, { id: freshId(both), kind, target: "name" in one ? one.name : "", to: "name" in other ? other.name : "" } as Statement];
  }, all);
}

/** Which faces of different bodies meet: how the bonds fare before a solve, and pairs to bond. */
export function MeetingPanel() {
  const { view, places, shown, arrange } = useNote();
  const { set, complain } = useDesk();
  const [open, setOpen] = useState(false);
  const [reach, setReach] = useState("");
  const [left, setLeft] = useState<Set<string>>(new Set());
  const { data, error, isFetching } = useMeeting(view.id, view.version, reach, open);
  const free = data?.pairs.filter((p) => !p.joined) ?? [];
  const chosen = free.filter((p) => !left.has(keyOf(p)));
  const known = new Map(places.map((p) => [[p.body, p.name].join("\n"), p]));
  const light = (keys: PlaceKey[]) => ({ onMouseEnter: () => set({ lit: keys }), onMouseLeave: () => set({ lit: [] }) });
  const gap = (least: number, greatest: number) => (greatest < (data?.reach ?? 1) * 1e-6 ? "touching" : `${shown.text(least, "length")} to ${shown.text(greatest, "length")} apart`);

  async function accept(kind: "bond" | "touch") {
    try {
      await arrange((all) => joined(kind, all, chosen, known));
      setOpen(false);
    } catch (refused) {
      if (refused instanceof Refused && refused.status !== 409) complain({ message: refused.message, cure: refused.cure });
    }
  }

  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger asChild>
        <button className="ml-3 mt-0.5 rounded px-1 font-sans text-[12px] text-faint hover:bg-glow hover:text-ink">Faces that meet…</button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content className="popover w-[460px]" sideOffset={4} align="start" aria-label="Faces that meet">
          <label className="mb-2 flex items-center gap-2 text-[12px]">
            within
            <input className="field w-28" aria-label="reach of the search" defaultValue={reach} placeholder={data ? shown.text(data.reach, "length") : ""} onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()} onBlur={(e) => setReach(e.target.value.trim())} />
            {isFetching && <span className="text-faint">looking…</span>}
          </label>
          {error && <p className="text-[12px] text-vermilion">{error instanceof Refused ? `${error.message}. ${error.cure ?? ""}` : "The faces could not be looked at."}</p>}
          {data && <WhoMeets pairs={free} left={left} onTurn={(keys, off) => setLeft((old) => new Set(off ? [...old, ...keys] : [...old].filter((k) => !keys.includes(k))))} />}
          {data && data.bonds.length > 0 && (
            <ul className="mb-2 space-y-0.5 border-b border-rule pb-2 text-[12.5px]" aria-label="Bonds">
              {data.bonds.map((bond) => {
                const statement = view.document.statements.find((s) => s.id === bond.statement);
                if (statement?.kind !== "bond") return null;
                const well = bond.share > 0.98;
                return (
                  <li key={bond.statement} className="cursor-pointer rounded px-1 hover:bg-glow" {...light([...(view.groups[statement.target] ?? []), ...(view.groups[statement.to] ?? [])])} onClick={() => set({ selected: bond.statement })}>
                    {statement.target} – {statement.to}: <span className={well ? "text-spruce" : "text-amber-ink"}>{(bond.share * 100).toFixed(0)} % within reach</span>
                    {bond.least !== null && bond.greatest !== null && <span className="text-faint">, {gap(bond.least, bond.greatest)}</span>}
                    {bond.share === 0 && <span className="text-amber-ink"> · {bond.nearest !== null ? `the nearest lies ${shown.text(bond.nearest, "length")} away: give it a larger reach` : "the sides do not look at each other: choose others"}</span>}
                  </li>
                );
              })}
            </ul>
          )}
          {data && free.length === 0 && <p className="text-[12.5px] text-faint">{data.pairs.length ? "All faces that meet are joined." : "No faces of different bodies meet within this reach."}</p>}
          <ul className="max-h-56 space-y-0.5 overflow-auto text-[12.5px]" aria-label="Pairs">
            {free.map((pair) => (
              <li key={keyOf(pair)} className="rounded px-1 hover:bg-glow" {...light([pair.one, pair.other])}>
                <label className="flex items-baseline gap-2">
                  <input type="checkbox" checked={!left.has(keyOf(pair))} onChange={(e) => setLeft((old) => new Set(e.target.checked ? [...old].filter((k) => k !== keyOf(pair)) : [...old, keyOf(pair)]))} />
                  <span>
                    {pair.one[0]} <span className="text-faint">{pair.one[1]}</span> – {pair.other[0]} <span className="text-faint">{pair.other[1]}</span>: {(pair.share * 100).toFixed(0)} % of the smaller, {gap(pair.least, pair.greatest)}
                  </span>
                </label>
              </li>
            ))}
          </ul>
          {free.length > 0 && (
            <p className="mt-2 flex gap-2">
              <button className="button-strong" disabled={chosen.length === 0} onClick={() => void accept("bond")}>
                Bond {chosen.length === free.length ? `all ${free.length}` : chosen.length}
              </button>
              <button className="button" disabled={chosen.length === 0} title="They press on each other, part and slide" onClick={() => void accept("touch")}>
                Let {chosen.length === free.length ? `all ${free.length}` : chosen.length} touch
              </button>
            </p>
          )}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
