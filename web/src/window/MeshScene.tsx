import { memo, useLayoutEffect, useMemo } from "react";
import { useFrame, useThree, type ThreeEvent } from "@react-three/fiber";
import { Mesh, type BufferAttribute, type Intersection, type Raycaster, type Vector2 } from "three";
import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/results";
import { FieldGeometry } from "./fieldGeometry";
import { BANDS, clipOf, fieldMaterial, inkMaterial, keeps, type Clip } from "./fieldMaterial";

export interface Pointed {
  /** Corner of the skin's triangles. */
  corner: number;
  value: number;
  at: [number, number, number];
}

export interface MeshSceneProps {
  skin: Arrays<SkinMeta>;
  /** [k] at the nodes of the skin, or [3 t] at the corners of its triangles. */
  values: Float32Array;
  stops: readonly [number, number, number][];
  low: number;
  high: number;
  limit: number | null;
  /** [k * 3], and by how much it is drawn. */
  displacement?: Float32Array | undefined;
  exaggeration?: number;
  animated?: boolean;
  /** Times as fast as usual that it swings. */
  speed?: number;
  /** [k] 1 where it is not to be read. */
  veiled?: Float32Array | undefined;
  /** Draw the sides of elements, or only the edges of the shape. */
  sides: boolean;
  banded?: boolean;
  clip?: Clip | null;
  /** [k * 3] where the plane finds what is drawn apart. */
  still?: Float32Array | undefined;
  onPoint: (pointed: Pointed | null) => void;
  onPick?: ((pointed: Pointed) => void) | undefined;
}

/** A meshed skin coloured by a field, deformed as much as wanted; drawn anew only when something of it changes. */
export const MeshScene = memo(function MeshScene({ skin, values, stops, low, high, limit, displacement, exaggeration = 0, animated = false, speed = 1, veiled, sides, banded = false, clip = null, still, onPoint, onPick }: MeshSceneProps) {
  const { invalidate } = useThree();
  const rest = skin.arrays.positions as Float32Array;
  const own = values.length !== rest.length / 3;
  const drawn = useMemo(() => new FieldGeometry(skin, still ?? rest, own, sides), [skin, still, rest, own, sides]);
  const material = useMemo(() => fieldMaterial(stops), [stops]);
  const ink = useMemo(() => inkMaterial(sides ? 0.5 : 0.85), [sides]);
  const plane = useMemo(() => clipOf(clip), [clip]);

  useLayoutEffect(() => {
    drawn.colour(values, veiled);
    invalidate();
  }, [drawn, values, veiled, invalidate]);

  useLayoutEffect(() => {
    const { range, limit: bound, bands, clip: at } = material.uniforms;
    if (range) (range.value as Vector2).set(low, high);
    if (bound) bound.value = limit ?? 1e30;
    if (bands) bands.value = banded ? BANDS : 0;
    if (at) at.value = plane;
    if (ink.uniforms.clip) ink.uniforms.clip.value = plane;
    invalidate();
  }, [material, ink, low, high, limit, banded, plane, invalidate]);

  useLayoutEffect(() => {
    drawn.place(displacement, exaggeration);
    drawn.measure();
    invalidate();
  }, [drawn, displacement, exaggeration, animated, invalidate]);

  useFrame(({ clock }) => {
    if (!animated) return;
    drawn.place(displacement, exaggeration * Math.sin(clock.elapsedTime * 2.4 * speed));
    invalidate();
  });

  function pointed(event: ThreeEvent<PointerEvent> | ThreeEvent<MouseEvent>): Pointed | null {
    const face = event.face;
    if (!face || animated) return null;
    const near = [face.a, face.b, face.c].reduce((best, corner) => (distance(drawn.placeOf(corner), event.point) < distance(drawn.placeOf(best), event.point) ? corner : best));
    return { corner: (event.faceIndex ?? 0) * 3 + [face.a, face.b, face.c].indexOf(near), value: values[near] ?? 0, at: drawn.placeOf(near) };
  }

  /** What the plane hides is not pointed at. */
  function raycast(this: Mesh, caster: Raycaster, found: Intersection[]) {
    const hits: Intersection[] = [];
    Mesh.prototype.raycast.call(this, caster, hits);
    const places = drawn.surface.getAttribute("rest") as BufferAttribute;
    const corner = (c: number) => [places.getX(c), places.getY(c), places.getZ(c)] as const;
    found.push(...hits.filter((h) => h.face && [h.face.a, h.face.b, h.face.c].some((c) => keeps(plane, corner(c)))));
  }

  return (
    <>
      <mesh
        geometry={drawn.surface}
        material={material}
        raycast={raycast}
        onPointerMove={(event) => {
          const told = pointed(event);
          if (told) onPoint(told);
        }}
        onPointerOut={() => onPoint(null)}
        onClick={
          onPick &&
          ((event) => {
            const told = event.delta < 4 ? pointed(event) : null;
            if (!told) return;
            event.stopPropagation();
            onPick(told);
          })
        }
      />
      <lineSegments geometry={drawn.ink} material={ink} />
    </>
  );
});

const distance = (at: [number, number, number], to: { x: number; y: number; z: number }) => (at[0] - to.x) ** 2 + (at[1] - to.y) ** 2 + (at[2] - to.z) ** 2;
