import { usePlaces, type Extreme, type PlaceExtremes } from "../api/results";
import { useNote } from "../note/context";
import { useShownField } from "../window/useShownField";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";

/** Least and greatest of the field that is shown, in each body and each group; a click looks there. */
export function ExtremesTable() {
  const { view } = useNote();
  const { study: chosen, set } = useDesk();
  const study = view.studies.find((s) => s.name === chosen) ?? view.studies[0] ?? null;
  const { fields, field, frames, frame } = useShownField(view, study);
  const known = fields.find((f) => f.name === field);
  const { data, error } = usePlaces(study?.findings && known ? study.result : null, { model: view.id, study: study?.name ?? "", name: field, frame });
  if (!study?.result) return <p className="text-faint">Solve the study: extremes of its fields are told then.</p>;
  if (error) return <p role="alert" className="text-vermilion">{error.message}</p>;
  const kind = known?.dimension ?? "ratio";
  const ends = (["greatest", "least"] as const).flatMap((way): Column<PlaceExtremes>[] => [
    { key: way, words: way, kind, value: (row) => row[way].value },
    ...(["x", "y", "z"] as const).map((axis, k): Column<PlaceExtremes> => ({ key: `${way} ${axis}`, words: axis, kind: "length", value: (row) => row[way].at[k] ?? 0, least: 1e-9 })),
  ]);
  const columns: Column<PlaceExtremes>[] = [{ key: "place", words: "place", kind: "text", value: (row) => row.place }, ...ends];
  const look = (at: Extreme) => set({ spot: at.at as [number, number, number], look: "results" });
  return <DataTable label="Extremes" columns={columns} rows={data ?? []} keyOf={(row) => row.place} first="greatest" stale={study.state === "stale"} onRow={(row) => look(Math.abs(row.least.value) > Math.abs(row.greatest.value) ? row.least : row.greatest)} note={`${known?.words ?? field}${frames.length > 1 ? ` in ${frames[frame]?.name ?? ""}` : ""}, averaged.`} />;
}
