import { useCallback } from "react";
import { Refused } from "../api/client";
import type { Of, Place } from "../api/types";
import { useNote } from "../note/context";
import { freshId } from "../note/templates";
import { useDesk } from "../workspace/desk";

/** Puts a picked place into the open target: its group gains or loses it, or is made. */
export function usePick() {
  const { view, arrange } = useNote();
  const { picking, complain } = useDesk();
  return useCallback(
    async (place: Place) => {
      const statement = view.document.statements.find((s) => s.id === picking);
      if (!statement) return;
      const pick = { body: place.body, name: place.name };
      const target = "target" in statement ? statement.target : null;
      const group = view.document.statements.find((s): s is Of<"group"> => s.kind === "group" && (s.id === picking || (target !== null && s.name === target)));
      const own = group && (group.id === picking || (group.of === place.of && !group.rule));
      try {
        await arrange((all) => {
          if (own) {
            const mine = all.find((s): s is Of<"group"> => s.id === group.id && s.kind === "group");
            if (!mine) return all;
            const rest = (mine.pick ?? []).filter((p) => p.body !== pick.body || p.name !== pick.name);
            mine.pick = rest.length === (mine.pick ?? []).length ? [...rest, pick] : rest;
            return all;
          }
          const names = new Set(all.map((s) => ("name" in s ? s.name : "")));
          let n = 1;
          while (names.has(`place ${n}`)) n += 1;
          const made: Of<"group"> = { id: freshId(all), kind: "group", name: `place ${n}`, of: place.of, pick: [pick] };
          all.forEach((s) => {
            if (s.id === picking && "target" in s) s.target = made.name;
          });
          return [...all, made];
        });
      } catch (error) {
        if (error instanceof Refused && error.status !== 409) complain({ message: error.message, cure: error.cure });
      }
    },
    [arrange, complain, picking, view.document.statements],
  );
}
