import type { Of, PowerFinding } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { useDesk } from "../../workspace/desk";
import { TextChip } from "../chips";
import { useNote } from "../context";
import { ReadChip } from "../studies/ReadChip";
import { studiesOf } from "../studies/OfChip";
import { TargetChip } from "../TargetChip";
import { fresh } from "../template";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

function RadiatedPowerLine({ statement }: { statement: Of<"radiated_power"> }) {
  const { view, shown } = useNote();
  const { set } = useDesk();
  const { edit, callIt } = useStatement(statement);
  const study = view.studies.find((s) => s.name === statement.study);
  const found = study?.findings?.findings.find((f): f is PowerFinding => f.kind === "radiated_power" && f.statement === statement.id);
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is the sound power that <TargetChip statement={statement} kinds={["faces"]} /> radiates in <ReadChip value={statement.study} onChoose={(v) => void edit((s) => (s.study = v))} />, into{" "}
      <TextChip label="density" optional placeholder="air of 1.204 kg/m³" value={statement.density ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "density", v))} /> with sound of{" "}
      <TextChip label="speed of sound" optional placeholder="343 m/s" value={statement.speed ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "speed", v))} />
      {found && (
        <span className="text-spruce" data-power>
          : at most {shown.text(found.values[found.peak] ?? 0, "power")}, {(found.decibels[found.peak] ?? 0).toFixed(1)} dB, at{" "}
          <button className="underline" onClick={() => set({ study: statement.study, frame: found.peak, look: "results" })}>
            {study?.findings?.summary.frames[found.peak]?.name}
          </button>
        </span>
      )}
    </>
  );
}

export default [
  entry({
    kind: "radiated_power",
    section: "Findings",
    order: 7,
    Line: RadiatedPowerLine,
    templates: [
      {
        word: "radiated power",
        text: "sound power that faces radiate, over frequency",
        also: "noise acoustic sound radiation decibel",
        make: (v) => ({ kind: "radiated_power", name: fresh(v, "Noise"), study: studiesOf(v, "harmonic").at(-1) ?? "", target: "" }),
      },
    ],
  }),
];
