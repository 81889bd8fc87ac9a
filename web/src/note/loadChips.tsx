import type { Of } from "../api/types";
import { ChoiceChip, PanelChip, TextChip } from "./chips";
import { useNote } from "./context";

/** How large a load is. */
export function Value({ statement }: { statement: Of<"force"> | Of<"pressure"> | Of<"gravity"> | Of<"line_load"> | Of<"moment"> }) {
  const { change } = useNote();
  return <TextChip label={statement.kind.replace("_", " ")} value={statement.value} onCommit={(v) => change(statement.id, (s) => "value" in s && (s.value = v))} />;
}

const AXES = ["+x", "-x", "+y", "-y", "+z", "-z"] as const;

/** The way a load acts: along an axis, or by components. */
export function Direction({ statement }: { statement: Of<"force"> | Of<"gravity"> | Of<"line_load"> | Of<"moment"> | Of<"spin"> }) {
  const { view, change } = useNote();
  const direction = statement.direction;
  const text = typeof direction === "string" ? direction.replace("-", "−") : `(${direction.join(", ")})`;
  const put = (value: typeof direction) => change(statement.id, (s) => "direction" in s && (s.direction = value));
  const axes = view.shape.dimension === 2 ? AXES.slice(0, 4) : AXES;
  return (
    <PanelChip label="direction" text={text} width="w-56">
      {(close) => (
        <>
          <div className="mb-2 grid grid-cols-2 gap-1">
            {axes.map((axis) => (
              <button
                key={axis}
                className={`rounded border border-rule py-1 font-mono hover:bg-glow ${axis === direction ? "bg-glow font-semibold" : ""}`}
                onClick={() => {
                  close();
                  void put(axis);
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
                void put(parts as [number, number, number]);
              }}
              onInput={(event) => event.currentTarget.setCustomValidity("")}
            />
          </label>
        </>
      )}
    </PanelChip>
  );
}

type InCase = Of<"spin"> | Of<"moment"> | Of<"temperature"> | Of<"line_load"> | Of<"force"> | Of<"pressure"> | Of<"gravity"> | Of<"displacement">;

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
