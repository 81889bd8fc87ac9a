import { useEffect, useMemo } from "react";
import { useFrame, useThree, type ThreeEvent } from "@react-three/fiber";
import { BufferAttribute, BufferGeometry, Vector2 } from "three";
import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/hooks";
import { fieldMaterial } from "./fieldMaterial";

export interface Pointed {
  node: number;
  at: [number, number, number];
}

interface Props {
  skin: Arrays<SkinMeta>;
  /** [k] at the nodes of the skin. */
  values: Float32Array;
  stops: readonly [number, number, number][];
  low: number;
  high: number;
  limit: number | null;
  /** [k * 3], and by how much it is drawn. */
  displacement?: Float32Array;
  exaggeration?: number;
  animated?: boolean;
  /** [k] 1 where it is not to be read. */
  veiled?: Float32Array;
  /** Draw the sides of elements, or only the edges of the shape. */
  sides: boolean;
  onPoint: (pointed: Pointed | null) => void;
}

/** A meshed skin coloured by a field, deformed as much as wanted. */
export function MeshScene({ skin, values, stops, low, high, limit, displacement, exaggeration = 0, animated = false, veiled, sides, onPoint }: Props) {
  const { invalidate } = useThree();
  const rest = skin.arrays.positions as Float32Array;
  const position = useMemo(() => new BufferAttribute(new Float32Array(rest), 3), [rest]);
  const surface = useMemo(() => indexed(position, skin.arrays.triangles as Int32Array), [position, skin]);
  const ink = useMemo(() => indexed(position, (sides ? skin.arrays.sides : skin.arrays.lines) as Int32Array), [position, skin, sides]);
  const material = useMemo(() => fieldMaterial(stops), [stops]);

  useEffect(() => {
    surface.setAttribute("value", new BufferAttribute(values, 1));
    if (veiled) surface.setAttribute("veiled", new BufferAttribute(veiled, 1));
    invalidate();
  }, [surface, values, veiled, invalidate]);

  useEffect(() => {
    const { range, limit: bound } = material.uniforms;
    if (range) (range.value as Vector2).set(low, high);
    if (bound) bound.value = limit ?? 1e30;
    invalidate();
  }, [material, low, high, limit, invalidate]);

  const place = useMemo(
    () => (factor: number) => {
      const array = position.array as Float32Array;
      if (displacement) for (let i = 0; i < array.length; i += 1) array[i] = (rest[i] as number) + factor * (displacement[i] as number);
      else array.set(rest);
      position.needsUpdate = true;
    },
    [displacement, position, rest],
  );

  useEffect(() => {
    place(exaggeration);
    surface.computeBoundingSphere();
    ink.computeBoundingSphere();
    invalidate();
  }, [place, exaggeration, animated, surface, ink, invalidate]);

  useFrame(({ clock }) => {
    if (!animated) return;
    place(exaggeration * Math.sin(clock.elapsedTime * 2.4));
    invalidate();
  });

  function point(event: ThreeEvent<PointerEvent>) {
    const face = event.face;
    if (!face || animated) return;
    const near = [face.a, face.b, face.c].reduce((best, node) => (distance(position, node, event.point) < distance(position, best, event.point) ? node : best));
    onPoint({ node: near, at: [position.getX(near), position.getY(near), position.getZ(near)] });
  }

  return (
    <>
      <mesh geometry={surface} material={material} onPointerMove={point} onPointerOut={() => onPoint(null)} />
      <lineSegments geometry={ink}>
        <lineBasicMaterial color="#22313b" transparent opacity={sides ? 0.5 : 0.85} />
      </lineSegments>
    </>
  );
}

function indexed(position: BufferAttribute, index: Int32Array): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", position);
  geometry.setIndex(new BufferAttribute(new Uint32Array(index), 1));
  return geometry;
}

function distance(position: BufferAttribute, node: number, to: { x: number; y: number; z: number }): number {
  return (position.getX(node) - to.x) ** 2 + (position.getY(node) - to.y) ** 2 + (position.getZ(node) - to.z) ** 2;
}
