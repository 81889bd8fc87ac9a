import type { LifeFinding, LifeLoop } from "../api/types";
import { useNote } from "../note/context";
import { lasts } from "../note/studies/life";
import { digits } from "../ui/units";
import { DataTable, type Column } from "./DataTable";
import { Graph } from "./Graph";
import { MeansDiagram } from "./MeansDiagram";
import { StrainLoops } from "./StrainLoops";
import { useToldStudy } from "./useFrame";

const RULES: Record<string, string> = { none: "means do nothing", goodman: "σa / (1 − σm / Su)", gerber: "σa / (1 − (σm / Su)²)", soderberg: "σa / (1 − σm / Sy)", morrow: "σa / (1 − σm / σf′)", swt: "√(σmax σa)", walker: "σmax^(1−γ) σa^γ" };

/** The worst point of a life, loop by loop: what a reviewer can follow with a calculator. */
export function LifeTable() {
  const { view, shown } = useNote();
  const { study } = useToldStudy();
  const all = view.studies.filter((s) => s.findings?.findings.some((f) => f.kind === "life"));
  const state = all.find((s) => s.name === study) ?? all[0];
  const found = state?.findings?.findings.find((f): f is LifeFinding => f.kind === "life");
  if (!found) return <p className="text-faint">How the worst point wears stands here once a life study is solved.</p>;
  const strain = found.by === "strain";
  const share = (v: number) => digits(Number(v.toPrecision(4)));
  const columns: Column<LifeLoop>[] = [
    { key: "loop", words: "loop", kind: "text", value: (r) => `${r.from}–${r.to}` },
    { key: "amplitude", words: "amplitude σa", kind: "stress", value: (r) => r.amplitude },
    { key: "mean", words: "mean σm", kind: "stress", value: (r) => r.mean, least: 1 },
    ...(strain
      ? [
          { key: "greatest", words: "greatest", kind: "stress", value: (r) => r.greatest } satisfies Column<LifeLoop>,
          { key: "strain", words: "amplitude of strain", kind: "text", value: (r) => r.strain ?? 0, draw: (r) => share(r.strain ?? 0) } satisfies Column<LifeLoop>,
        ]
      : [
          { key: "equivalent", words: `about no mean: ${RULES[found.rule] ?? ""}`, kind: "stress", value: (r) => r.equivalent ?? "–" } satisfies Column<LifeLoop>,
          { key: "reduced", words: "over factors", kind: "stress", value: (r) => r.reduced ?? "–" } satisfies Column<LifeLoop>,
        ]),
    { key: "life", words: "cycles N", kind: "text", value: (r) => r.life ?? Infinity, draw: (r) => (r.life === null ? "endless" : share(r.life)) },
    { key: "damage", words: "damage 1/N", kind: "text", value: (r) => r.damage, draw: (r) => share(r.damage) },
  ];
  const factors = Object.entries(found.factors);
  const at = found.worst.at.map((v) => digits(shown.number(v, "length"))).join("; ");
  return (
    <div className={state?.state === "stale" ? "opacity-60" : ""}>
      <p className="mb-1 text-[12.5px]">
        {state?.name}: worst in {found.worst.body} at {at} {shown.unit("length")}
        {found.worst.layer ? `, ${found.worst.layer}` : ""}, by the {found.uses}. {factors.length > 0 && `Strength × ${factors.map(([name, value]) => `${name} ${share(value)}${found.worked?.[name] ? ` (${found.worked[name]})` : ""}`).join(" × ")} = ${share(factors.reduce((p, [, v]) => p * v, 1))}. `}
        {found.strength !== null && `The rule for means is about ${shown.text(found.strength, "stress")}. `}
        {found.of_loops > found.loops.length && `The ${found.loops.length} most damaging of ${found.of_loops} loops. `}
        {found.as_found && "Strains are as the stages found them, elastic and flowed. "}
        All damage of a pass {share(found.worst.damage)}, so it lasts {lasts(found)}.
        {found.law && ` σf′ ${shown.text(found.law.strength ?? 0, "stress")}, b ${found.law.exponent}, εf′ ${share(found.law.ductility ?? 0)}, c ${found.law.ductile_exponent}, K′ ${shown.text(found.law.hardening ?? 0, "stress")}, n′ ${found.law.hardening_exponent}.`}
      </p>
      <div className="flex flex-wrap gap-5">
        {found.worst.values.length > 2 && (
          <div className="min-w-[380px] flex-1">
            <Graph close x={found.worst.values.map((_, i) => i + 1)} curves={[{ name: "stress", y: found.worst.values.map((v) => shown.number(v, "stress")) }]} xWords="value of the pass" yWords={`stress at the worst point, ${shown.unit("stress")}`} label="stress at the worst point" />
          </div>
        )}
        {found.curve.length > 1 && found.worst.values.length <= 2 && (
          <div className="min-w-[380px] flex-1">
            <Graph
              log
              x={found.curve.map((p) => p.cycles)}
              curves={[
                { name: "what it bears", y: found.curve.map((p) => shown.number(p.stress, "stress")) },
                { name: "the worst point", x: found.loops.flatMap((l) => (l.life === null ? [] : [l.life])), y: found.loops.flatMap((l) => (l.life === null || l.equivalent === null ? [] : [shown.number(l.equivalent, "stress")])) },
              ]}
              xWords="cycles"
              yWords={`amplitude, ${shown.unit("stress")}`}
              label="what it bears over cycles"
            />
          </div>
        )}
        <MeansDiagram found={found} />
        <StrainLoops found={found} />
        <div className="self-start">
          <DataTable label="Loops" columns={columns} rows={found.loops} keyOf={(r) => `${r.from} ${r.to}`} />
        </div>
        {found.matrix.length > 0 && (
          <div className="min-w-[300px] self-start">
            <Matrix found={found} />
          </div>
        )}
      </div>
    </div>
  );
}

