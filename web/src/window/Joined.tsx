import { useMemo } from "react";
import { Quaternion, Vector3 } from "three";
import type { Shape, Statement } from "../api/types";
import { InkLine } from "./InkLine";
import { polyline } from "./polyline";

const STEEL = "#6f7f8a";
const LIT = "#e6a23c";
const INK = "#22313b";
const UP = new Vector3(0, 1, 0);

type Moves = Map<string, [number, number, number]>;

interface Props {
  shape: Shape;
  statements: Statement[];
  moves: Moves;
  selected: string | null;
}

const shifted = (at: readonly number[], body: string, moves: Moves) => new Vector3(...(at as [number, number, number])).add(new Vector3(...(moves.get(body) ?? [0, 0, 0])));

/** Bolts as rods with a head and a nut; joins as thin lines from one side to the other; bars along their lines. */
export function Joined({ shape, statements, moves, selected }: Props) {
  const on = useMemo(() => new Map(statements.filter((s) => !s.off).map((s) => [s.id, s])), [statements]);
  const lines = useMemo(() => {
    const between = moves.size
      ? shape.lines_between.map((join) => ({ statement: join.statement, points: join.ends.map(([body, at]) => shifted(at, body, moves).toArray()) }))
      : [];
    const bars = [...on.values()].flatMap((s) => (s.kind === "bars" && shape.lines[s.line] ? [{ statement: s.id, points: shape.lines[s.line]?.points.map((p) => shifted(p, s.target, moves).toArray()) ?? [] }] : []));
    return [...between, ...bars].map(({ statement, points }) => ({ statement, geometry: polyline(points) }));
  }, [shape, moves, on]);
  return (
    <>
      {lines.map(({ statement, geometry }, i) => (
        <InkLine key={i} geometry={geometry} colour={statement === selected ? LIT : INK} />
      ))}
      {Object.entries(shape.bolts).flatMap(([id, bolts]) => {
        const statement = on.get(id);
        const out = statement?.kind === "bolt" ? (statement.own ?? []).filter((o) => o.off).map((o) => o.number) : [];
        return bolts.filter((b) => !out.includes(b.number)).map((b) => <Bolt key={`${id} ${b.number}`} head={shifted(b.head, b.first, moves)} nut={shifted(b.nut, b.last, moves)} radius={b.radius} lit={id === selected} blind={statement?.kind === "bolt" && statement.blind === true} />);
      })}
    </>
  );
}

function Bolt({ head, nut, radius, lit, blind }: { head: Vector3; nut: Vector3; radius: number; lit: boolean; blind: boolean }) {
  const axis = nut.clone().sub(head);
  const length = axis.length();
  const turn = new Quaternion().setFromUnitVectors(UP, axis.clone().normalize());
  const away = axis.clone().normalize();
  const colour = lit ? LIT : STEEL;
  const round = (at: Vector3, r: number, high: number, sides: number) => (
    <mesh position={at} quaternion={turn} raycast={() => null}>
      <cylinderGeometry args={[r, r, high, sides]} />
      <meshStandardMaterial color={colour} roughness={0.6} metalness={0.2} flatShading={sides < 10} />
    </mesh>
  );
  return (
    <>
      {round(head.clone().addScaledVector(axis, 0.5), radius, length, 18)}
      {round(head.clone().addScaledVector(away, -radius * 0.65), radius * 1.7, radius * 1.3, 6)}
      {!blind && round(nut.clone().addScaledVector(away, radius * 0.8), radius * 1.7, radius * 1.6, 6)}
    </>
  );
}
