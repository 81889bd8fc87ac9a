import { useEffect, useMemo, useState } from "react";
import { useThree, type ThreeEvent } from "@react-three/fiber";
import { Plane, Vector3, type Intersection } from "three";
import type { Arrays } from "../api/client";
import type { Place, PlaceKey, Shape, ShapeMeta, Statement } from "../api/types";
import { useDesk } from "../workspace/desk";
import { lengthAt } from "./boxes";
import { apartBy, bodiesOf, spanned, type DrawnBody } from "./drawnBodies";
import { Marked, Surface } from "./Surface";
import { InkLine } from "./InkLine";
import { polyline } from "./polyline";
import { Moving } from "./Moving";
import { Joined } from "./Joined";
import { Glyphs } from "./glyphs/Glyphs";
import type { Glyph } from "./glyphs/glyphsOf";

const LIT = "#e6a23c";
const HOVER = "#f0c983";
const CHOSEN = "#c9772b";
const DOT = "#22313b";

interface Props {
  shape: Shape;
  statements: Statement[];
  surfaces: Arrays<ShapeMeta> | null;
  low: number[];
  high: number[];
  onPick: (places: Place[], more: boolean) => void;
  onHover: (place: Place | null) => void;
  /** Supports, loads and masses; null when they are not drawn. */
  glyphs: Glyph[] | null;
  onGlyph: (glyph: Glyph | null) => void;
  /** Colours of bodies by what they are made of. */
  tints: Map<string, string>;
}

const id = (key: PlaceKey) => key.join("\n");

