import { useMemo, useState } from "react";
import type { ThreeEvent } from "@react-three/fiber";
import { BufferAttribute, BufferGeometry, DoubleSide, Path, Shape as PlaneShape, ShapeGeometry, Vector2 } from "three";
import type { Body, OutlineLoop, Place, PlaceKey, Shape } from "../api/types";
import { useDesk } from "../workspace/desk";
import { InkLine } from "./InkLine";

interface Piece {
  key: PlaceKey;
  geometry: BufferGeometry;
}

const MATT = "#6f9a96";
const LIT = "#e6a23c";
const HOVER = "#f0c983";

function planeShape(loops: OutlineLoop[]): PlaneShape {
  const [outer, ...holes] = loops.map((loop) => loop.points.map(([x, y]) => new Vector2(x, y)));
  const shape = new PlaneShape(outer);
  shape.holes = holes.map((points) => new Path(points));
  return shape;
}

/** Runs of points that belong to one side, each with the first point of the next run. */
function runs(loop: OutlineLoop): [key: string, points: [number, number][]][] {
  const found = new Map<string, [number, number][]>();
  loop.points.forEach((point, i) => {
    const key = loop.keys[i] as string;
    const next = loop.points[(i + 1) % loop.points.length] as [number, number];
    const run = found.get(key) ?? [point];
    run.push(next);
    found.set(key, run);
  });
  return [...found];
}

function wall(points: [number, number][], depth: number): BufferGeometry {
  const positions: number[] = [];
  for (let i = 0; i + 1 < points.length; i += 1) {
    const [a, b] = [points[i], points[i + 1]] as [[number, number], [number, number]];
    positions.push(...a, 0, ...b, 0, ...b, depth, ...a, 0, ...b, depth, ...a, depth);
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(new Float32Array(positions), 3));
  geometry.computeVertexNormals();
  return geometry;
}

function cap(loops: OutlineLoop[], z: number): BufferGeometry {
  return new ShapeGeometry(planeShape(loops)).translate(0, 0, z);
}

function line(points: number[][]): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(new Float32Array(points.flat()), 3));
  return geometry;
}

function faces(body: Body, loops: OutlineLoop[]): Piece[] {
  if (body.make !== "solid") return [{ key: [body.name, "region"], geometry: cap(loops, 0) }];
  const walls = loops.flatMap((loop) => runs(loop).map(([key, points]): Piece => ({ key: [body.name, key], geometry: wall(points, body.thickness) })));
  return [{ key: [body.name, "bottom"], geometry: cap(loops, 0) }, { key: [body.name, "top"], geometry: cap(loops, body.thickness) }, ...walls];
}

function edges(body: Body, loops: OutlineLoop[]): Piece[] {
  const at = (z: number, suffix: string) =>
    loops.flatMap((loop) => runs(loop).map(([key, points]): Piece => ({ key: [body.name, key + suffix], geometry: line(points.map(([x, y]) => [x, y, z])) })));
  if (body.make !== "solid") return at(0, "");
  const uprights = loops.flatMap((loop) =>
    runs(loop).length < 2 && loop.keys[0]?.match(/^hole \d+$/)
      ? []
      : runs(loop).map(([key, points]): Piece => {
          const [x, y] = points[0] as [number, number];
          return { key: [body.name, `upright at ${key}`], geometry: line([[x, y, 0], [x, y, body.thickness]]) };
        }),
  );
  return [...at(0, " at bottom"), ...at(body.thickness, " at top"), ...uprights];
}

interface Props {
  shape: Shape;
  onPick: (place: Place) => void;
  onHover: (place: Place | null) => void;
}

/** The bodies, face by face, with ink edges; what is spoken of is lit. */
export function ShapeScene({ shape, onPick, onHover }: Props) {
  const { lit, picking, pickKind } = useDesk();
  const [under, setUnder] = useState<string | null>(null);
  const places = useMemo(() => new Map(shape.places.map((p) => [`${p.body}\n${p.name}`, p])), [shape]);
  const bodies = useMemo(
    () =>
      shape.bodies.map((body) => {
        const loops = shape.outlines[body.outline] ?? [];
        return { body, faces: faces(body, loops), edges: edges(body, loops) };
      }),
    [shape],
  );
  const bare = useMemo(() => {
    const used = new Set(shape.bodies.map((b) => b.outline));
    return Object.entries(shape.outlines)
      .filter(([name]) => !used.has(name))
      .flatMap(([, loops]) => loops.map((loop) => line([...loop.points, loop.points[0] as [number, number]].map(([x, y]) => [x, y, 0]))));
  }, [shape]);
  const litKeys = useMemo(() => new Set(lit.map((k) => k.join("\n"))), [lit]);
  const pickable = picking ? pickKind : "faces";
  const dot = (shape.size ?? 1) * 0.011;

  const handlers = (key: PlaceKey, kind: string) => {
    if (kind !== pickable) return {};
    const id = key.join("\n");
    return {
      onPointerOver: (event: ThreeEvent<PointerEvent>) => {
        event.stopPropagation();
        setUnder(id);
        onHover(places.get(id) ?? null);
      },
      onPointerOut: () => {
        setUnder((old) => (old === id ? null : old));
        onHover(null);
      },
      onClick: (event: ThreeEvent<MouseEvent>) => {
        if (event.delta > 4) return;
        event.stopPropagation();
        const place = places.get(id);
        if (place) onPick(place);
      },
    };
  };
  const colour = (key: PlaceKey, plain: string) => {
    const id = key.join("\n");
    if (under === id && picking) return HOVER;
    return litKeys.has(id) || litKeys.has(`${key[0]}\n${key[0]}`) ? LIT : plain;
  };

  return (
    <>
      <ambientLight intensity={1.5} />
      <directionalLight position={[3, 5, 8]} intensity={1.6} />
      {bodies.map(({ body, faces: faceList, edges: edgeList }) => (
        <group key={body.name}>
          {faceList.map(({ key, geometry }) => (
            <mesh key={key[1]} geometry={geometry} {...handlers(key, "faces")}>
              <meshStandardMaterial color={colour(key, MATT)} roughness={0.95} side={DoubleSide} polygonOffset polygonOffsetFactor={1} polygonOffsetUnits={1} />
            </mesh>
          ))}
          {edgeList.map(({ key, geometry }) => (
            <InkLine key={key[1]} geometry={geometry} colour={colour(key, "#22313b")} {...handlers(key, "edges")} />
          ))}
        </group>
      ))}
      {bare.map((geometry, i) => (
        <InkLine key={i} geometry={geometry} colour="#22313b" />
      ))}
      {shape.places
        .filter((p) => p.of === "points" && (pickable === "points" || litKeys.has(`${p.body}\n${p.name}`)))
        .map((p) => (
          <mesh key={p.name} position={p.bounds[0] as [number, number, number]} {...handlers([p.body, p.name], "points")}>
            <sphereGeometry args={[dot, 16, 12]} />
            <meshBasicMaterial color={colour([p.body, p.name], "#22313b")} />
          </mesh>
        ))}
    </>
  );
}

