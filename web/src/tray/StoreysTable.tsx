import { useState } from "react";
import type { ShakenRun, ShakingFinding, StoreysFinding, StudyState } from "../api/types";
import { ChoiceChip } from "../note/chips";
import { useNote } from "../note/context";
import { digits } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { Graph, type Curve } from "./Graph";
import { useFrame } from "./useFrame";

const own = <K extends "storeys" | "shaking" | "collapse">(state: StudyState | undefined, kind: K) => state?.findings?.findings.find((f) => f.kind === kind) as Extract<NonNullable<StudyState["findings"]>["findings"][number], { kind: K }> | undefined;

/** Floors of a building: pushed on and on, or shaken. */
export function StoreysTable() {
  const { view } = useNote();
  const { state, stale } = useFrame();
  const storeys = own(state, "storeys");
  const shaking = own(state, "shaking");
  if (!storeys && !shaking) return <p className="text-faint">Pushovers and earthquakes tell of floors: press / and write floor, then pushover or shaking, solve, and choose the study above the model.</p>;
  const collapse = own(state, "collapse");
  return (
    <div className={`flex gap-4 ${stale ? "opacity-60" : ""}`}>
      {shaking ? <Courses found={shaking} storeys={storeys} /> : storeys && collapse && <Capacity name={state?.name ?? ""} storeys={storeys} others={view.studies.filter((s) => s !== state)} />}
      {storeys && <Floors found={storeys} />}
      {shaking?.runs && <Runs rows={shaking.runs} floors={storeys?.floors.map((f) => f.name) ?? []} />}
    </div>
  );
}

/** How far the top moved, the way that it went, and what the feet took for it. */
function path(found: StoreysFinding, shown: (v: number, kind: string) => number) {
  const last = found.moved.at(-1)?.at(-1) ?? [0, 0];
  const k = Math.abs(last[0]) >= Math.abs(last[1]) ? 0 : 1;
  const sign = last[k] < 0 ? -1 : 1;
  return { axis: `${sign < 0 ? "−" : ""}${found.axes[k]}`, x: [0, ...found.moved.map((row) => shown((row.at(-1)?.[k] ?? 0) * sign, "length"))], y: [0, ...found.base.map((b) => shown(b[k] * sign, "force"))] };
}

function Capacity({ name, storeys, others }: { name: string; storeys: StoreysFinding; others: StudyState[] }) {
  const { shown } = useNote();
  const { set } = useDesk();
  const number = (v: number, kind: string) => shown.number(v, kind);
  const mine = path(storeys, number);
  const beside = others.flatMap((s) => {
    const found = own(s, "storeys");
    return found && own(s, "collapse") ? [{ name: s.name, ...path(found, number) }] : [];
  });
  return (
    <div className="min-w-[330px] flex-1" data-capacity>
      <Graph x={mine.x} curves={[{ name, y: mine.y }, ...beside.map((b) => ({ name: b.name, x: b.x, y: b.y }))]} xWords={`${storeys.floors.at(-1)?.name ?? "top"} moves along ${mine.axis} by, ${shown.unit("length")}`} yWords={`force that the feet take, ${shown.unit("force")}`} label="force at the feet over movement of the top" onChoose={(i) => set({ frame: Math.max(i - 1, 0) })} />
    </div>
  );
}

type Course = "moved" | "drift" | "rates" | "base" | "loop" | "ground";
const COURSES: Record<Course, string> = { moved: "movement of floors", drift: "drift of storeys", rates: "acceleration of floors", base: "force that the feet take", loop: "that force over movement of the top", ground: "acceleration of the ground" };

/** One or two courses over time, all floors together. */
function Courses({ found, storeys }: { found: ShakingFinding; storeys: StoreysFinding | undefined }) {
  const { shown } = useNote();
  const { set } = useDesk();
  const { summary } = useFrame();
  const axes = storeys?.axes ?? ["x", "y"];
  const along = found.motions[0]?.along ?? [1, 0, 0];
  const first = Math.max(0, axes.findIndex((a) => Math.abs(along["xyz".indexOf(a)] ?? 0) > 0.5));
  const [axis, setAxis] = useState<string>(axes[first] ?? "x");
  const [picked, setPicked] = useState<Course>(storeys ? "moved" : "base");
  const [also, setAlso] = useState<Course | "">("");
  const k = axis === axes[1] ? 1 : 0;
  const kinds = (Object.keys(COURSES) as Course[]).filter((c) => storeys || c === "base" || c === "ground");
  /** The frame that is nearest to a moment. */
  function choose(i: number) {
    const time = found.times[i] ?? 0;
    const frames = summary?.frames ?? [];
    const best = frames.reduce((b, f, n) => (Math.abs((f.value ?? 0) - time) < Math.abs((frames[b]?.value ?? 0) - time) ? n : b), 0);
    set({ frame: best });
  }
  return (
    <div className={`flex-1 ${also ? "min-w-[640px]" : "min-w-[340px]"}`} data-courses>
      <p className="text-[12px]">
        <ChoiceChip label="course" value={picked} options={kinds.map((c) => [c, COURSES[c]] as const)} onChoose={setPicked} /> along <ChoiceChip label="axis" value={axis} options={axes.map((a) => [a, a] as const)} onChoose={setAxis} />, and{" "}
        <ChoiceChip label="second course" value={also} options={[["", "nothing else"] as readonly [Course | "", string], ...kinds.map((c) => [c, COURSES[c]] as const)]} onChoose={setAlso} />
      </p>
      <div className="flex gap-3">
        {[picked, ...(also && also !== picked ? [also] : [])].map((course) => (
          <div key={course} className="min-w-0 flex-1">
            <CourseGraph course={course} k={k} axis={axis} found={found} storeys={storeys} unit={(kind) => shown.unit(kind)} number={(v, kind) => shown.number(v, kind)} onChoose={choose} />
          </div>
        ))}
      </div>
    </div>
  );
}

