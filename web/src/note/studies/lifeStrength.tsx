import { useFatigueCurves } from "../../api/hooks";
import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { quiet } from "../../ui/quiet";
import { ChoiceChip, TextChip } from "../chips";
import { useStatement } from "../useStatement";

type Study = Of<"study">;
type Life = NonNullable<Study["life"]>;
type Point = { cycles: string; stress: string };

const CURVES = [
  ["power", "a power of life"],
  ["points", "points"],
  ["library", "the library"],
  ["ratios", "curves by ratio"],
  ["means", "curves by mean"],
] as const;
const BETWEEN = [
  ["log-log", "log–log"],
  ["semi-log", "semi-log"],
  ["linear", "linear"],
] as const;
const FINISHES = [["", "no finish"], ...["polished", "ground", "machined", "hot rolled", "as forged"].map((f) => [f, f] as const)] as readonly (readonly [NonNullable<Life["surface"]> | "", string])[];
const BORNE = [["", "half of all parts"], ...["90 %", "95 %", "99 %", "99.9 %"].map((f) => [f, `${f} of all parts`] as const)] as readonly (readonly [NonNullable<Life["reliability"]> | "", string])[];
const POWER: Life["curve"] = { coefficient: "900 MPa", exponent: "-0.09" };
const POINTS: [Point, Point] = [
  { cycles: "1e4", stress: "300 MPa" },
  { cycles: "1e6", stress: "120 MPa" },
];

/** The curve of stress against life. */
export function Bears({ statement, life }: { statement: Study; life: Life }) {
  const { edit } = useStatement(statement);
  const { data: known } = useFatigueCurves();
  const change = (put: (l: Life) => void) => edit((s) => s.life && put(s.life));
  const { curve, curves } = life;
  const by = curves?.[0]?.mean ? "mean" : "ratio";
  const how = curves ? (by === "mean" ? "means" : "ratios") : curve && "points" in curve ? "points" : curve && "library" in curve ? "library" : "power";
  return (
    <>
      it bears{" "}
      <ChoiceChip
        label="curve"
        value={how}
        options={CURVES}
        onChoose={(v) =>
          void change((l) => {
            delete l.curves;
            delete l.curve;
            if (v === "ratios")
              l.curves = [
                { ratio: "-1", points: POINTS },
                { ratio: "0", points: POINTS },
              ];
            else if (v === "means")
              l.curves = [
                { mean: "0 MPa", points: POINTS },
                { mean: "100 MPa", points: POINTS },
              ];
            else l.curve = v === "power" ? POWER : v === "points" ? { points: POINTS } : { library: known?.curves[0]?.name ?? "" };
          })
        }
      />{" "}
      {how === "power" && curve && "coefficient" in curve && (
        <>
          <TextChip label="coefficient" value={curve.coefficient} onCommit={(v) => change((l) => l.curve && "coefficient" in l.curve && (l.curve.coefficient = v))} /> N^
          <TextChip label="exponent" value={curve.exponent} onCommit={(v) => change((l) => l.curve && "coefficient" in l.curve && (l.curve.exponent = v))} />
        </>
      )}
      {curve && "library" in curve && <ChoiceChip label="library curve" value={curve.library} options={(known?.curves ?? []).map((c) => [c.name, c.name] as const)} missing={!!known && !known.curves.some((c) => c.name === curve.library)} onChoose={(v) => void change((l) => (l.curve = { library: v }))} />}
      {curve && "points" in curve && (
        <>
          <Points list={curve.points} onChange={(put) => change((l) => l.curve && "points" in l.curve && put(l.curve.points))} />, <ChoiceChip label="between points" value={curve.between ?? "log-log"} options={BETWEEN} onChoose={(v) => void change((l) => l.curve && "points" in l.curve && (l.curve.between = v))} /> between
        </>
      )}
      {curves?.map((c, i) => (
        <span key={i} className="block">
          at a {by}{" "}
          {by === "mean" ? (
            <TextChip label={`mean ${i + 1}`} value={c.mean ?? ""} onCommit={(v) => change((l) => l.curves?.[i] && (l.curves[i].mean = v))} />
          ) : (
            <TextChip label={`ratio ${i + 1}`} value={c.ratio ?? ""} onCommit={(v) => change((l) => l.curves?.[i] && (l.curves[i].ratio = v))} />
          )}
          : <Points list={c.points} onChange={(put) => change((l) => l.curves?.[i] && put(l.curves[i].points))} />
        </span>
      ))}
      {curves && (
        <button className={quiet} onClick={() => void change((l) => void l.curves?.push(by === "mean" ? { mean: "100 MPa", points: POINTS } : { ratio: "0.5", points: POINTS }))}>
          + curve
        </button>
      )}
      , and endures <TextChip label="endurance" optional placeholder="no stress for ever" value={life.endurance ?? ""} onCommit={(v) => change((l) => setOrDrop(l, "endurance", v))} />
    </>
  );
}

