import { useMemo } from "react";
import { BufferGeometry, Color, DoubleSide, type Plane } from "three";
import type { PlaceKey } from "../api/types";
import type { DrawnBody, Span } from "./drawnBodies";

const MATT = "#6f9a96";
const INK = "#22313b";

/** A colour from a file, made as calm as the rest. */
function calm(colour: number[] | null): string {
  if (!colour) return MATT;
  const mixed = new Color(...(colour as [number, number, number]));
  return `#${mixed.lerp(new Color(MATT), 0.55).getHexString()}`;
}

/** The surface of a body in matt colour, with its edges in ink. */
export function Surface({ body, clear, plane, colour }: { body: DrawnBody; clear: boolean; plane: Plane | null; colour?: string | undefined }) {
  const planes = plane ? [plane] : [];
  return (
    <>
      {body.surface && (
        <mesh geometry={body.surface} userData={{ role: "faces", body }}>
          <meshStandardMaterial key={`${String(clear)} ${plane ? "cut" : ""}`} color={colour ?? calm(body.colour)} roughness={0.95} side={DoubleSide} transparent={clear} opacity={clear ? 0.28 : 1} depthWrite={!clear} clippingPlanes={planes} polygonOffset polygonOffsetFactor={1} polygonOffsetUnits={1} />
        </mesh>
      )}
      <lineSegments geometry={body.ink} userData={{ role: "edges", body }}>
        <lineBasicMaterial key={plane ? "cut" : ""} color={body.surface ? INK : (colour ?? INK)} clippingPlanes={planes} transparent={clear} opacity={clear ? 0.6 : 1} />
      </lineSegments>
    </>
  );
}

/** Part of a geometry, with the numbers of the whole. */
function part(whole: BufferGeometry, spans: Span[], corners: number): BufferGeometry[] {
  return spans.map(({ first, count }) => {
    const geometry = new BufferGeometry();
    for (const name of Object.keys(whole.attributes)) geometry.setAttribute(name, whole.getAttribute(name));
    geometry.setDrawRange(first * corners, count * corners);
    return geometry;
  });
}

/** Faces and edges of a body drawn over in another colour. */
export function Marked({ body, keys, colour, plane }: { body: DrawnBody; keys: PlaceKey[]; colour: string; plane: Plane | null }) {
  // Compared as one text: the list itself is new at every drawing.
  const wanted = keys
    .filter(([name]) => name === body.name)
    .map(([, name]) => name)
    .join("\n");
  const { faces, edges } = useMemo(() => {
    const names = new Set(wanted.split("\n"));
    const all = names.has(body.name);
    const chosen = (span: Span) => all || names.has(span.name);
    return { faces: body.surface ? part(body.surface, body.faces.filter(chosen), 3) : [], edges: part(body.ink, all && body.surface ? [] : body.edges.filter(chosen), 2) };
  }, [body, wanted]);
  const planes = plane ? [plane] : [];
  return (
    <>
      {faces.map((geometry, i) => (
        <mesh key={`f${i}`} geometry={geometry} raycast={() => null} renderOrder={1}>
          <meshStandardMaterial key={plane ? "cut" : ""} color={colour} roughness={0.95} side={DoubleSide} clippingPlanes={planes} />
        </mesh>
      ))}
      {edges.map((geometry, i) => (
        <lineSegments key={`e${i}`} geometry={geometry} raycast={() => null} renderOrder={2}>
          <lineBasicMaterial key={plane ? "cut" : ""} color={colour} clippingPlanes={planes} depthTest={false} />
        </lineSegments>
      ))}
    </>
  );
}
