import { Fragment } from "react";
import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { quiet } from "../../ui/quiet";
import { digits } from "../../ui/units";
import { MomentCurves } from "../MomentCurves";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

type Yielding = Of<"yielding">;

const WAYS = [
  ["", "bears no more"],
  ["isotropic", "hardens along"],
  ["kinematic", "hardens one way, and yields earlier the other way, along"],
] as const;

const BENDS = [
  ["sharply", "bending sharply"],
  ["smoothly", "bending smoothly, the sooner the farther it was strained"],
] as const;

function YieldingLine({ statement }: { statement: Yielding }) {
  const { view } = useNote();
  const members = view.shape.bodies.some((b) => b.make === "members");
  const { edit } = useStatement(statement);
  const { curve, hardens = "isotropic" } = statement;
  return (
    <>
      <TargetChip statement={statement} kinds={["bodies"]} /> yields at <TextChip label="strength" optional placeholder="the strength of its material" value={statement.strength ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "strength", v))} /> and then{" "}
      <ChoiceChip
        label="hardens"
        value={curve ? hardens : ""}
        options={WAYS}
        onChoose={(way) =>
          void edit((s) => {
            if (way === "") {
              delete s.curve;
              delete s.hardens;
              return;
            }
            const first = s.strength ?? "235 MPa";
            s.curve ??= [
              { strain: "0", stress: first },
              { strain: "10 %", stress: "350 MPa" },
            ];
            if (way === "kinematic") s.curve = s.curve.slice(0, 2) as typeof s.curve;
            s.hardens = way;
          })
        }
      />
      {members && (
        <>
          , <ChoiceChip label="bends" value={statement.bends ?? "sharply"} options={BENDS} onChoose={(v) => void edit((s) => (v === "sharply" ? delete s.bends : (s.bends = v)))} />
        </>
      )}
      {curve && <Points statement={statement} />}
      <Bows statement={statement} />
    </>
  );
}

/** How the sections of members bend on as they flow, under a force along them. */
function Bows({ statement }: { statement: Yielding }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const found = view.bows[statement.id] ?? [];
  if (found.length === 0) return null;
  return (
    <span className="block font-sans text-[12px]" data-bows>
      Sections bend so under <TextChip label="force along" optional placeholder="no force" value={statement.axial ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "axial", v))} /> along them:
      {found.map((one) => (
        <span key={one.outline} className="mt-1 flex items-start gap-2">
          <span className="w-24 text-faint">{one.outline}</span>
          {one.curves.length > 0 ? <MomentCurves curves={one.curves} /> : <span className="text-amber-ink">so much is not borne.</span>}
        </span>
      ))}
    </span>
  );
}

/** True stress over plastic strain, point by point, and drawn. */
function Points({ statement }: { statement: Yielding }) {
  const { edit } = useStatement(statement);
  const { curve = [], hardens } = statement;
  return (
    <>
      {" "}
      {curve.map((point, i) => (
        <Fragment key={i}>
          {i > 0 && ", "}
          <span className="whitespace-nowrap">
            <TextChip label={`stress ${i + 1}`} value={point.stress} onCommit={(v) => edit((s) => s.curve?.[i] && (s.curve[i].stress = v))} /> at {i === 0 && "a plastic strain of "}
            <TextChip label={`strain ${i + 1}`} value={point.strain} onCommit={(v) => edit((s) => s.curve?.[i] && (s.curve[i].strain = v))} />
          </span>
        </Fragment>
      ))}
      {hardens !== "kinematic" && (
        <button className={quiet} onClick={() => void edit((s) => void s.curve?.push({ ...(s.curve.at(-1) ?? { strain: "0", stress: "235 MPa" }) }))}>
          + point
        </button>
      )}
      {curve.length > 2 && (
        <button className={quiet} onClick={() => void edit((s) => void s.curve?.pop())}>
          − point
        </button>
      )}
      <Drawn id={statement.id} />
    </>
  );
}

const [WIDE, HIGH] = [190, 74];

function Drawn({ id }: { id: string }) {
  const { view, shown } = useNote();
  const points = (view.flows[id] ?? []).map(([p, s]) => ({ p, s }));
  if (points.length < 2) return null;
  const [most, top] = [Math.max(...points.map((v) => v.p), 1e-9) * 1.15, Math.max(...points.map((v) => v.s))];
  const x = (p: number) => 8 + (p / most) * (WIDE - 16);
  const y = (s: number) => HIGH - 14 - (s / top) * (HIGH - 24);
  const last = points.at(-1) as { p: number; s: number };
  const line = `M8 ${y(0)}L${points.map((v) => `${x(v.p).toFixed(1)} ${y(v.s).toFixed(1)}`).join("L")}L${WIDE - 8} ${y(last.s).toFixed(1)}`;
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label="stress over plastic strain" className="mt-1 block w-[190px]">
      <line x1="8" x2={WIDE - 8} y1={y(0)} y2={y(0)} stroke="#93a0a6" />
      <path d={line} fill="none" stroke="#2f7171" strokeWidth="1.6" />
      {points.map((v, i) => (
        <circle key={i} cx={x(v.p)} cy={y(v.s)} r="2.2" fill="#2f7171" />
      ))}
      <text x={WIDE - 8} y={HIGH - 3} textAnchor="end" fontSize="9.5" className="fill-faint font-sans">
        plastic strain, to {digits(last.p * 100)} %
      </text>
      <text x={WIDE - 8} y={9} textAnchor="end" fontSize="9.5" className="fill-faint font-sans">
        {shown.text(last.s, "stress")}
      </text>
    </svg>
  );
}

export default [
  entry({
    kind: "yielding",
    section: "Material and sections",
    order: 1.5,
    Line: YieldingLine,
    templates: [
      {
        word: "yielding",
        text: "what bodies do beyond their strength",
        also: "plasticity plastic hardening flow stress strain curve metal ductile",
        make: () => ({ kind: "yielding", target: "everything" }),
      },
    ],
  }),
];
