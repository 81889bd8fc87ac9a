import { useState } from "react";
import { useNodes } from "../api/results";
import { ChoiceChip } from "../note/chips";
import { useNote } from "../note/context";
import { useShownField } from "../window/useShownField";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";

interface Row {
  number: number;
  at: number[];
  values: number[];
}

/** Movement and the field that is shown at every node of a place. */
export function NodesTable() {
  const { view } = useNote();
  const { study: chosen, set } = useDesk();
  const study = view.studies.find((s) => s.name === chosen) ?? view.studies[0] ?? null;
  const { fields, field, frames, frame } = useShownField(view, study);
  const groups = view.document.statements.flatMap((s) => (s.kind === "group" && !s.off ? [s.name] : []));
  const places = [...groups, ...view.shape.bodies.map((b) => b.name)];
  const [wanted, setWanted] = useState("");
  const at = places.includes(wanted) ? wanted : (places[0] ?? "");
  const names = [...new Set(["displacement_x", "displacement_y", "displacement_z", field])].filter((name) => fields.some((f) => f.name === name));
  const { data, error } = useNodes(study?.findings ? study.result : null, { model: view.id, study: study?.name ?? "", at, names, frame });
  if (!study?.result) return <p className="text-faint">Solve the study: its nodes are told then.</p>;
  const told = names.filter((name) => data?.values[name]);
  const rows: Row[] = (data?.at ?? []).map((place, i) => ({ number: i + 1, at: place, values: told.map((name) => data?.values[name]?.[i] ?? 0) }));
  const columns: Column<Row>[] = [
    { key: "number", words: "node", kind: "count", value: (r) => r.number },
    ...(["x", "y", "z"] as const).map((axis, k): Column<Row> => ({ key: axis, words: axis, kind: "length", value: (r) => r.at[k] ?? 0, least: 1e-9 })),
    ...told.map((name, k): Column<Row> => {
      const known = fields.find((f) => f.name === name);
      return { key: name, words: known?.words ?? name, kind: known?.dimension ?? "ratio", value: (r) => r.values[k] ?? 0 };
    }),
  ];
  return (
    <>
      <p className="mb-1 text-[12.5px]">
        Nodes of <ChoiceChip label="place" value={at} options={places.map((name) => [name, name] as const)} onChoose={setWanted} />
        {frames.length > 1 && ` in ${frames[frame]?.name ?? ""}`}
        {error && (
          <span role="alert" className="ml-2 text-vermilion">
            {error.message}
          </span>
        )}
      </p>
      {rows.length > 0 && <DataTable label={`Nodes of ${at}`} columns={columns} rows={rows} keyOf={(r) => String(r.number)} stale={study.state === "stale"} onRow={(r) => set({ spot: r.at as [number, number, number], look: "shape" })} />}
    </>
  );
}
