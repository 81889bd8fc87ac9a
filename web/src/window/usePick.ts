import { useCallback } from "react";
import { Refused } from "../api/client";
import type { Of, Place, PlaceKey, Statement } from "../api/types";
import { useNote } from "../note/context";
import { freshId } from "../note/template";
import { useDesk } from "../workspace/desk";

type Pick = NonNullable<Of<"group">["pick"]>[number];

/** What is kept of a picked place, so that it is found again when its name is gone. */
export function pickOf(place: Place): Pick {
  return { body: place.body, name: place.name, kind: place.kind, at: place.at as [number, number, number] };
}

const same = (a: Pick, b: Pick) => a.body === b.body && a.name === b.name;

/** Takes each place out of the list when it is there, and puts it in when it is not. */
function toggled(picks: Pick[], places: Place[], keep: boolean): Pick[] {
  return places.map(pickOf).reduce((list, pick) => (list.some((p) => same(p, pick)) ? (keep ? list : list.filter((p) => !same(p, pick))) : [...list, pick]), picks);
}

/** Names of bodies that a statement takes by name. */
function takesBody(statement: Statement, body: string): boolean {
  if ("body" in statement && typeof statement.body === "string" && statement.kind !== "hand_check") {
    statement.body = body;
    return true;
  }
  return false;
}

/**
 * Puts picked places into the open target: its group gains or loses them, or is made.
 * With no target open, they are chosen, to be measured or grouped.
 */
export function usePick() {
  const { view, arrange } = useNote();
  const { picking, pickField, complain, set } = useDesk();
  return useCallback(
    async (places: Place[], more: boolean) => {
      const statement = view.document.statements.find((s) => s.id === picking);
      if (!statement) {
        const { chosen } = useDesk.getState();
        const keys: PlaceKey[] = places.map((p) => [p.body, p.name]);
        const has = ([body, name]: PlaceKey) => chosen.some(([b, n]) => b === body && n === name);
        const fresh = keys.filter((key) => !has(key));
        set({ chosen: !more ? keys : fresh.length ? [...chosen, ...fresh] : chosen.filter(([b, n]) => !keys.some(([body, name]) => b === body && n === name)) });
        return;
      }
      const first = places[0];
      if (!first) return;
      const target = pickField === "to" && "to" in statement && typeof statement.to === "string" ? statement.to : "target" in statement ? statement.target : null;
      const group = view.document.statements.find((s): s is Of<"group"> => s.kind === "group" && (s.id === picking || (target !== null && s.name === target)));
      const own = group && (group.id === picking || (group.of === first.of && !group.rule));
      try {
        await arrange((all) => {
          if (own) {
            const mine = all.find((s): s is Of<"group"> => s.id === group.id && s.kind === "group");
            if (mine) mine.pick = toggled(mine.pick ?? [], places, places.length > 1);
            return all;
          }
          const taker = all.find((s) => s.id === picking);
          if (taker && target === null && takesBody(taker, first.body)) return all;
          const names = new Set(all.map((s) => ("name" in s ? s.name : "")));
          let n = 1;
          while (names.has(`place ${n}`)) n += 1;
          const made: Of<"group"> = { id: freshId(all), kind: "group", name: `place ${n}`, of: first.of, pick: places.map(pickOf) };
          all.forEach((s) => {
            if (s.id === picking && "target" in s) Object.assign(s, { [pickField]: made.name });
          });
          return [...all, made];
        });
      } catch (error) {
        if (error instanceof Refused && error.status !== 409) complain({ message: error.message, cure: error.cure });
      }
    },
    [arrange, complain, picking, pickField, set, view.document.statements],
  );
}
