import type { LadderFinding, Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { digits, percent } from "../../ui/units";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { TargetChip } from "../TargetChip";
import { fresh, freshId, typed, type Template } from "../template";
import { useStatement } from "../useStatement";
import { LIMITED } from "../words";
import { OfChip, staticsOf } from "./OfChip";

/** What the peak does as the mesh gets finer, in words. */
export function ladderWords(found: LadderFinding, text: (value: number, kind: string) => string): string {
  const last = found.rows.at(-1)?.value ?? 0;
  const end = found.extrapolated === null ? "" : `, towards ${text(found.extrapolated, found.dimension)}`;
  switch (found.state) {
    case "settled":
      return `settled at ${text(last, found.dimension)}${end}`;
    case "rising":
      return `still on its way at ${text(last, found.dimension)}${end}: take finer meshes`;
    case "singular":
      return "does not settle: it is singular there, a sharp corner or a point that is held or loaded. Read it elsewhere, or give the corner its radius";
    case "doubtful":
      return "settles so slowly that it may be singular: take finer meshes, or look for a sharp corner there";
    default:
      return `goes up and down by ${percent(found.change, 1)} at last: the meshes are not similar enough to say where it ends`;
  }
}

export function LadderLine({ statement }: { statement: Of<"study"> }) {
  const { view, shown, arrange } = useNote();
  const { edit, callIt } = useStatement(statement);
  const state = view.studies.find((s) => s.statement === statement.id);
  const found = state?.findings?.findings.find((f): f is LadderFinding => f.kind === "ladder" && f.statement === statement.id);
  const quantity = statement.quantity ?? "von_mises";
  const text = (m: number) => typed(view, m, 3);
  function refine() {
    if (!found) return;
    void arrange((all) =>
      found.proposed.reduce((list, p) => {
        const [x = "", y = "", z = ""] = p.at.map(text);
        return [...list, { id: freshId(list), kind: "size", size: text(p.size), ball: { x, y, z, radius: text(p.radius) } }];
      }, all),
    );
  }
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> is a refinement ladder of <OfChip statement={statement} /> on <TextChip label="meshes" value={String(statement.rungs ?? 4)} onCommit={(v) => edit((s) => (s.rungs = Number(v)))} /> meshes, each{" "}
      <TextChip label="finer" value={statement.finer ?? "1.5"} onCommit={(v) => edit((s) => setOrDrop(s, "finer", v))} /> times as fine, and follows the peak of{" "}
      <ChoiceChip label="quantity" value={quantity} options={LIMITED} onChoose={(v) => void edit((s) => (s.quantity = v))} /> in <TargetChip statement={{ ...statement, target: statement.target ?? "" }} kinds={["bodies", "faces", "edges", "points"]} />
      {found && (
        <span className={`block font-sans text-[12px] ${state?.state === "stale" ? "opacity-55" : ""}`} data-ladder={found.state}>
          The peak <b className={`font-semibold ${found.state === "settled" ? "text-spruce" : "text-amber-ink"}`}>{ladderWords(found, shown.text)}</b>.{" "}
          {(found.symmetry ?? []).map((s) => (
            <span key={s.axis} data-symmetry={s.holds}>
              The model is symmetric about {s.axis} = {shown.text(s.at, "length")}, and {s.holds ? "answers so" : <b className="font-semibold text-amber-ink">does not answer so: look at the mesh, supports and loads of both sides</b>} (von Mises stress differs by {digits(s.difference * 100)} % of its peak).{" "}
            </span>
          ))}
          {found.proposed.length > 0 && (
            <button className="underline" title="Adds sizes of elements in balls where the estimated error of the first mesh is more than 2 % of the peak" onClick={refine}>
              Refine the first mesh where it matters ({found.proposed.length} {found.proposed.length === 1 ? "place" : "places"})
            </button>
          )}
        </span>
      )}
    </>
  );
}

export const ladder: Template = {
  word: "refinement ladder",
  text: "study: refinement ladder, the same study on ever finer meshes",
  also: "mesh convergence fine enough study error extrapolate richardson singular",
  make: (v) => ({ kind: "study", name: fresh(v, "Ladder"), type: "ladder", of: staticsOf(v).at(-1) ?? "", rungs: 4, finer: "1.5", quantity: "von_mises", target: v.shape.bodies[0]?.name ?? "" }),
};
