import type { PlaceKey, PlaceKind, Statement } from "../api/types";
import { Refused } from "../api/client";
import { useDesk } from "../workspace/desk";
import { PanelChip } from "./chips";
import { useNote } from "./context";

/** Places that a target's name stands for. */
export function useMembers(target: string): PlaceKey[] {
  const { view } = useNote();
  if (target === "everything") return view.shape.bodies.map((b) => [b.name, b.name]);
  if (view.document.statements.some((s) => s.kind === "point" && s.name === target && !s.off)) return [[target, "point"]];
  return view.groups[target] ?? (view.shape.bodies.some((b) => b.name === target) ? [[target, target]] : []);
}

interface TargetChipProps {
  statement: Statement & { target: string };
  kinds: PlaceKind[];
  /** The other region of a joint. */
  field?: "target" | "to";
}

const named = (s: Statement, field: "target" | "to"): string => (field === "to" ? ("to" in s && typeof s.to === "string" ? s.to : "") : "target" in s ? (s.target ?? "") : "");

/** The target of a statement: choose a group or body, or pick places in the model window. */
export function TargetChip({ statement, kinds, field = "target" }: TargetChipProps) {
  const { view, change } = useNote();
  const { picking, pickField, pickKind, complain, set } = useDesk();
  const value = named(statement, field);
  const open = picking === statement.id && pickField === field;
  const bodiesOnly = kinds.length === 1 && kinds[0] === "bodies";
  const groups = view.document.statements.filter((s) => s.kind === "group" && kinds.includes(s.of as PlaceKind));
  const names = [
    ...(bodiesOnly ? ["everything"] : []),
    ...(kinds.includes("bodies") ? view.shape.bodies.map((b) => b.name) : []),
    ...(kinds.includes("points") ? view.document.statements.flatMap((s) => (s.kind === "point" && !s.off ? [s.name] : [])) : []),
    ...groups.map((g) => (g.kind === "group" ? g.name : "")),
  ];
  const known = useMembers(value).length > 0;
  const pickable = kinds.filter((k) => k !== "bodies");

  function show(next: boolean) {
    if (!next) return set({ picking: null });
    const flat = view.shape.dimension === 2;
    const preferred: PlaceKind = flat ? "edges" : "faces";
    set({ picking: statement.id, pickField: field, pickKind: pickable.includes(preferred) ? preferred : (pickable[0] ?? "faces"), ...(pickable.length ? { look: "shape", paper: false } : {}) });
  }

  return (
    <PanelChip label={field === "to" ? "other region" : "target"} text={value || "pick a place"} className={known ? "chip-target" : "chip-missing"} open={open} onOpenChange={show} sticky={pickable.length > 0}>
      {() => (
        <div className="space-y-1">
          {pickable.length > 0 && (
            <div className="rounded bg-glow px-2 py-1.5 text-[12px]">
              Click in the model window to pick
              <span className="ml-1 inline-flex overflow-hidden rounded border border-rule">
                {pickable.map((kind) => (
                  <button key={kind} aria-pressed={pickKind === kind} className={`px-1.5 ${pickKind === kind ? "bg-slate text-white" : "bg-paper"}`} onClick={() => set({ pickKind: kind })}>
                    {kind}
                  </button>
                ))}
              </span>
            </div>
          )}
          {names.map((name) => (
            <button
              key={name}
              className={`block w-full rounded px-2 py-1 text-left hover:bg-glow ${name === value ? "font-semibold" : ""}`}
              onClick={() => {
                set({ picking: null });
                change(statement.id, (s) => {
                  Object.assign(s, { [field]: name });
                }).catch((error: unknown) => error instanceof Refused && error.status !== 409 && complain({ message: error.message, cure: error.cure }));
              }}
            >
              {name}
            </button>
          ))}
          {pickable.length > 0 && (
            <button className="button mt-1 w-full justify-center" onClick={() => set({ picking: null })}>
              Done
            </button>
          )}
        </div>
      )}
    </PanelChip>
  );
}
