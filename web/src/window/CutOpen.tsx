import type { ReactNode } from "react";
import { FlipHorizontal2, Scissors } from "lucide-react";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { ToggleButton } from "./ToggleButton";

/** Cuts what is shown open with a plane across an axis. */
export function CutOpen({ label, title, step, children }: { label: string; title?: string | undefined; step: number; children?: ReactNode }) {
  const { view } = useNote();
  const { clip, up, set } = useDesk();
  // What lies open is to face whoever looks at it first.
  const turned = (axis: "x" | "y" | "z") => axis === "y" && (up ?? view.shape.up) === "z";
  return (
    <>
      <ToggleButton pressed={clip !== null} title={title} onClick={() => set({ clip: clip ? null : { axis: "x", at: 0.5, turned: false } })}>
        <Scissors className="mr-1 inline size-3.5" />
        cut open
      </ToggleButton>
      {clip && (
        <>
          {(["x", "y", "z"] as const).map((axis) => (
            <ToggleButton key={axis} pressed={clip.axis === axis} onClick={() => set({ clip: { ...clip, axis, turned: turned(axis) } })}>
              {axis}
            </ToggleButton>
          ))}
          <input type="range" aria-label={label} className="w-28 accent-slate" min={0} max={1} step={step} value={clip.at} onChange={(event) => set({ clip: { ...clip, at: Number(event.target.value) } })} />
          {children}
          <button className="grid size-6 place-items-center rounded hover:bg-glow" aria-label="Show the other side" title="Show the other side" onClick={() => set({ clip: { ...clip, turned: !clip.turned } })}>
            <FlipHorizontal2 className="size-3.5" />
          </button>
        </>
      )}
    </>
  );
}
