import { useDesk } from "../workspace/desk";

/** How far the parts are drawn apart. */
export function ApartSlider() {
  const { apart, set } = useDesk();
  return (
    <label className="ml-1 flex items-center gap-1 text-faint" title="Draw the parts apart">
      apart
      <input type="range" aria-label="Draw the parts apart" className="w-20 accent-slate" min={0} max={1} step={0.02} value={apart} onChange={(event) => set({ apart: Number(event.target.value) })} />
    </label>
  );
}
