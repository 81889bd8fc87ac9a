import { useNote } from "./context";

/** The greatest force in what a statement joins, over the frames that are judged, as long as that still holds. */
export function ConnectorForces({ id }: { id: string }) {
  const { view, shown } = useNote();
  const study = view.studies.find((s) => s.state === "solved" && s.findings?.summary.connectors.some((c) => c.statement === id));
  const mine = study?.findings?.summary.connectors.filter((c) => c.statement === id) ?? [];
  if (mine.length === 0) return null;
  const open = mine.filter((c) => c.opens.length > 0);
  return (
    <span className="text-spruce">
      {" "}
      · carries {shown.text(Math.max(...mine.map((c) => c.most)), "force")} at most{mine.length > 1 && `, ${mine.length} of them`}
      {open.length > 0 && (
        <span className="text-amber-ink">
          ; {mine.length === 1 ? "lets go" : `${open.length} let go`} in {open[0]?.opens[0]}
          {(open[0]?.opens.length ?? 0) > 1 && " and others"}
        </span>
      )}
    </span>
  );
}
