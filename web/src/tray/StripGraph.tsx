import { useState } from "react";
import type { StagesFinding } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { useNote } from "../note/context";
import { Graph } from "./Graph";

const KINDS = [
  ["2", "bending moment"],
  ["1", "shear force"],
  ["0", "axial force"],
] as const;

/** Forces along a wall or a slab, stage by stage, and their envelope. */
export function StripGraph({ found, stage }: { found: StagesFinding; stage: string | undefined }) {
  const { shown } = useNote();
  const [name, setName] = useState("");
  const [kind, setKind] = useState<"0" | "1" | "2">("2");
  const { strips = [] } = found;
  const strip = strips.find((s) => s.name === name) ?? strips[0];
  if (!strip) return null;
  const dimension = kind === "2" ? "moment" : "force";
  const all = found.rows.flatMap((r) => {
    const own = r.strips?.[strip.name];
    return own ? [{ name: r.name, y: own.map((v) => shown.number(v[Number(kind)] ?? 0, dimension)) }] : [];
  });
  const chosen = all.filter((c) => c.name === stage);
  const ends = [Math.max, Math.min].map((pick, i) => ({ name: i === 0 ? "greatest of all stages" : "least of all stages", y: strip.along.map((_, k) => pick(...all.map((c) => c.y[k] ?? 0))), flat: true }));
  const peak = all.flatMap((c) => c.y.map((v) => ({ v, stage: c.name }))).reduce((best, one) => (Math.abs(one.v) > Math.abs(best.v) ? one : best), { v: 0, stage: "" });
  return (
    <div className="min-w-[330px] flex-1" data-strip>
      <p className="text-[12px]">
        <ChoiceChip label="kind of force" value={kind} options={KINDS} onChoose={setKind} /> along <ChoiceChip label="strip" value={strip.name} options={strips.map((s) => [s.name, s.name] as const)} onChoose={setName} />, from {strip.upto[1] - strip.from[1] > Math.abs(strip.upto[0] - strip.from[0]) ? "its foot" : "its left end"}: at most{" "}
        <b className="font-semibold">{shown.text(all.length ? peak.v / (shown.number(1, dimension) || 1) : 0, dimension)}</b> in {peak.stage}
      </p>
      <Graph x={strip.along.map((v) => shown.number(v, "length"))} curves={[...(chosen.length ? chosen : all.slice(-1)), ...ends]} xWords={`along ${strip.name}, ${shown.unit("length")}`} yWords={`${KINDS.find(([k]) => k === kind)?.[1]}, ${shown.unit(dimension)}`} label={`forces along ${strip.name}`} />
    </div>
  );
}
