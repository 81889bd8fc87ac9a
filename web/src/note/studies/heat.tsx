import type { HeatFinding, Of } from "../../api/types";
import { TextChip } from "../chips";
import { useNote } from "../context";
import { fresh, type Template } from "../template";
import { useStatement } from "../useStatement";

export function HeatLine({ statement }: { statement: Of<"study"> }) {
  const { view, shown } = useNote();
  const { callIt } = useStatement(statement);
  const state = view.studies.find((s) => s.statement === statement.id);
  const found = state?.findings?.findings.find((f): f is HeatFinding => f.kind === "heat");
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> finds the temperatures that settle
      {found && (
        <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-heat>
          From <b className="font-semibold">{shown.text(found.least, "temperature")}</b> to <b className="font-semibold">{shown.text(found.greatest, "temperature")}</b>.{" "}
          {found.rows.map((r) => `${r.power < 0 ? "Out" : "In"} at ${r.target} ${shown.text(Math.abs(r.power), "power")}`).join(", ")}; <span className={found.holds ? "text-spruce" : "font-semibold text-vermilion"}>they balance to {(found.error * 100).toFixed(2)} %</span>.
        </span>
      )}
    </>
  );
}

export const heat: Template = {
  word: "heat study",
  text: "study: steady heat, the temperatures that settle",
  also: "thermal conduction temperature convection study warm",
  make: (v) => ({ kind: "study", name: fresh(v, "Heat"), type: "heat" }),
};
