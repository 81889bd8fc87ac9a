import { useEffect, useMemo, useState } from "react";
import { useFrame, useThree } from "@react-three/fiber";
import { BufferAttribute, BufferGeometry, DoubleSide, ShaderMaterial, Vector3, type Camera } from "three";
import type { Glyph, Ink } from "./glyphsOf";

const INKS: Record<Ink, [number, number, number]> = { held: [0.18, 0.36, 0.31], pushed: [0.72, 0.43, 0.08], carried: [0.33, 0.31, 0.42] };
const PIXELS = 26;
const NEAR = 16; // pixels from which a glyph is named

/** Solids of one size on the screen, whatever the zoom: corners are kept apart from where they stand. */
function material(): ShaderMaterial {
  return new ShaderMaterial({
    uniforms: { size: { value: 1 } },
    vertexShader: `attribute vec3 corner; attribute vec3 ink; uniform float size; varying vec3 tint; varying vec3 seen;
      void main() { tint = ink; vec4 at = modelViewMatrix * vec4(position + corner * size, 1.0); seen = at.xyz; gl_Position = projectionMatrix * at; }`,
    fragmentShader: `varying vec3 tint; varying vec3 seen;
      void main() { vec3 n = normalize(cross(dFdx(seen), dFdy(seen))); gl_FragColor = vec4(tint * (0.72 + 0.38 * abs(dot(n, normalize(vec3(0.3, 0.5, 0.8))))), 1.0); }`,
    side: DoubleSide,
  });
}

function geometryOf(glyphs: Glyph[], lit: string | null, moves: Map<string, [number, number, number]>): BufferGeometry {
  const count = glyphs.reduce((sum, g) => sum + g.solid.length, 0);
  const [position, corner, ink] = [new Float32Array(count), new Float32Array(count), new Float32Array(count)];
  let at = 0;
  for (const glyph of glyphs) {
    const shift = moves.get(glyph.body) ?? [0, 0, 0];
    const tint = glyph.statement === lit ? [0.9, 0.64, 0.24] : INKS[glyph.ink];
    for (let i = 0; i < glyph.solid.length; i += 1, at += 1) {
      position[at] = (glyph.at[i % 3] as number) + (shift[i % 3] as number);
      corner[at] = glyph.solid[i] as number;
      ink[at] = tint[i % 3] as number;
    }
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(position, 3));
  geometry.setAttribute("corner", new BufferAttribute(corner, 3));
  geometry.setAttribute("ink", new BufferAttribute(ink, 3));
  return geometry;
}

const place = new Vector3();

/** The glyph nearest to the pointer, if one is near. */
function nearest(glyphs: Glyph[], moves: Map<string, [number, number, number]>, camera: Camera, size: { width: number; height: number }, x: number, y: number): Glyph | null {
  let [best, found] = [NEAR, null as Glyph | null];
  for (const glyph of glyphs) {
    const shift = moves.get(glyph.body) ?? [0, 0, 0];
    place.set(glyph.at[0] + shift[0], glyph.at[1] + shift[1], glyph.at[2] + shift[2]).project(camera);
    const away = Math.hypot(((place.x + 1) / 2) * size.width - x, ((1 - place.y) / 2) * size.height - y);
    if (away < best) [best, found] = [away, glyph];
  }
  return found;
}

/** Supports, loads and masses, drawn at one size; the one under the pointer is named. */
export function Glyphs({ glyphs, lit, moves, onHover }: { glyphs: Glyph[]; lit: string | null; moves: Map<string, [number, number, number]>; onHover: (glyph: Glyph | null) => void }) {
  const { gl, camera, size, invalidate } = useThree();
  const [paint] = useState(material);
  const geometry = useMemo(() => geometryOf(glyphs, lit, moves), [glyphs, lit, moves]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  useEffect(() => invalidate(), [geometry, invalidate]);
  useFrame(() => {
    const uniform = paint.uniforms.size;
    if (uniform) uniform.value = PIXELS / camera.zoom;
  });
  useEffect(() => {
    const move = (event: PointerEvent) => {
      const box = gl.domElement.getBoundingClientRect();
      onHover(event.buttons ? null : nearest(glyphs, moves, camera, size, event.clientX - box.left, event.clientY - box.top));
    };
    const leave = () => onHover(null);
    gl.domElement.addEventListener("pointermove", move);
    gl.domElement.addEventListener("pointerleave", leave);
    return () => {
      gl.domElement.removeEventListener("pointermove", move);
      gl.domElement.removeEventListener("pointerleave", leave);
    };
  }, [gl, camera, size, glyphs, moves, onHover]);
  return <mesh geometry={geometry} material={paint} frustumCulled={false} raycast={() => null} renderOrder={3} />;
}
