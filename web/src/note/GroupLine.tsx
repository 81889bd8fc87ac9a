import { X } from "lucide-react";
import type { Of, PlaceKind } from "../api/types";
import { useDesk } from "../workspace/desk";
import { ChoiceChip, TextChip } from "./chips";
import { useNote } from "./context";
import { rename } from "./rename";
import { formOf, fresh, RULES, RuleWords, type Form } from "./RuleWords";
import { useMembers } from "./TargetChip";

type Group = Of<"group">;
const CHOICES = [...RULES, ["none", "picked here:"] as const] as const;
const KINDS: readonly (readonly [PlaceKind, string])[] = [
  ["faces", "faces"],
  ["edges", "edges"],
  ["points", "points"],
  ["bodies", "bodies"],
];
/** A named target: by rule, by pick, or both. */
export function GroupLine({ statement }: { statement: Group }) {
  const { arrange, change } = useNote();
  const { picking, set } = useDesk();
  const members = useMembers(statement.name);
  const edit = (apply: (s: Group) => void) => change(statement.id, (s) => s.kind === "group" && apply(s));
  const rule = statement.rule;

  function choose(next: Form | "none") {
    void edit((s) => {
      if (next === "none") delete s.rule;
      else s.rule = fresh(next);
    });
  }

  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={(v) => arrange((all) => rename(all, statement.id, v))} /> are the{" "}
      <ChoiceChip label="kind of place" value={statement.of} options={KINDS} onChoose={(v) => void edit((s) => (s.of = v))} />{" "}
      <ChoiceChip label="rule" value={rule ? formOf(rule) : "none"} options={CHOICES} onChoose={choose} /> {rule && <RuleWords rule={rule} onChange={(apply) => edit((s) => s.rule && apply(s.rule))} />}
      {statement.pick?.map((pick, i) => (
        <span key={`${pick.body} ${pick.name}`} className="mr-1 inline-flex items-center whitespace-nowrap rounded border border-[#8cbfae] bg-spruce-pale px-1 font-mono text-[11.5px] leading-[17px]">
          {pick.name}
          <button aria-label={`Remove ${pick.name}`} className="ml-0.5 text-faint hover:text-vermilion" onClick={() => void edit((s) => void s.pick?.splice(i, 1))}>
            <X className="size-3" />
          </button>
        </span>
      ))}
      <button
        className={`rounded px-1 font-sans text-[11.5px] ${picking === statement.id ? "bg-amber text-slate" : "text-faint hover:bg-glow hover:text-ink"}`}
        onClick={() => set(picking === statement.id ? { picking: null } : { picking: statement.id, pickField: "target", pickKind: statement.of, look: "shape", paper: false })}
      >
        {picking === statement.id ? "picking… done" : "+ pick"}
      </button>
      <span className={members.length ? "text-spruce" : "text-amber-ink"}> {members.length || "none"} found</span>
    </>
  );
}
