import { X } from "lucide-react";
import type { ModelView, Of, Statement } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { freshName, mayBeCalled, toldAs, type Called } from "../called";
import { ChoiceChip } from "../chips";
import { useNote } from "../context";

type Stage = NonNullable<Of<"study">["stages"]>[number];
type Way = "" | "comes" | "goes";

/** Bodies, groups of them, anchors, and supports and joins that have a name, which may come and go. */
const changers = (view: ModelView) => [
  ...view.shape.bodies.map((b) => b.name),
  ...view.document.statements.flatMap((s) => (s.kind === "group" && s.of === "bodies" && !s.off ? [s.name] : [])),
  ...view.document.statements.flatMap((s) => (s.kind === "anchor" && !s.off ? [s.name] : [])),
  ...view.document.statements.flatMap((s) => (mayBeCalled(s) && s.name && !s.off ? [s.name] : [])),
];

/** Whether it is there in a stage before anything is said of it. */
function there(stages: Stage[], at: number, name: string): boolean {
  const said = stages.slice(0, at + 1).reverse().find((s) => s.comes?.includes(name) || s.goes?.includes(name));
  if (said) return said.comes?.includes(name) ?? false;
  return !(stages.find((s) => s.comes?.includes(name) || s.goes?.includes(name))?.comes?.includes(name) ?? false);
}

/** Rows of what comes and goes; a cell is what happens to it as the stage begins. */
export function StageChanges({ study, stages, edit }: { study: string; stages: Stage[]; edit: (turn: (stages: Stage[]) => void) => void }) {
  const { view, arrange } = useNote();
  const names = [...new Set(stages.flatMap((s) => [...(s.comes ?? []), ...(s.goes ?? [])]))];
  const all = changers(view);
  const others = all.filter((n) => !names.includes(n));
  const nameless = view.document.statements.filter((s): s is Called => mayBeCalled(s) && !s.name && !s.off && s.target !== "");
  const begin = (choice: string) => {
    const one = nameless.find((s) => s.id === choice);
    if (!one) return edit((list) => list.at(-1) && put(list.at(-1) as Stage, choice, view.document.statements.some((s) => s.kind === "anchor" && s.name === choice) ? "comes" : "goes"));
    // It gets a name, by which the stage then speaks of it.
    const name = freshName(view.document.statements, one);
    void arrange((list) =>
      list.map((s) => {
        if (s.id === one.id) return { ...s, name } as Statement;
        if (s.id !== study || s.kind !== "study") return s;
        const copy = structuredClone(s);
        if (copy.stages?.length) put(copy.stages.at(-1) as Stage, name, "goes");
        return copy;
      }),
    );
  };
  return (
    <>
      {names.map((name) => (
        <tr key={name}>
          <td className={`whitespace-nowrap pr-2 ${all.includes(name) ? "" : "text-vermilion"}`}>
            {name}
            <button className="ml-0.5 text-faint hover:text-ink" aria-label={`${name} stays as it is`} onClick={() => edit((list) => list.forEach((s) => put(s, name, "")))}>
              <X className="inline size-3" />
            </button>
          </td>
          {stages.map((s, i) => {
            const way: Way = s.comes?.includes(name) ? "comes" : s.goes?.includes(name) ? "goes" : "";
            const rest = there(stages, i, name) ? "is there" : "–";
            return (
              <td key={i} className={`px-1 ${way === "goes" ? "text-amber-ink" : ""}`}>
                <ChoiceChip label={`${name} in stage ${i + 1}`} value={way} options={[["", rest], ["comes", "comes"], ["goes", "goes"]] as const} onChoose={(v) => edit((list) => list[i] && put(list[i], name, v))} />
              </td>
            );
          })}
        </tr>
      ))}
      {others.length + nameless.length > 0 && (
        <tr>
          <td className="pr-2 text-faint" colSpan={stages.length + 1}>
            <ChoiceChip label="what comes or goes" value="" options={[["", "+ comes or goes"], ...others.map((n) => [n, n] as const), ...nameless.map((n) => [n.id, toldAs(n)] as const)] as readonly (readonly [string, string])[]} onChoose={(v) => v && begin(v)} />
          </td>
        </tr>
      )}
    </>
  );
}

function put(stage: Stage, name: string, way: Way) {
  (["comes", "goes"] as const).forEach((key) => {
    const rest = (stage[key] ?? []).filter((n) => n !== name);
    if (key === way) rest.push(name);
    setOrDrop(stage, key, rest);
  });
}
