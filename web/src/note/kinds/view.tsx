import { Camera, Eye } from "lucide-react";
import type { Of } from "../../api/types";
import { firstView, showView, viewNow } from "../../window/savedView";
import { useViewPicture } from "../../window/useViewPicture";
import { useSeen } from "../../ui/useSeen";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { ReadChip } from "../studies/ReadChip";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

const SMALL = [264, 150] as const;
const HOWS = { unaveraged: "as each element has it", element: "one value an element" } as const;

function ViewLine({ statement }: { statement: Of<"view"> }) {
  const { view, shown, arrange } = useNote();
  const { edit, callIt } = useStatement(statement);
  const study = view.studies.find((s) => s.name === statement.study) ?? null;
  const [frame, seen] = useSeen<HTMLSpanElement>();
  const { picture, error, words } = useViewPicture(view, study, statement, view.views[statement.id] ?? null, SMALL, seen && !statement.off);
  const fields = study?.findings?.summary.catalogue ?? [];
  const frames = study?.findings?.summary.frames ?? [];
  const again = () => arrange((all) => all.map((s) => (s.id === statement.id ? { id: s.id, ...viewNow(view, shown, statement.name) } : s)));
  return (
    <>
      <TextChip label="name" value={statement.name} onCommit={callIt} /> shows the <ChoiceChip label="field" value={statement.field} options={fields.length > 0 ? fields.map((f) => [f.name, f.words] as const) : [[statement.field, words]]} onChoose={(v) => void edit((s) => (s.field = v))} /> of{" "}
      <ReadChip value={statement.study} onChoose={(v) => void edit((s) => (s.study = v))} />
      {frames.length > 1 && (
        <>
          {" "}
          in <ChoiceChip label="frame" value={statement.frame ?? frames[0]?.name ?? ""} options={frames.map((f) => [f.name, f.name] as const)} onChoose={(v) => void edit((s) => (s.frame = v))} />
        </>
      )}
      {statement.how && statement.how !== "averaged" && `, ${HOWS[statement.how]}`}
      {statement.around && `, around ${statement.around.axis}`}
      {statement.cut && `, cut open at ${statement.cut.axis} ${statement.cut.at}`}
      <span ref={frame} className="mt-1 block" data-note-only>
        <button className="block overflow-hidden rounded border border-rule bg-gradient-to-b from-[#eff0ec] to-[#d9ded9]" style={{ width: SMALL[0], height: SMALL[1] }} title="Show it in the window" onClick={() => showView(view, statement)}>
          {picture ? <img src={picture} alt={`${words} of ${statement.study}`} width={SMALL[0]} height={SMALL[1]} /> : <span className="font-sans text-[12px] text-faint">{error ?? "drawing…"}</span>}
        </button>
      </span>
      <span className="flex gap-3 font-sans text-[12px]" data-note-only>
        <button className="flex items-center gap-1 text-faint hover:text-ink" onClick={() => showView(view, statement)}>
          <Eye className="size-3" /> show
        </button>
        <button className="flex items-center gap-1 text-faint hover:text-ink" title="Take what the window shows now in its place" onClick={() => void again()}>
          <Camera className="size-3" /> keep as it is now
        </button>
      </span>
    </>
  );
}

export default [
  entry({
    kind: "view",
    section: "Findings",
    order: 9,
    Line: ViewLine,
    templates: [{ word: "view", text: "view: a picture of a result, kept as it is looked at", also: "picture image screenshot camera report figure", make: firstView }],
  }),
];
