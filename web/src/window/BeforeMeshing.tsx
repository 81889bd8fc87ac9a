import { useMemo, useState } from "react";
import type { ThreeEvent } from "@react-three/fiber";
import { BufferAttribute, BufferGeometry, Quaternion, Vector3 } from "three";
import { useWantedSize } from "../api/hooks";
import { useNote } from "../note/context";
import { Card } from "./Card";
import { bodiesOf, type DrawnBody } from "./drawnBodies";
import { Stage, type SceneProps } from "./Stage";
import { Surface } from "./Surface";

interface Pointed {
  body: string;
  at: [number, number, number];
  /** Square to the surface there. */
  normal: [number, number, number];
}

/** The shape as it will be meshed: a few elements of the size they will have lie where it is pointed at. */
export function BeforeMeshing({ scene, busy, onMesh, onBefore }: { scene: SceneProps; busy: boolean; onMesh: () => void; onBefore: (() => void) | null }) {
  const { view, surfaces, shown } = useNote();
  const [pointed, setPointed] = useState<Pointed | null>(null);
  const drawn = useMemo(() => (surfaces ? bodiesOf(surfaces) : []), [surfaces]);
  const { data } = useWantedSize(view.id, view.mesh?.digest ?? "", pointed?.body ?? null, pointed?.at ?? [0, 0, 0]);

  function point(event: ThreeEvent<PointerEvent>) {
    event.stopPropagation();
    const hit = event.intersections.find((i) => i.object.userData.role === "faces") ?? event.intersections[0];
    const body = (hit?.object.userData as { body?: DrawnBody } | undefined)?.body;
    if (!hit || !body) return;
    const normal = hit.face?.normal ?? new Vector3(0, 0, 1);
    // As fine as the eye sees: a place is asked about once.
    const grain = (view.shape.size ?? 1) / 400;
    setPointed({ body: body.name, at: hit.point.toArray().map((c) => Number((Math.round(c / grain) * grain).toPrecision(8))) as Pointed["at"], normal: normal.toArray() });
  }

  return (
    <>
      <Stage scene={scene}>
        <ambientLight intensity={1.5} />
        <directionalLight position={[3, 5, 8]} intensity={1.6} />
        <directionalLight position={[-6, -2, -4]} intensity={0.5} />
        <group onPointerMove={point} onPointerOut={() => setPointed(null)}>
          {drawn.map((body) => (
            <Surface key={body.name} body={body} clear={false} plane={null} />
          ))}
        </group>
        {pointed && data && <Patch at={pointed.at} normal={pointed.normal} size={data.size} corners={data.corners} />}
      </Stage>
      <Card>
        <button className="button-strong mr-3" disabled={busy} onClick={onMesh}>
          {busy ? "Meshing…" : "Mesh"}
        </button>
        <span role="status">
          Not meshed at this size.{" "}
          {pointed && data ? (
            <>
              Elements of <b className="font-semibold">{shown.text(data.size, "length")}</b> here.
            </>
          ) : (
            "Point at the shape to see how large elements will be."
          )}
        </span>
        {onBefore && (
          <button className="ml-2 rounded px-1.5 text-spruce underline hover:bg-glow" onClick={onBefore}>
            Show the mesh before
          </button>
        )}
      </Card>
    </>
  );
}

/** Three rows of squares, or a ring of triangles, with sides of a length, lying on the surface. */
function Patch({ at, normal, size, corners }: { at: number[]; normal: number[]; size: number; corners: 3 | 4 }) {
  const geometry = useMemo(() => {
    const lines = corners === 4 ? squares() : triangles();
    return new BufferGeometry().setAttribute("position", new BufferAttribute(new Float32Array(lines), 3));
  }, [corners]);
  const turn = useMemo(() => new Quaternion().setFromUnitVectors(new Vector3(0, 0, 1), new Vector3(...(normal as [number, number, number])).normalize()), [normal]);
  return (
    <lineSegments geometry={geometry} position={at as [number, number, number]} quaternion={turn} scale={size} renderOrder={3} raycast={() => null}>
      <lineBasicMaterial color="#b3541e" depthTest={false} />
    </lineSegments>
  );
}

function squares(): number[] {
  const steps = [-1.5, -0.5, 0.5, 1.5];
  return steps.flatMap((s) => [s, -1.5, 0, s, 1.5, 0, -1.5, s, 0, 1.5, s, 0]);
}

function triangles(): number[] {
  const rim = [0, 1, 2, 3, 4, 5].map((k) => [Math.cos((k * Math.PI) / 3), Math.sin((k * Math.PI) / 3), 0]);
  return rim.flatMap((point, k) => [0, 0, 0, ...point, ...point, ...(rim[(k + 1) % 6] ?? [])]);
}
