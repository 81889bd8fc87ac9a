import type { ReactNode } from "react";
import { Anchor, Blend, BoxSelect, Eye, EyeOff, FlipHorizontal2, Layers, Palette, Scissors, SquareDashed } from "lucide-react";
import type { PlaceKind } from "../api/types";
import { useNote } from "../note/context";
import { ApartSlider } from "./ApartSlider";
import { useDesk } from "../workspace/desk";

const KINDS: readonly (readonly [PlaceKind, string])[] = [
  ["bodies", "body"],
  ["faces", "face"],
  ["edges", "edge"],
  ["points", "point"],
];

function Tool({ label, pressed, disabled, onClick, children }: { label: string; pressed?: boolean; disabled?: boolean; onClick: () => void; children: ReactNode }) {
  return (
    <button className={`grid size-6 place-items-center rounded disabled:opacity-35 ${pressed ? "bg-slate text-white" : "hover:bg-glow"}`} aria-label={label} title={label} aria-pressed={pressed} disabled={disabled} onClick={onClick}>
      {children}
    </button>
  );
}

/** What a click takes, and what is seen of the bodies. */
export function SeeingBar() {
  const { view } = useNote();
  const { pickKind, chosen, hidden, clear, clip, through, boxing, glyphs, colours, set } = useDesk();
  const bodies = [...new Set(chosen.map(([body]) => body))];
  const icon = "size-3.5";
  return (
    <div role="toolbar" aria-label="Picking and seeing" className="card absolute bottom-3 left-4 flex items-center gap-1 px-1.5 py-1 text-[12px]">
      <span className="flex overflow-hidden rounded border border-rule" role="group" aria-label="A click takes a">
        {KINDS.map(([kind, text]) => (
          <button key={kind} aria-pressed={pickKind === kind} className={`px-1.5 py-0.5 ${pickKind === kind ? "bg-slate text-white" : "bg-paper hover:bg-glow"}`} onClick={() => set({ pickKind: kind, chosen: [] })}>
            {text}
          </button>
        ))}
      </span>
      <Tool label="Pick with a box" pressed={boxing} onClick={() => set({ boxing: !boxing })}>
        <BoxSelect className={icon} />
      </Tool>
      <Tool label="Pick through: also what lies behind" pressed={through} onClick={() => set({ through: !through })}>
        <Layers className={icon} />
      </Tool>
      <i className="mx-0.5 h-4 w-px bg-rule" />
      <Tool label="Hide the chosen bodies (H)" disabled={bodies.length === 0} onClick={() => set({ hidden: [...new Set([...hidden, ...bodies])], chosen: [] })}>
        <EyeOff className={icon} />
      </Tool>
      <Tool label="Leave only the chosen bodies (I)" disabled={bodies.length === 0} onClick={() => set({ hidden: view.shape.bodies.map((b) => b.name).filter((name) => !bodies.includes(name)) })}>
        <SquareDashed className={icon} />
      </Tool>
      <Tool label="Show all bodies (A)" disabled={hidden.length === 0} onClick={() => set({ hidden: [] })}>
        <Eye className={icon} />
      </Tool>
      <Tool label="See through the bodies" pressed={clear} onClick={() => set({ clear: !clear })}>
        <Blend className={icon} />
      </Tool>
      <Tool label="Cut open with a plane" pressed={clip !== null} onClick={() => set({ clip: clip ? null : { axis: "x", at: 0.5, turned: false } })}>
        <Scissors className={icon} />
      </Tool>
      {clip && (
        <>
          {(["x", "y", "z"] as const).map((axis) => (
            <button key={axis} aria-pressed={clip.axis === axis} className={`rounded px-1 ${clip.axis === axis ? "bg-slate text-white" : "hover:bg-glow"}`} onClick={() => set({ clip: { ...clip, axis } })}>
              {axis}
            </button>
          ))}
          <input type="range" aria-label="Where the plane cuts" className="w-24 accent-slate" min={0} max={1} step={0.005} value={clip.at} onChange={(event) => set({ clip: { ...clip, at: Number(event.target.value) } })} />
          <Tool label="Show the other side" onClick={() => set({ clip: { ...clip, turned: !clip.turned } })}>
            <FlipHorizontal2 className={icon} />
          </Tool>
        </>
      )}
      <i className="mx-0.5 h-4 w-px bg-rule" />
      <Tool label="Supports and loads (G)" pressed={glyphs} onClick={() => set({ glyphs: !glyphs })}>
        <Anchor className={icon} />
      </Tool>
      <Tool label={colours === "" ? "Colour by material" : colours === "material" ? "Colour by section" : "Plain colours"} pressed={colours !== ""} onClick={() => set({ colours: colours === "" ? "material" : colours === "material" ? "section" : "" })}>
        <Palette className={icon} />
      </Tool>
      {view.shape.bodies.length > 1 && <ApartSlider />}
    </div>
  );
}