const [SIDE, CELL] = [52, 15];

/** How many loops by amplitude and mean: the darker, the more; ringed where most damage is done. */
function Matrix({ found }: { found: LifeFinding }) {
  const { shown } = useNote();
  const cells = found.matrix;
  const steps = (of: (c: (typeof cells)[number]) => number) => [...new Set(cells.map(of))].sort((a, b) => a - b);
  const [amplitudes, means] = [steps((c) => c.amplitude), steps((c) => c.mean)];
  const most = Math.max(...cells.map((c) => c.count));
  const worst = Math.max(...cells.map((c) => c.damage));
  const text = (v: number) => digits(Number(shown.number(v, "stress").toPrecision(3)));
  return (
    <svg viewBox={`0 0 ${SIDE + means.length * CELL + 40} ${amplitudes.length * CELL + 44}`} role="img" aria-label="cycle matrix" className="w-full max-w-[360px]">
      {cells.map((c) => {
        const [x, y] = [SIDE + means.indexOf(c.mean) * CELL, 4 + (amplitudes.length - 1 - amplitudes.indexOf(c.amplitude)) * CELL];
        return (
          <rect key={`${c.amplitude} ${c.mean}`} x={x} y={y} width={CELL - 1} height={CELL - 1} fill="#2f7171" fillOpacity={0.2 + 0.8 * (c.count / most)} stroke={c.damage === worst ? "#b3541e" : "none"} strokeWidth="2">
            <title>{`${c.count} loops, amplitude ${shown.text(c.amplitude, "stress")}, mean ${shown.text(c.mean, "stress")}, damage ${c.damage.toExponential(2)}`}</title>
          </rect>
        );
      })}
      {[0, amplitudes.length - 1].map((i) => (
        <text key={i} x={SIDE - 5} y={4 + (amplitudes.length - 1 - i) * CELL + 11} textAnchor="end" fontSize="10" className="fill-faint font-mono">
          {text(amplitudes[i] ?? 0)}
        </text>
      ))}
      {[0, means.length - 1].map((i) => (
        <text key={i} x={SIDE + i * CELL} y={amplitudes.length * CELL + 18} fontSize="10" className="fill-faint font-mono">
          {text(means[i] ?? 0)}
        </text>
      ))}
      <text x={SIDE} y={amplitudes.length * CELL + 34} fontSize="10.5" className="fill-faint">
        loops by mean → and amplitude ↑, {shown.unit("stress")}
      </text>
    </svg>
  );
}
