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
  const ends = ([["greatest of all stages", strip.greatest], ["least of all stages", strip.least]] as const).map(([words, cuts]) => ({ name: words, y: (cuts ?? []).map((cut) => shown.number(cut[Number(kind)] ?? 0, dimension)), flat: true }));
  const peak = strip.peaks?.[Number(kind)];
  return (
    <div className="min-w-[330px] flex-1" data-strip>
      <p className="text-[12px]">
        <ChoiceChip label="kind of force" value={kind} options={KINDS} onChoose={setKind} /> along <ChoiceChip label="strip" value={strip.name} options={strips.map((s) => [s.name, s.name] as const)} onChoose={setName} />, from {strip.upto[1] - strip.from[1] > Math.abs(strip.upto[0] - strip.from[0]) ? "its foot" : "its left end"}
        {peak && (
          <>
            : at most <b className="font-semibold">{shown.text(peak.value, dimension)}</b> in {peak.stage}
          </>
        )}
      </p>
      <Graph x={strip.along.map((v) => shown.number(v, "length"))} curves={[...(chosen.length ? chosen : all.slice(-1)), ...ends]} xWords={`along ${strip.name}, ${shown.unit("length")}`} yWords={`${KINDS.find(([k]) => k === kind)?.[1]}, ${shown.unit(dimension)}`} label={`forces along ${strip.name}`} />
    </div>
  );
}
