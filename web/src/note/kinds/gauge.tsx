import type { GaugeFinding, Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { Spot } from "../shape/parts";
import { ReadChip } from "../studies/ReadChip";
import { TargetChip } from "../TargetChip";
import { fresh, lastRead, length } from "../template";
import { digits } from "../../ui/units";
import { useDesk } from "../../workspace/desk";
import { useStatement } from "../useStatement";
import { LIMITED } from "../words";
import { entry } from "./entry";

const HOWS = [
  ["greatest", "the greatest"],
  ["least", "the least"],
  ["mean", "the mean"],
] as const;

function GaugeLine({ statement }: { statement: Of<"gauge"> }) {
  const { view, shown } = useNote();
  const { edit, callIt } = useStatement(statement);
  const found = view.studies.flatMap((s) => s.findings?.findings ?? []).find((f): f is GaugeFinding => f.kind === "gauge" && f.statement === statement.id);
  const known = found?.values.filter((v): v is number => v !== null) ?? [];
  const text = (v: number) => shown.text(v, found?.dimension ?? "");
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> records{" "}
      {!statement.spot && !statement.quantity.startsWith("reaction") && <ChoiceChip label="how" value={statement.how ?? "greatest"} options={HOWS} onChoose={(v) => void edit((s) => setOrDrop(s, "how", v))} />}{" "}
      <ChoiceChip label="quantity" value={statement.quantity} options={LIMITED} onChoose={(v) => void edit((s) => (s.quantity = v))} /> of <ReadChip value={statement.study} onChoose={(v) => void edit((s) => (s.study = v))} />{" "}
      {statement.spot ? (
        <>
          at <Spot label="at" value={statement.spot} onPut={(axis, v) => edit((s) => s.spot && (s.spot[axis] = v))} />
        </>
      ) : (
        <>
          over <TargetChip statement={{ ...statement, target: statement.target ?? "" }} kinds={["bodies", "faces", "edges", "points"]} />
        </>
      )}
      {found && <span className="text-spruce">: {known.length === 0 ? <span className="text-amber-ink">outside the part</span> : [...new Set([Math.min(...known), Math.max(...known)].map(text))].join(" to ")}</span>}
      {found?.peak !== undefined && <AtPeak found={found} />}
    </>
  );
}

/** Where in a sweep it is greatest, and how many times what the loads would do at rest. */
function AtPeak({ found }: { found: GaugeFinding }) {
  const { view } = useNote();
  const { set } = useDesk();
  const study = view.studies.find((s) => s.findings?.findings.includes(found));
  return (
    <span className="font-sans text-[12px]">
      , greatest at{" "}
      <button className="underline" onClick={() => set({ study: study?.name ?? "", frame: found.peak ?? 0, look: "results" })}>
        {study?.findings?.summary.frames[found.peak ?? 0]?.name}
      </button>
      {found.amplification ? `, ${digits(found.amplification)} times what the loads do at rest` : ""}
      {found.amplification && found.one_mass ? ` (by hand, one mass of mode ${found.one_mass.mode}: ${digits(found.one_mass.amplification)})` : ""}
    </span>
  );
}

export default [
  entry({
    kind: "gauge",
    section: "Findings",
    order: 5,
    Line: GaugeLine,
    templates: [
      {
        word: "gauge",
        text: "gauge: a value at a point, in every frame",
        also: "probe sensor record monitor value point",
        make: (v) => ({ kind: "gauge", name: fresh(v, "Gauge"), study: lastRead(v), quantity: "displacement", spot: { x: length(v, "0 mm", "0 in"), y: length(v, "0 mm", "0 in"), z: length(v, "0 mm", "0 in") } }),
      },
      {
        word: "gauge over a place",
        text: "gauge: greatest, least or mean over a place; or its reaction",
        also: "probe sensor record monitor group mean maximum reaction",
        make: (v) => ({ kind: "gauge", name: fresh(v, "Gauge"), study: lastRead(v), quantity: "displacement", target: v.shape.bodies[0]?.name ?? "" }),
      },
    ],
  }),
];
