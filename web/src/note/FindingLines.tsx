import type { EquilibriumFinding, HandCheckFinding, LimitFinding, StudyState } from "../api/types";
import { percent } from "../ui/units";
import { useNote } from "./context";
import { Turns } from "./Turns";

/** What a study's result says, in the words of the note. */
export function StudyFindings({ study }: { study: StudyState }) {
  const { shown } = useNote();
  const findings = study.findings;
  if (!findings) return <p className="px-3 py-0.5 font-serif text-faint">{study.name} has not been solved.</p>;
  const balance = findings.findings.find((f): f is EquilibriumFinding => f.kind === "equilibrium");
  const { frames, mass } = findings.summary;
  const real = frames.filter((f) => f.kind !== "envelope");
  const most = (of: (f: (typeof frames)[number]) => number) => real.reduce((a, b) => (of(b) > of(a) ? b : a));
  // What shapes and lives say stands at their study.
  if (real[0]?.kind === "life" || real[0]?.kind === "heat") return null;
  if (!real.some((f) => f.peaks.von_mises)) return <p className={`px-3 py-0.5 font-serif ${study.state === "stale" ? "opacity-60" : ""}`}>{study.name}: {real.length} shapes.</p>;
  const [stressed, bent] = [most((f) => f.peaks.von_mises?.value ?? 0), most((f) => f.peaks.displacement.value)];
  const named = (frame: { name: string }) => (real.length > 1 ? ` ${real[0]?.kind === "frequency" ? "at" : "in"} ${frame.name}` : "");
  return (
    <p className={`px-3 py-0.5 font-serif ${study.state === "stale" ? "opacity-60" : ""}`}>
      {study.state === "stale" && <span className="mr-1 font-sans text-[12px] text-amber-ink">stale ·</span>}
      {study.name}:{" "}
      {balance && (
        <>
          reactions balance the loads to <span className={balance.holds ? "text-spruce" : "font-semibold text-vermilion"}>{(balance.value * 100).toFixed(2)} %</span>.{" "}
        </>
      )}
      Greatest von Mises stress{" "}
      <b className="font-semibold">{shown.text(stressed.peaks.von_mises?.value ?? 0, "stress")}</b>
      {named(stressed)}
      {typeof stressed.peaks.von_mises?.unaveraged === "number" && <> (before averaging {shown.text(stressed.peaks.von_mises.unaveraged, "stress")})</>}, greatest displacement{" "}
      <b className="font-semibold">{shown.text(bent.peaks.displacement.value, "length")}</b>
      {named(bent)}
      {mass !== null && <>, mass {shown.text(mass, "mass")}</>}.
      <Turns study={study} />
      {findings.first && (
        <>
          {" "}
          First to go: <b className="font-semibold">{findings.first.what}</b>, with a factor of {findings.first.safety.toPrecision(3)}.
        </>
      )}
    </p>
  );
}

/** The verdict on a limit, at the right of its statement. */
export function LimitVerdict({ finding, stale }: { finding: LimitFinding; stale: boolean }) {
  const { shown } = useNote();
  return (
    <span className={`ml-auto shrink-0 pl-2 text-right font-sans text-[12.5px] ${stale ? "opacity-55" : ""}`} data-verdict={finding.holds ? "holds" : "fails"}>
      <span className={`block font-semibold ${finding.holds ? "text-spruce" : "text-vermilion"}`}>
        {finding.holds ? "holds" : "fails"}, {percent(finding.margin)}
      </span>
      <span className="block text-[11.5px] text-faint">
        {shown.text(finding.value, finding.dimension)} of {shown.text(finding.allowed, finding.dimension)}
        {finding.frame_name && <span className="block">in {finding.frame_name}</span>}
      </span>
    </span>
  );
}

export function HandCheckVerdict({ finding, stale }: { finding: HandCheckFinding; stale: boolean }) {
  const { shown } = useNote();
  return (
    <span className={`block font-sans text-[12px] text-faint ${stale ? "opacity-55" : ""}`}>
      {finding.what} along {finding.direction}: by hand {shown.text(finding.estimate, finding.dimension)}, {finding.computed === null ? "no shape of that kind was found" : `computed ${shown.text(finding.computed, finding.dimension)}`}
      {finding.shape && ` in ${finding.shape}`}
      {finding.difference !== null && <b className="font-semibold text-ink"> ({percent(finding.difference, 1)})</b>}
    </span>
  );
}
