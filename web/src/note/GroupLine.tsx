import { X } from "lucide-react";
import type { Of, PlaceKind } from "../api/types";
import { useDesk } from "../workspace/desk";
import { ChoiceChip, TextChip } from "./chips";
import { useNote } from "./context";
import { rename } from "./rename";
import { useMembers } from "./TargetChip";

type Group = Of<"group">;
type Rule = "plane" | "bores" | "everything" | "none";

const RULES: readonly (readonly [Rule, string])[] = [
  ["plane", "that lie on"],
  ["bores", "that are bores of ⌀"],
  ["everything", "all there are"],
  ["none", "picked here:"],
];
const KINDS: readonly (readonly [PlaceKind, string])[] = [
  ["faces", "faces"],
  ["edges", "edges"],
  ["points", "points"],
  ["bodies", "bodies"],
];
const AXES = [
  ["x", "x ="],
  ["y", "y ="],
  ["z", "z ="],
] as const;

function ruleOf(group: Group): Rule {
  if (!group.rule) return "none";
  if ("plane" in group.rule) return "plane";
  return "bores" in group.rule ? "bores" : "everything";
}

/** A named target: by rule, by pick, or both. */
export function GroupLine({ statement }: { statement: Group }) {
  const { arrange, change } = useNote();
  const { picking, set } = useDesk();
  const members = useMembers(statement.name);
  const edit = (apply: (s: Group) => void) => change(statement.id, (s) => s.kind === "group" && apply(s));
  const rule = statement.rule;

  function choose(next: Rule) {
    void edit((s) => {
      if (next === "none") delete s.rule;
      else s.rule = next === "plane" ? { plane: { axis: "x", at: "0 mm" } } : next === "bores" ? { bores: { diameter: "10 mm" } } : { everything: true };
    });
  }

  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={(v) => arrange((all) => rename(all, statement.id, v))} /> are the{" "}
      <ChoiceChip label="kind of place" value={statement.of} options={KINDS} onChoose={(v) => void edit((s) => (s.of = v))} />{" "}
      <ChoiceChip label="rule" value={ruleOf(statement)} options={RULES} onChoose={choose} />{" "}
      {rule && "plane" in rule && (
        <>
          <ChoiceChip label="axis" value={rule.plane.axis} options={AXES} onChoose={(v) => void edit((s) => s.rule && "plane" in s.rule && (s.rule.plane.axis = v))} />{" "}
          <TextChip label="position" value={rule.plane.at} onCommit={(v) => edit((s) => s.rule && "plane" in s.rule && (s.rule.plane.at = v))} />
        </>
      )}
      {rule && "bores" in rule && <TextChip label="diameter" value={rule.bores.diameter} onCommit={(v) => edit((s) => s.rule && "bores" in s.rule && (s.rule.bores.diameter = v))} />}
      {statement.pick?.map((pick, i) => (
        <span key={`${pick.body} ${pick.name}`} className="mr-1 inline-flex items-center rounded border border-[#8cbfae] bg-spruce-pale px-1 font-mono text-[11.5px] leading-[17px]">
          {pick.name}
          <button aria-label={`Remove ${pick.name}`} className="ml-0.5 text-faint hover:text-vermilion" onClick={() => void edit((s) => void s.pick?.splice(i, 1))}>
            <X className="size-3" />
          </button>
        </span>
      ))}
      <button
        className={`rounded px-1 font-sans text-[11.5px] ${picking === statement.id ? "bg-amber text-slate" : "text-faint hover:bg-glow hover:text-ink"}`}
        onClick={() => set(picking === statement.id ? { picking: null } : { picking: statement.id, pickKind: statement.of, look: "shape" })}
      >
        {picking === statement.id ? "picking… done" : "+ pick"}
      </button>
      <span className={members.length ? "text-spruce" : "text-amber-ink"}> {members.length || "none"} found</span>
    </>
  );
}
