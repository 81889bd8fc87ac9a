import { useEffect, useMemo } from "react";
import { useThree } from "@react-three/fiber";
import { BufferAttribute, BufferGeometry, DoubleSide } from "three";

export const FORCES = ["N", "V2", "V3", "T", "M2", "M3"] as const;
export type Force = (typeof FORCES)[number];
/** Across which principal axis each force is drawn: shear and bending in the plane in which they act. */
const ACROSS: Record<Force, 0 | 1> = { N: 0, V2: 0, M3: 0, T: 0, V3: 1, M2: 1 };
const STEPS = 4;

export interface DiagramArrays {
  at: Float32Array;
  moved: Float32Array;
  axes: Float32Array;
  values: Float32Array;
}

export interface Drawn {
  fill: Float32Array;
  line: Float32Array;
  high: { value: number; at: [number, number, number] };
  low: { value: number; at: [number, number, number] };
}

/** Ribbons between the members and the value of a force, the largest of them as long as wanted. */
export function drawn({ at, moved, axes, values }: DiagramArrays, force: Force, factor: number, length: number): Drawn {
  const which = FORCES.indexOf(force);
  const count = values.length / 6;
  let largest = 0;
  for (let i = 0; i < count; i += 1) largest = Math.max(largest, Math.abs(values[i * 6 + which] as number));
  const scale = largest > 0 ? length / largest : 0;
  const base = (i: number) => [0, 1, 2].map((k) => (at[i * 3 + k] as number) + factor * (moved[i * 3 + k] as number)) as [number, number, number];
  const tip = (i: number) => {
    const element = Math.floor(i / (STEPS + 1));
    const b = base(i);
    return b.map((c, k) => c + scale * (values[i * 6 + which] as number) * (axes[(element * 2 + ACROSS[force]) * 3 + k] as number)) as [number, number, number];
  };
  const [fill, line]: [number[], number[]] = [[], []];
  let [high, low] = [{ value: -Infinity, at: [0, 0, 0] as [number, number, number] }, { value: Infinity, at: [0, 0, 0] as [number, number, number] }];
  for (let i = 0; i < count; i += 1) {
    const value = values[i * 6 + which] as number;
    if (value > high.value) high = { value, at: tip(i) };
    if (value < low.value) low = { value, at: tip(i) };
    const step = i % (STEPS + 1);
    if (step === 0) line.push(...base(i), ...tip(i));
    if (step === STEPS) {
      line.push(...base(i), ...tip(i));
      continue;
    }
    fill.push(...base(i), ...base(i + 1), ...tip(i), ...base(i + 1), ...tip(i + 1), ...tip(i));
    line.push(...tip(i), ...tip(i + 1));
  }
  return { fill: new Float32Array(fill), line: new Float32Array(line), high, low };
}

const geometry = (points: Float32Array) => {
  const made = new BufferGeometry();
  made.setAttribute("position", new BufferAttribute(points, 3));
  return made;
};

/** The course of a force along all members. */
export function Diagram({ shape }: { shape: Drawn }) {
  const { invalidate } = useThree();
  const [fill, line] = useMemo(() => [geometry(shape.fill), geometry(shape.line)], [shape]);
  useEffect(() => {
    invalidate();
    return () => {
      fill.dispose();
      line.dispose();
    };
  }, [fill, line, invalidate]);
  return (
    <>
      <mesh geometry={fill} raycast={() => null} renderOrder={4}>
        <meshBasicMaterial color="#e6a23c" transparent opacity={0.38} side={DoubleSide} depthWrite={false} />
      </mesh>
      <lineSegments geometry={line} raycast={() => null} renderOrder={5}>
        <lineBasicMaterial color="#7a4a12" />
      </lineSegments>
    </>
  );
}
