import { useEffect, type RefObject } from "react";
import { useFrame, useThree, type RootState } from "@react-three/fiber";
import type { Arrays } from "../api/client";
import type { FieldMeta, SkinMeta } from "../api/results";
import { useDesk, type Probe } from "../workspace/desk";
import { putOver, Spot } from "./Mark";

/** What a field is at a probe, in whichever way it is read. */
export function valueAt(probe: Probe, found: Arrays<FieldMeta>, field: string, skin: Arrays<SkinMeta>): number | undefined {
  const values = found.arrays[field] as Float32Array | undefined;
  const point = (skin.arrays.triangles as Int32Array)[probe.corner];
  if (!values || point === undefined) return undefined;
  return found.meta.corners ? values[probe.corner] : values[point];
}

/** Labels that stay where they were put, and tell the field that is shown. */
export function useProbes(mesh: string | null) {
  const { probes, set } = useDesk();
  const mine = probes.filter((p) => p.mesh === mesh);
  const put = (corner: number, at: [number, number, number]) => {
    if (!mesh || mine.some((p) => p.corner === corner)) return;
    const number = Math.max(0, ...probes.map((p) => p.number)) + 1;
    set({ probes: [...probes, { mesh, corner, at, number }] });
  };
  return { probes: mine, put, drop: (probe: Probe) => set({ probes: probes.filter((p) => p !== probe) }) };
}

/** In the scene: keeps the labels of a box over their places, in the same order. */
export function ProbeMarks({ places, box }: { places: [number, number, number][]; box: RefObject<HTMLElement | null> }) {
  const seen = useThree();
  const put = ({ camera, size }: Pick<RootState, "camera" | "size">) => places.forEach((at, i) => putOver(box.current?.children[i] as HTMLElement | undefined, at, camera, size));
  // A label that comes needs no new drawing of the part.
  useEffect(() => put(seen));
  useFrame(put);
  return null;
}

/** Over the scene: the labels themselves; a click takes one away. */
export function ProbeLabels({ probes, texts, box, onDrop }: { probes: Probe[]; texts: string[]; box: RefObject<HTMLDivElement | null>; onDrop: (probe: Probe) => void }) {
  return (
    <div ref={box} data-testid="probes">
      {probes.map((p, i) => (
        <Spot key={p.number} text={`${p.number} · ${texts[i] ?? ""}`} tone="bg-paper text-ink" onDrop={() => onDrop(p)} />
      ))}
    </div>
  );
}