interface CourseProps {
  course: Course;
  k: 0 | 1;
  axis: string;
  found: ShakingFinding;
  storeys: StoreysFinding | undefined;
  unit: (kind: string) => string;
  number: (v: number, kind: string) => number;
  onChoose: (i: number) => void;
}

function CourseGraph({ course, k, axis, found, storeys, unit, number, onChoose }: CourseProps) {
  const floors = storeys?.floors ?? [];
  const moved = (i: number, t: number) => storeys?.moved[t]?.[i]?.[k] ?? 0;
  const over = (make: (i: number, t: number) => number): Curve[] => floors.map((f, i) => ({ name: f.name, y: found.times.map((_, t) => make(i, t)) }));
  const base = found.base.map((b) => number(b[k], "force"));
  const told: Record<Course, [Curve[], string]> = {
    moved: [over((i, t) => number(moved(i, t), "length")), `movement along ${axis}, ${unit("length")}`],
    drift: [over((i, t) => ((moved(i, t) - (i ? moved(i - 1, t) : 0)) / (floors[i]?.height ?? 1)) * 100), `drift along ${axis}, % of the height`],
    rates: [over((i, t) => number(storeys?.rates?.[t]?.[i]?.[k] ?? 0, "acceleration")), `acceleration along ${axis}, ${unit("acceleration")}`],
    base: [[{ name: "feet", y: base }], `force at the feet along ${axis}, ${unit("force")}`],
    loop: [[{ name: "feet", y: base }], `force at the feet along ${axis}, ${unit("force")}`],
    ground: [found.motions.map((m, d) => ({ name: `${m.name} ${d + 1}`, y: found.ground.map((row) => number(row[d] ?? 0, "acceleration")) })), `acceleration of the ground, ${unit("acceleration")}`],
  };
  const [curves, words] = told[course];
  if (course === "loop") return <Graph x={found.times.map((_, t) => number(moved(floors.length - 1, t), "length"))} curves={curves} xWords={`${floors.at(-1)?.name ?? "top"} moves by, ${unit("length")}`} yWords={words} label={COURSES[course]} onChoose={onChoose} />;
  return <Graph x={found.times} curves={curves} xWords="time, s" yWords={words} label={COURSES[course]} onChoose={onChoose} />;
}

interface Floor {
  name: string;
  level: number;
  moved: number;
  drift: number;
  rate: number | null;
  frame: number;
}

function Floors({ found }: { found: StoreysFinding }) {
  const { set } = useDesk();
  const rows: Floor[] = found.floors.map((f, i) => ({ name: f.name, level: f.level, moved: found.farthest[i] ?? 0, drift: found.drifts[i]?.drift ?? 0, rate: found.fastest?.[i] ?? null, frame: found.drifts[i]?.frame ?? 0 })).reverse();
  const columns: Column<Floor>[] = [
    { key: "name", words: "floor", kind: "text", value: (r) => r.name },
    { key: "level", words: "at", kind: "length", value: (r) => r.level },
    { key: "moved", words: "moves by", kind: "length", value: (r) => r.moved },
    { key: "drift", words: "drift below, %", kind: "count", value: (r) => Number((r.drift * 100).toPrecision(3)) },
    ...(found.fastest ? [{ key: "rate", words: "accelerates by", kind: "acceleration", value: (r: Floor) => r.rate ?? 0 }] : []),
  ];
  return (
    <div className="self-start">
      <DataTable label="Floors" columns={columns} rows={rows} keyOf={(r) => r.name} onRow={(r) => set({ frame: r.frame })} />
    </div>
  );
}

/** Every run, and how far each motion drifts at which scale. */
function Runs({ rows, floors }: { rows: ShakenRun[]; floors: string[] }) {
  const motions = [...new Set(rows.map((r) => r.motion))];
  const scales = [...new Set(rows.map((r) => r.scale))].sort((a, b) => a - b);
  const drift = (r: ShakenRun | undefined) => (r?.drifts ? Math.max(...r.drifts) * 100 : (r?.farthest ?? null));
  const columns: Column<ShakenRun>[] = [
    { key: "motion", words: "motion", kind: "text", value: (r) => r.motion },
    { key: "scale", words: "times", kind: "count", value: (r) => r.scale },
    { key: "peak", words: "ground", kind: "acceleration", value: (r) => r.peak },
    ...floors.map((name, i): Column<ShakenRun> => ({ key: `drift ${i}`, words: `drift below ${name}, %`, kind: "count", value: (r) => Number(((r.drifts?.[i] ?? 0) * 100).toPrecision(3)) })),
    { key: "base", words: "feet take", kind: "force", value: (r) => r.base },
    { key: "stuck", words: "came", kind: "text", value: (r) => (r.stuck === null ? "to its end" : `to ${digits(r.stuck)} s`) },
  ];
  return (
    <>
      <div className="self-start">
        <DataTable label="Runs" columns={columns} rows={rows} keyOf={(r) => `${r.motion} ${r.scale}`} />
      </div>
      {scales.length > 1 && (
        <div className="min-w-[330px] flex-1">
          <Graph x={scales} curves={motions.map((m) => ({ name: m, y: scales.map((s) => drift(rows.find((r) => r.motion === m && r.scale === s))) }))} xWords="times the record" yWords={floors.length > 0 ? "greatest drift, %" : "greatest movement, m"} label="drift over scale" />
        </div>
      )}
    </>
  );
}