function Points({ list, onChange }: { list: Point[]; onChange: (put: (points: Point[]) => void) => Promise<void> }) {
  return (
    <>
      {list.map((p, i) => (
        <span key={i}>
          {i > 0 && ", "}
          <TextChip label={`stress ${i + 1}`} value={p.stress} onCommit={(v) => onChange((all) => all[i] && (all[i].stress = v))} /> for <TextChip label={`cycles ${i + 1}`} value={p.cycles} onCommit={(v) => onChange((all) => all[i] && (all[i].cycles = v))} />
          {list.length > 2 && (
            <button className={quiet} aria-label={`remove point ${i + 1}`} onClick={() => void onChange((all) => void all.splice(i, 1))}>
              ×
            </button>
          )}
        </span>
      ))}
      <button className={quiet} onClick={() => void onChange((all) => void all.push({ ...(all.at(-1) ?? POINTS[0]) }))}>
        + point
      </button>
    </>
  );
}

const LAW = [
  ["strength", "σf′"],
  ["exponent", "b"],
  ["ductility", "εf′"],
  ["ductile_exponent", "c"],
  ["hardening", "K′"],
  ["hardening_exponent", "n′"],
] as const;

export function Law({ statement, life }: { statement: Study; life: Life }) {
  const { edit } = useStatement(statement);
  const { strain } = life;
  if (!strain)
    return (
      <>
        its constants estimated from the ultimate strength
        <button className={quiet} onClick={() => void edit((s) => s.life && (s.life.strain = { strength: "900 MPa", exponent: "-0.09", ductility: "0.4", ductile_exponent: "-0.58", hardening: "1000 MPa", hardening_exponent: "0.15" }))}>
          type them
        </button>
      </>
    );
  return (
    <>
      {LAW.map(([key, words], i) => (
        <span key={key}>
          {i > 0 && ", "}
          {words} <TextChip label={key.replace("_", " ")} value={strain[key]} onCommit={(v) => edit((s) => s.life?.strain && (s.life.strain[key] = v))} />
        </span>
      ))}
      <button className={quiet} onClick={() => void edit((s) => s.life && void delete s.life.strain)}>
        estimate them
      </button>
    </>
  );
}

/** What lowers the strength. */
export function Lowered({ statement, life }: { statement: Study; life: Life }) {
  const { edit } = useStatement(statement);
  const change = (put: (l: Life) => void) => edit((s) => s.life && put(s.life));
  return (
    <>
      <ChoiceChip label="finish" value={life.surface ?? ""} options={FINISHES} onChoose={(v) => void change((l) => setOrDrop(l, "surface", v))} />, borne by <ChoiceChip label="borne by" value={life.reliability ?? ""} options={BORNE} onChoose={(v) => void change((l) => setOrDrop(l, "reliability", v))} />, factors for size{" "}
      <TextChip label="size factor" optional placeholder="1, or a diameter" value={life.size ?? ""} onCommit={(v) => change((l) => setOrDrop(l, "size", v))} />, temperature <TextChip label="temperature factor" optional placeholder="1, or how warm" value={life.temperature ?? ""} onCommit={(v) => change((l) => setOrDrop(l, "temperature", v))} />, other{" "}
      <TextChip label="other factor" optional placeholder="1" value={life.other ?? ""} onCommit={(v) => change((l) => setOrDrop(l, "other", v))} />
    </>
  );
}
