import type { StagesFinding, TouchAt } from "../api/types";
import { useDesk } from "../workspace/desk";
import { Converging } from "./Converging";
import { DataTable, type Column } from "./DataTable";
import { StageCurve } from "./StageCurve";
import { StripGraph } from "./StripGraph";
import { useFrame } from "./useFrame";

type Row = StagesFinding["rows"][number];

interface Pressed {
  stage: string;
  label: string;
  statement: string;
  at: TouchAt;
}

const TOUCHES: Column<Pressed>[] = [
  { key: "stage", words: "stage", kind: "text", value: (r) => r.stage },
  { key: "label", words: "touch", kind: "text", value: (r) => r.label },
  { key: "normal", words: "presses", kind: "force", value: (r) => r.at.normal },
  { key: "shear", words: "across", kind: "force", value: (r) => r.at.shear },
  { key: "greatest", words: "greatest pressure", kind: "stress", value: (r) => r.at.greatest },
  { key: "closed", words: "closed", kind: "share", value: (r) => r.at.closed },
  { key: "sticks", words: "sticks", kind: "share", value: (r) => r.at.sticks ?? "–" },
  { key: "slides", words: "slides", kind: "share", value: (r) => r.at.slides ?? "–" },
];

interface Tied {
  stage: string;
  name: string;
  force: number;
  bonded: number;
}

const TIES: Column<Tied>[] = [
  { key: "stage", words: "stage", kind: "text", value: (r) => r.stage },
  { key: "name", words: "anchor", kind: "text", value: (r) => r.name },
  { key: "force", words: "pull of one", kind: "force", value: (r) => r.force },
  { key: "bonded", words: "most along its bond", kind: "force", value: (r) => r.bonded },
];

/** What every stage ended with, and how its increments came to rest. */
export function StagesTable() {
  const { set } = useDesk();
  const { state, stale, shownFrame } = useFrame();
  const found = state?.findings?.findings.find((f): f is StagesFinding => f.kind === "stages");
  if (!found) return <p className="text-faint">A study of stages takes loads one after the other: press / and write stages, solve it, and choose it above the model.</p>;
  const columns: Column<Row>[] = [
    { key: "name", words: "stage", kind: "text", value: (r) => r.name },
    { key: "displacement", words: "greatest displacement", kind: "length", value: (r) => r.displacement ?? "–" },
    { key: "von_mises", words: "von Mises stress", kind: "stress", value: (r) => r.von_mises ?? "–" },
    ...(found.rows.some((r) => r.plastic !== null && !r.cracks) ? [{ key: "plastic", words: "plastic strain", kind: "share", value: (r: Row) => r.plastic ?? "–" } satisfies Column<Row>] : []),
    ...(found.rows.some((r) => r.cracks) ? [{ key: "cracks", words: "widest crack", kind: "length", value: (r: Row) => r.cracks?.width ?? "–" } satisfies Column<Row>] : []),
    { key: "increments", words: "increments", kind: "count", value: (r) => r.increments },
    { key: "iterations", words: "iterations", kind: "count", value: (r) => r.residuals.flat().length },
    { key: "cuts", words: "halved", kind: "count", value: (r) => r.cuts },
  ];
  return (
    <div className={`flex gap-5 overflow-x-auto ${stale ? "opacity-60" : ""}`}>
      <div className="flex min-w-[340px] flex-1 flex-col gap-3 self-start overflow-x-auto">
        <DataTable label="Stages of the study" columns={columns} rows={found.rows} keyOf={(r) => r.name} onRow={(r) => r.frame !== null && set({ frame: r.frame })} />
        {found.touches.length > 0 && (
          <DataTable label="Touches" columns={TOUCHES} rows={found.rows.flatMap((r) => (r.frame === null ? [] : found.touches.flatMap((t) => (t.rows[r.frame as number] ? [{ stage: r.name, label: t.label, statement: t.statement, at: t.rows[r.frame as number] as TouchAt }] : []))))} keyOf={(r) => `${r.stage} ${r.statement}`} onRow={(r) => set({ selected: r.statement })} />
        )}
        {found.rows.some((r) => r.anchors?.length) && <DataTable label="Anchors" columns={TIES} rows={found.rows.flatMap((r) => (r.anchors ?? []).map((a) => ({ stage: r.name, ...a })))} keyOf={(r) => `${r.stage} ${r.name}`} />}
      </div>
      {found.strips?.length ? (
        <StripGraph found={found} stage={found.rows.find((r) => r.frame !== null && r.frame >= (shownFrame?.index ?? 0))?.name} />
      ) : (
        found.curve && <StageCurve curve={found.curve} />
      )}
      <Converging residuals={found.rows.flatMap((r) => r.residuals)} />
    </div>
  );
}
