import { useEdit } from "../api/hooks";
import type { StudyState, TurnsFinding } from "../api/types";
import { useNote } from "./context";
import { fresh, freshId } from "./template";

/** That a linear answer turns too far to be believed, and a study one press away that follows it. */
export function Turns({ study }: { study: StudyState }) {
  const { view, shown } = useNote();
  const edit = useEdit(view.id);
  const found = study.findings?.findings.find((f): f is TurnsFinding => f.kind === "turns");
  if (!found) return null;
  return (
    <span className="text-amber-ink" data-turns>
      {" "}
      Rotations reach {shown.text(found.angle, "angle")}
      {found.frame_name && ` in ${found.frame_name}`}: a study of large displacements would differ.{" "}
      {!view.document.statements.some((s) => s.kind === "study" && s.type === "collapse") && (
        <button
          className="rounded px-1 font-sans text-[12px] text-faint underline hover:bg-glow"
          onClick={() =>
            void edit("document", (document) => {
              document.statements.push({ id: freshId(document.statements), kind: "study", name: fresh(view, "Large displacement"), type: "collapse", first: "0.1", upto: "1", ...(found.frame_name && { case: found.frame_name }) });
              return document;
            })
          }
        >
          add one
        </button>
      )}
    </span>
  );
}
