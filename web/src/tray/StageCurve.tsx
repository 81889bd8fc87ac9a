import { useState } from "react";
import type { StagesFinding } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { useNote } from "../note/context";
import { useDesk } from "../workspace/desk";
import { Graph } from "./Graph";

/** What a case is multiplied by over how far the part moves, beside what it would be if all stayed as at first. */
export function StageCurve({ curve }: { curve: NonNullable<StagesFinding["curve"]> }) {
  const { shown } = useNote();
  const { set } = useDesk();
  const names = Object.keys(curve.factors);
  const [chosen, setChosen] = useState("");
  const name = names.includes(chosen) ? chosen : (names[0] ?? "");
  const factors = curve.factors[name];
  if (!factors) return null;
  const ahead = (curve.moved.at(-1) ?? 0) < 0 ? curve.moved.map((v) => -v) : curve.moved;
  const x = ahead.map((v) => shown.number(v, "length"));
  const slope = curve.slopes[name] ?? null;
  const most = Math.max(...factors) * 1.05;
  const linear = slope === null ? null : curve.moved.map((v) => (v * slope > most ? null : v * slope));
  return (
    <div className="min-w-[300px] flex-1">
      {names.length > 1 && (
        <p className="text-[12px]">
          of <ChoiceChip label="case of the curve" value={name} options={names.map((n) => [n, n] as const)} onChoose={setChosen} />
        </p>
      )}
      <Graph x={x} curves={[{ name, y: factors }, ...(linear ? [{ name: "as at first", y: linear, flat: true }] : [])]} xWords={`movement along ${ahead === curve.moved ? "" : "−"}${curve.component} where it is greatest, ${shown.unit("length")}`} yWords={`factor of ${name}`} label="factor over movement" onChoose={(i) => set({ frame: Math.max(i - 1, 0) })} />
    </div>
  );
}