/** The bodies with ink edges; what is spoken of is lit, what is chosen is marked. */
export function ShapeScene({ shape, statements, surfaces, low, high, onPick, onHover, glyphs, onGlyph, tints }: Props) {
  const { lit, chosen, pickKind, hidden, clear, clip, apart, through, up, motion, selected } = useDesk();
  const zUp = (up ?? shape.up) === "z" && shape.dimension !== 2;
  const { gl, invalidate } = useThree();
  const [under, setUnder] = useState<PlaceKey | null>(null);
  const drawn = useMemo(() => (surfaces ? bodiesOf(surfaces) : []), [surfaces]);
  const places = useMemo(() => new Map((surfaces?.meta.places ?? []).map((p) => [id([p.body, p.name]), p])), [surfaces]);
  const shownBodies = drawn.filter((b) => !hidden.includes(b.name));
  const moves = useMemo(() => apartBy(shape, apart), [shape, apart]);
  const dot = (shape.size ?? 1) * 0.009;

  const plane = useMemo(() => {
    if (!clip) return null;
    const axis = new Vector3(...([0, 1, 2].map((k) => (k === "xyz".indexOf(clip.axis) ? 1 : 0)) as [number, number, number]));
    const at = lengthAt({ low, high }, clip.axis, clip.at);
    return clip.turned ? new Plane(axis, -at) : new Plane(axis.negate(), at);
  }, [clip, low, high]);
  useEffect(() => {
    gl.localClippingEnabled = plane !== null;
    invalidate();
  }, [gl, plane, invalidate]);

  /** The place of the wanted kind that a ray has met. */
  function placeOf(hit: Intersection): PlaceKey | null {
    const data = hit.object.userData as { body?: DrawnBody; point?: PlaceKey };
    if (data.point) return data.point;
    const body = data.body;
    if (!body || (plane && plane.distanceToPoint(hit.point) < 0)) return null;
    if (pickKind === "bodies") return [body.name, body.name];
    const range = pickKind === "faces" ? spanned(body.faces, hit.faceIndex ?? -1) : spanned(body.edges, Math.floor((hit.index ?? -2) / 2));
    return range ? [body.name, range.name] : null;
  }

  /** The nearest place under the pointer, or all that lie behind each other. */
  function met(event: ThreeEvent<MouseEvent | PointerEvent>): Place[] {
    const wanted = pickKind === "points" ? "point" : pickKind === "edges" ? "edges" : "faces";
    const hits = event.intersections.filter((hit) => hit.object.userData.role === wanted || (pickKind === "bodies" && hit.object.userData.role === "edges"));
    // An edge behind a nearer face is hidden.
    const nearest = event.intersections.find((hit) => hit.object.userData.role === "faces")?.distance ?? Infinity;
    const keys = hits.filter((hit) => through || clear || wanted === "faces" || hit.distance <= nearest + dot * 2).map(placeOf);
    const found = keys.flatMap((key) => (key ? (places.get(id(key)) ?? []) : []));
    const single = [...new Map(found.map((p) => [id([p.body, p.name]), p])).values()];
    return through ? single : single.slice(0, 1);
  }

  const handlers = {
    onPointerMove: (event: ThreeEvent<PointerEvent>) => {
      event.stopPropagation();
      const place = met(event)[0] ?? null;
      setUnder(place ? [place.body, place.name] : null);
      onHover(place);
    },
    onPointerOut: () => {
      setUnder(null);
      onHover(null);
    },
    onClick: (event: ThreeEvent<MouseEvent>) => {
      if (event.delta > 4) return;
      event.stopPropagation();
      const found = met(event);
      if (found.length) onPick(found, event.shiftKey || event.ctrlKey || event.metaKey);
    },
  };

  const marks: [PlaceKey[], string][] = [
    [lit, LIT],
    [chosen, CHOSEN],
    [under ? [under] : [], HOVER],
  ];
  const own = new Set(statements.flatMap((s) => (s.kind === "point" && !s.off ? [s.name] : [])));
  const points = (surfaces?.meta.places ?? []).filter((p) => p.of === "points" && !hidden.includes(p.body));
  const marked = new Map(marks.flatMap(([keys, colour]) => keys.map((key) => [id(key), colour] as const)));
  return (
    <group {...handlers}>
      <ambientLight intensity={1.5} />
      <directionalLight position={zUp ? [3, -8, 5] : [3, 5, 8]} intensity={1.6} />
      <directionalLight position={zUp ? [-6, 4, -2] : [-6, -2, -4]} intensity={0.5} />
      {shownBodies.map((body) => (
        <Moving key={body.name} motion={motion?.bodies.includes(body.name) ? motion : null} size={shape.size ?? 1}>
          <group position={moves.get(body.name) ?? [0, 0, 0]}>
            <Surface body={body} clear={clear} plane={plane} colour={tints.get(body.name)} />
            {marks.map(([keys, colour], i) => (
              <Marked key={i} body={body} keys={keys} colour={colour} plane={plane} />
            ))}
          </group>
        </Moving>
      ))}
      {glyphs && <Glyphs glyphs={glyphs} lit={selected} moves={moves} onHover={onGlyph} />}
      {points
        .filter((p) => pickKind === "points" || own.has(p.body) || marked.has(id([p.body, p.name])))
        .map((p) => (
          <mesh key={id([p.body, p.name])} position={new Vector3(...(p.at as [number, number, number])).add(new Vector3(...(moves.get(p.body) ?? [0, 0, 0])))} userData={{ role: "point", point: [p.body, p.name] }}>
            <sphereGeometry args={[dot, 12, 8]} />
            <meshBasicMaterial color={marked.get(id([p.body, p.name])) ?? DOT} />
          </mesh>
        ))}
      {glyphs && <Joined shape={shape} statements={statements} moves={moves} selected={selected} />}
      <Bare shape={shape} />
    </group>
  );
}

/** Outlines and lines that no body is made from yet. */
function Bare({ shape }: { shape: Shape }) {
  const lines = useMemo(() => {
    const used = new Set(shape.bodies.map((b) => b.outline));
    const nothing = shape.bodies.length === 0;
    const outlines = Object.entries(shape.outlines)
      .filter(([name]) => nothing && !used.has(name))
      .flatMap(([, loops]) => loops.map((loop) => polyline([...loop.points, loop.points[0] as [number, number]].map(([x, y]) => [x, y, 0]))));
    return [...outlines, ...(nothing ? Object.values(shape.lines).map((line) => polyline(line.points)) : [])];
  }, [shape]);
  return lines.map((geometry, i) => <InkLine key={i} geometry={geometry} colour={DOT} />);
}
