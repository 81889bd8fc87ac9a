import type { ReactNode } from "react";
import type { Axis, How } from "../api/results";
import { ChoiceChip, TextChip } from "../note/chips";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { digits } from "../ui/units";
import { CutOpen } from "./CutOpen";
import type { Clip } from "./fieldMaterial";
import { ToggleButton } from "./ToggleButton";

const HOWS: readonly (readonly [How, string])[] = [
  ["averaged", "averaged at nodes"],
  ["unaveraged", "as each element has it"],
  ["element", "one value an element"],
];
const AXES = ["x", "y", "z"] as const;

/** How the field is read: averaged or not, along which axes, in bands, on a plane through the inside. */
export function ReadingBar({ byElement, clip, children }: { byElement: boolean; clip: Clip | null; children: ReactNode }) {
  const { shown } = useNote();
  const { how, around, banded, ghost, hidden, set } = useDesk();
  return (
    <div className="flex flex-wrap items-center gap-2 text-[12px]" role="toolbar" aria-label="How the field is read">
      {byElement && (
        <>
          <ChoiceChip label="averaging" value={how} options={HOWS} onChoose={(v) => set({ how: v })} />
          <ChoiceChip
            label="axes"
            value={around?.axis ?? ""}
            options={[["", "along x, y, z"], ...AXES.map((a) => [a, `around ${a}`] as const)] as readonly (readonly [Axis | "", string])[]}
            onChoose={(v) => set({ around: v ? { axis: v, through: around?.through ?? [0, 0, 0] } : null })}
          />
          {around && (
            <>
              through <Through />
            </>
          )}
        </>
      )}
      <ToggleButton pressed={banded} onClick={() => set({ banded: !banded })}>
        bands
      </ToggleButton>
      <ToggleButton pressed={ghost} onClick={() => set({ ghost: !ghost })} title="Edges where nothing has moved">
        at rest
      </ToggleButton>
      <CutOpen label="Where the part is cut open" title="The field inside, on a plane" step={0.01}>
        {clip && (
          <span className="font-mono">
            {digits(shown.number(clip.at, "length"))} {shown.unit("length")}
          </span>
        )}
      </CutOpen>
      {hidden.length > 0 && (
        <button className="rounded px-1.5 text-amber-ink underline" onClick={() => set({ hidden: [] })}>
          {hidden.length} hidden; show all
        </button>
      )}
      {children}
    </div>
  );
}

/** A point on the axis, in display units: three numbers. */
function Through() {
  const { shown } = useNote();
  const { around, set } = useDesk();
  if (!around) return null;
  const [zero, one] = [shown.number(0, "length"), shown.number(1, "length")];
  async function put(text: string) {
    const found = text.replace(/[^\d.,;eE+\-− ]/g, "").replaceAll("−", "-").split(/[;\s]+|,\s+/).filter(Boolean).map((t) => Number(t.replace(",", ".")));
    if (!around || found.length !== 3 || !found.every((v) => Number.isFinite(v))) throw new Error(`“${text}” is not three lengths in ${shown.unit("length")}, such as 0; 0; 0`);
    set({ around: { ...around, through: found.map((v) => (v - zero) / (one - zero)) as [number, number, number] } });
    await Promise.resolve();
  }
  return (
    <>
      <TextChip label="through" value={around.through.map((v) => digits(shown.number(v, "length"))).join("; ")} onCommit={put} /> {shown.unit("length")}
    </>
  );
}
