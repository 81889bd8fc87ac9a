import { useEffect, useMemo } from "react";
import { useThree, type ThreeEvent } from "@react-three/fiber";
import { BufferAttribute, BufferGeometry, Vector2 } from "three";
import type { Arrays } from "../api/client";
import { fieldMaterial } from "./fieldMaterial";
import { QUALITY_STOPS } from "./palette";

export interface PointedElement {
  number: number;
  value: number;
}

interface Props {
  elements: Arrays<{ count: number; of: number }>;
  /** Values at the bad and the good end of the colours. */
  bad: number;
  good: number;
  onPoint: (pointed: PointedElement | null) => void;
}

/** Whole elements, each in the colour of its quality, and the edges of the shape in ink. */
export function ElementsScene({ elements, bad, good, onPoint }: Props) {
  const { invalidate } = useThree();
  const arrays = elements.arrays;
  const values = arrays.values as Float32Array | undefined;
  const surface = useMemo(() => drawn(arrays.positions as Float32Array | undefined, arrays.triangles as Int32Array | undefined, values), [arrays, values]);
  const sides = useMemo(() => drawn(arrays.positions as Float32Array | undefined, arrays.sides as Int32Array | undefined), [arrays]);
  const ink = useMemo(() => drawn(arrays.ink as Float32Array, arrays.lines as Int32Array), [arrays]);
  const material = useMemo(() => fieldMaterial(bad < good ? QUALITY_STOPS : [...QUALITY_STOPS].reverse()), [bad, good]);

  useEffect(() => {
    const { range, limit } = material.uniforms;
    if (range) (range.value as Vector2).set(Math.min(bad, good), Math.max(bad, good));
    if (limit) limit.value = 1e30;
    invalidate();
  }, [material, bad, good, surface, invalidate]);

  function point(event: ThreeEvent<PointerEvent>) {
    const corner = event.face?.a;
    if (corner === undefined || !values) return;
    onPoint({ number: (arrays.elements as Int32Array)[corner] ?? 0, value: values[corner] ?? 0 });
  }

  return (
    <>
      <mesh geometry={surface} material={material} onPointerMove={point} onPointerOut={() => onPoint(null)} />
      <lineSegments geometry={sides}>
        <lineBasicMaterial color="#22313b" transparent opacity={0.45} />
      </lineSegments>
      <lineSegments geometry={ink}>
        <lineBasicMaterial color="#22313b" transparent opacity={0.8} />
      </lineSegments>
    </>
  );
}

function drawn(positions: Float32Array | undefined, index: Int32Array | undefined, values?: Float32Array): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(positions ?? new Float32Array(), 3));
  if (values) geometry.setAttribute("value", new BufferAttribute(values, 1));
  geometry.setIndex(new BufferAttribute(new Uint32Array(index ?? []), 1));
  geometry.computeBoundingSphere();
  return geometry;
}
