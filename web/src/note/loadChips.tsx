import { X } from "lucide-react";
import type { Of, Statement } from "../api/types";
import { ChoiceChip, PanelChip, TextChip } from "./chips";
import { useNote } from "./context";
import { Spot } from "./shape/parts";
import { origin } from "./template";

/** Statements that have a field. */
type With<K extends string> = Statement extends infer S ? (S extends Statement ? (K extends keyof S ? S : never) : never) : never;
type Pushing = Exclude<With<"value">, Of<"temperature"> | Of<"displacement">>;

/** How large a load is. */
export function Value({ statement }: { statement: Pushing }) {
  const { change } = useNote();
  return <TextChip label={statement.kind.replace("_", " ")} value={statement.value} onCommit={(v) => change(statement.id, (s) => "value" in s && (s.value = v))} />;
}

const AXES = ["+x", "-x", "+y", "-y", "+z", "-z"] as const;

type Directed = Exclude<With<"direction">, Of<"one_way">>;
type Axis = Directed["direction"];

/** The way a load acts: along an axis, or by components. */
export function Direction({ statement, about = false }: { statement: Directed; about?: boolean }) {
  const { change } = useNote();
  return <Way value={statement.direction} label="direction" about={about} onPut={(value) => change(statement.id, (s) => "direction" in s && Object.assign(s, { direction: value }))} />;
}

/** A direction: one of the axes, or three components. What things turn about may leave the plane. */
export function Way({ value: direction, label, about = false, onPut }: { value: Axis; label: string; about?: boolean; onPut: (value: Axis) => Promise<void> }) {
  const { view } = useNote();
  const text = typeof direction === "string" ? direction.replace("-", "−") : `(${direction.join(", ")})`;
  const axes = view.shape.dimension === 2 && !about ? AXES.slice(0, 4) : AXES;
  return (
    <PanelChip label={label} text={text} width="w-56">
      {(close) => (
        <>
          <div className="mb-2 grid grid-cols-2 gap-1">
            {axes.map((axis) => (
              <button
                key={axis}
                className={`rounded border border-rule py-1 font-mono hover:bg-glow ${axis === direction ? "bg-glow font-semibold" : ""}`}
                onClick={() => {
                  close();
                  void onPut(axis);
                }}
              >
                {axis.replace("-", "−")}
              </button>
            ))}
          </div>
          <label className="text-[12px] text-faint">
            or components, such as 1, 0, −0.5
            <input
              className="field mt-1 w-full"
              onKeyDown={(event) => {
                if (event.key !== "Enter") return;
                const parts = event.currentTarget.value.replaceAll("−", "-").split(/[,;\s]+/).map(Number);
                if (parts.length !== 3 || parts.some((p) => !Number.isFinite(p))) return event.currentTarget.setCustomValidity("Three numbers are wanted."), void event.currentTarget.reportValidity();
                close();
                void onPut(parts as [number, number, number]);
              }}
              onInput={(event) => event.currentTarget.setCustomValidity("")}
            />
          </label>
        </>
      )}
    </PanelChip>
  );
}

type InCase = With<"case">;

/** The load case, once there are several. */
export function CaseChip({ statement }: { statement: InCase }) {
  const { view, change } = useNote();
  const cases = view.document.statements.flatMap((s) => (s.kind === "case" && !s.off ? [[s.name, s.name] as const] : []));
  const value = statement.case ?? "";
  if (cases.length === 0 && !value) return null;
  return (
    <>
      {", in case "}
      <ChoiceChip
        label="case"
        value={value}
        options={[["", "without a name"], ...cases] as readonly (readonly [string, string])[]}
        missing={value !== "" && !cases.some(([n]) => n === value)}
        onChoose={(v) => void change(statement.id, (s) => Object.assign(s, { case: v || undefined }))}
      />
    </>
  );
}

/** A point that an axis goes through. */
export function Through({ statement, otherwise }: { statement: Of<"spin"> | Of<"rotation">; otherwise: string }) {
  const { view, change } = useNote();
  const put = (through: typeof statement.through) => change(statement.id, (s) => (s.kind === "spin" || s.kind === "rotation") && Object.assign(s, { through }));
  const at = statement.through;
  if (!at)
    return (
      <>
        {" through "}
        <button data-chip="choice" aria-label={`through: ${otherwise}`} className="chip" onClick={() => void put({ ...origin(view), z: origin(view).x })}>
          {otherwise}
        </button>
      </>
    );
  return (
    <>
      {" through "}
      <Spot label="through" value={at} onPut={(axis, text) => put({ ...at, [axis]: text })} />
      <button aria-label={`Back to ${otherwise}`} className="ml-0.5 text-faint hover:text-vermilion" onClick={() => void put(undefined)}>
        <X className="inline size-3" />
      </button>
    </>
  );
}
