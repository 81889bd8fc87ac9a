import { DataTexture, DoubleSide, FloatType, LinearFilter, RGBAFormat, ShaderMaterial, Vector2, Vector4 } from "three";

/** A plane across an axis: what lies beyond it is not drawn. */
export interface Clip {
  axis: "x" | "y" | "z";
  /** m */
  at: number;
  turned: boolean;
}

/** Steps of a banded scale. */
export const BANDS = 10;

function ramp(stops: readonly [number, number, number][]): DataTexture {
  const data = new Float32Array(stops.flatMap(([r, g, b]) => [r, g, b, 1]));
  const texture = new DataTexture(data, stops.length, 1, RGBAFormat, FloatType);
  texture.minFilter = LinearFilter;
  texture.magFilter = LinearFilter;
  texture.needsUpdate = true;
  return texture;
}

/** A plane as a shader takes it: kept is where normal · rest ≤ w. Without one all is kept. */
export function clipOf(clip: Clip | null): Vector4 {
  if (!clip) return new Vector4(0, 0, 0, 1);
  const sign = clip.turned ? -1 : 1;
  const [x, y, z] = (["x", "y", "z"] as const).map((a) => (a === clip.axis ? sign : 0)) as [number, number, number];
  return new Vector4(x, y, z, sign * clip.at);
}

/** Whether a place at rest is kept. */
export const keeps = (clip: Vector4, at: readonly [number, number, number]) => clip.x * at[0] + clip.y * at[1] + clip.z * at[2] <= clip.w + 1e-12;

/**
 * Colours by a value at the nodes, softly lit, smooth or in bands. From the limit on, a narrow amber band,
 * then hatched vermilion; what is veiled is greyed; normals come from the drawn surface, so that they follow the
 * deformed shape.
 */
export function fieldMaterial(stops: readonly [number, number, number][]): ShaderMaterial {
  return new ShaderMaterial({
    side: DoubleSide,
    polygonOffset: true,
    polygonOffsetFactor: 1,
    polygonOffsetUnits: 1,
    uniforms: {
      ramp: { value: ramp(stops) },
      stops: { value: stops.length },
      range: { value: new Vector2(0, 1) },
      limit: { value: 1e30 },
      bands: { value: 0 },
      clip: { value: clipOf(null) },
    },
    vertexShader: /* glsl */ `
      attribute float value;
      attribute float veiled;
      attribute vec3 rest;
      uniform vec4 clip;
      varying float veil;
      varying float shown;
      varying float beyond;
      varying vec3 place;
      void main() {
        shown = value;
        veil = veiled;
        beyond = dot(rest, clip.xyz) - clip.w;
        vec4 seen = modelViewMatrix * vec4(position, 1.0);
        place = seen.xyz;
        gl_Position = projectionMatrix * seen;
      }
    `,
    fragmentShader: /* glsl */ `
      uniform sampler2D ramp;
      uniform float stops;
      uniform vec2 range;
      uniform float limit;
      uniform float bands;
      varying float shown;
      varying float veil;
      varying float beyond;
      varying vec3 place;
      void main() {
        if (beyond > 0.0) discard;
        vec3 normal = normalize(cross(dFdx(place), dFdy(place)));
        float light = 0.78 + 0.30 * abs(dot(normal, normalize(vec3(0.25, 0.45, 0.86))));
        float t = clamp((shown - range.x) / max(range.y - range.x, 1e-30), 0.0, 1.0);
        if (bands > 0.0) t = min(floor(t * bands), bands - 1.0) / (bands - 1.0);
        vec3 colour = texture2D(ramp, vec2((t * (stops - 1.0) + 0.5) / stops, 0.5)).rgb;
        if (abs(shown) > limit) {
          float stripe = step(0.5, fract((gl_FragCoord.x + gl_FragCoord.y) / 9.0));
          colour = mix(vec3(0.663, 0.169, 0.118), vec3(0.86, 0.42, 0.34), stripe);
        } else if (abs(shown) > limit * 0.97) {
          colour = vec3(0.902, 0.635, 0.235);
        }
        if (veil > 0.5) colour = mix(colour, vec3(0.78, 0.79, 0.77), 0.8 - 0.25 * step(0.5, fract((gl_FragCoord.x - gl_FragCoord.y) / 7.0)));
        gl_FragColor = vec4(colour * light, 1.0);
      }
    `,
  });
}

/** Lines in ink that a plane hides as it does the surface. */
export function inkMaterial(opacity: number): ShaderMaterial {
  return new ShaderMaterial({
    transparent: true,
    uniforms: { opacity: { value: opacity }, clip: { value: clipOf(null) } },
    vertexShader: /* glsl */ `
      attribute vec3 rest;
      uniform vec4 clip;
      varying float beyond;
      void main() {
        beyond = dot(rest, clip.xyz) - clip.w;
        gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
      }
    `,
    fragmentShader: /* glsl */ `
      uniform float opacity;
      varying float beyond;
      void main() {
        if (beyond > 0.0) discard;
        gl_FragColor = vec4(0.133, 0.192, 0.231, opacity);
      }
    `,
  });
}
