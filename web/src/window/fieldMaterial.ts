import { DataTexture, DoubleSide, FloatType, LinearFilter, RGBAFormat, ShaderMaterial, Vector2 } from "three";

function ramp(stops: readonly [number, number, number][]): DataTexture {
  const data = new Float32Array(stops.flatMap(([r, g, b]) => [r, g, b, 1]));
  const texture = new DataTexture(data, stops.length, 1, RGBAFormat, FloatType);
  texture.minFilter = LinearFilter;
  texture.magFilter = LinearFilter;
  texture.needsUpdate = true;
  return texture;
}

/**
 * Colours by a value at the nodes, softly lit. From the limit on, a narrow amber band,
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
    },
    vertexShader: /* glsl */ `
      attribute float value;
      attribute float veiled;
      varying float veil;
      varying float shown;
      varying vec3 place;
      void main() {
        shown = value;
        veil = veiled;
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
      varying float shown;
      varying float veil;
      varying vec3 place;
      void main() {
        vec3 normal = normalize(cross(dFdx(place), dFdy(place)));
        float light = 0.78 + 0.30 * abs(dot(normal, normalize(vec3(0.25, 0.45, 0.86))));
        float t = clamp((shown - range.x) / max(range.y - range.x, 1e-30), 0.0, 1.0);
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
