import { Plus, X } from "lucide-react";
import type { Placement } from "../../api/model";
import { useDesk } from "../../workspace/desk";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { useBodyNames } from "../useStatement";
import { setOrDrop } from "../../ui/assign";

/** One body by its name; or pick it in the model window. */
export function BodyChip({ id, value, onChoose, label = "body" }: { id: string; value: string; onChoose: (name: string) => void; label?: string }) {
  const { picking, set } = useDesk();
  const names = useBodyNames();
  const known = names.includes(value);
  return (
    <>
      <ChoiceChip label={label} value={value} missing={!known} options={names.map((n) => [n, n] as const)} onChoose={onChoose} />
      {!known && (
        <button className={`ml-0.5 rounded px-1 font-sans text-[11.5px] ${picking === id ? "bg-amber text-slate" : "text-faint hover:bg-glow"}`} onClick={() => set(picking === id ? { picking: null } : { picking: id, pickField: "target", pickKind: "bodies", look: "shape", paper: false })}>
          {picking === id ? "click a body…" : "pick"}
        </button>
      )}
    </>
  );
}

/** Several bodies by name. */
export function BodyList({ names, onChange, label }: { names: string[]; onChange: (names: string[]) => void; label: string }) {
  const known = useBodyNames();
  const free = known.filter((n) => !names.includes(n));
  return (
    <>
      {names.map((name, i) => (
        <span key={`${name} ${i}`} className={`mr-1 inline-flex items-center rounded border px-1 font-mono text-[11.5px] leading-[17px] ${known.includes(name) ? "border-[#8cbfae] bg-spruce-pale" : "border-amber bg-[#fff3d6]"}`}>
          {name || "none"}
          <button aria-label={`Remove ${name}`} className="ml-0.5 text-faint hover:text-vermilion" onClick={() => onChange(names.filter((_, k) => k !== i))}>
            <X className="size-3" />
          </button>
        </span>
      ))}
      <ChoiceChip label={label} value="" options={free.map((n) => [n, n] as const)} onChoose={(name) => onChange([...names.filter(Boolean), name])}>
        <Plus className="inline size-3" />
      </ChoiceChip>
    </>
  );
}

const PLANES = [
  ["xy", "the xy plane"],
  ["yz", "the yz plane"],
  ["xz", "the xz plane"],
] as const;

/** Where an outline is placed in space. */
export function PlacementWords({ value, onChange }: { value: Placement | undefined; onChange: (apply: (placement: Placement) => void) => Promise<void> }) {
  const place = value ?? { plane: "xy" as const };
  const put = (key: "x" | "y" | "z" | "turn") => (v: string) =>
    onChange((p) => setOrDrop(p, key, v));
  // What is not set is only offered while the statement is worked on.
  const quiet = (text: string | undefined) => (text ? "" : "when-open");
  return (
    <>
      on <ChoiceChip label="plane" value={place.plane} options={PLANES} onChoose={(v) => void onChange((p) => (p.plane = v))} />
      <span className={quiet(place.x ?? place.y ?? place.z)}>
        {" "}
        at{" "}
        {(["x", "y", "z"] as const).map((axis) => (
          <span key={axis}>
            <TextChip label={`origin ${axis}`} value={place[axis] ?? ""} placeholder={`${axis} 0`} optional onCommit={put(axis)} />{" "}
          </span>
        ))}
      </span>
      <span className={quiet(place.turn)}>
        {" "}
        turned <TextChip label="turn" value={place.turn ?? ""} placeholder="0°" optional onCommit={put("turn")} />
      </span>
    </>
  );
}

/** The placement of a statement, made when it is first changed. */
export function placed<S extends { on?: Placement }>(edit: (apply: (s: S) => void) => Promise<void>) {
  return (apply: (placement: Placement) => void) =>
    edit((s) => {
      s.on ??= { plane: "xy" };
      apply(s.on);
    });
}

/** Three values along x, y and z. */
export function Spot<T extends Record<"x" | "y" | "z", string>>({ label, value, onPut }: { label: string; value: T; onPut: (axis: "x" | "y" | "z", text: string) => Promise<void> }) {
  return (["x", "y", "z"] as const).map((axis, i) => (
    <span key={axis}>
      {i > 0 && ", "}
      <TextChip label={`${label} ${axis}`} value={value[axis]} onCommit={(v) => onPut(axis, v)} />
    </span>
  ));
}

/** Outlines and lines of the note that a statement may be made from. */
export function FigureChip({ value, kinds, label, onChoose }: { value: string; kinds: readonly ("outline" | "line")[]; label: string; onChoose: (name: string) => void }) {
  const { view } = useNote();
  const names = view.document.statements.flatMap((s) => ((s.kind === "outline" || s.kind === "line") && kinds.includes(s.kind) ? [s.name] : []));
  return <ChoiceChip label={label} value={value} missing={!names.includes(value)} options={names.map((n) => [n, n] as const)} onChoose={onChoose} />;
}
