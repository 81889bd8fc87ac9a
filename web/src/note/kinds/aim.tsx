import type { Of } from "../../api/types";
import { useNote } from "../context";
import { entry } from "./entry";

function AimLine({ statement }: { statement: Of<"aim"> }) {
  const { change } = useNote();
  return (
    <textarea
      key={statement.text}
      aria-label="aim"
      className="field-sizing-content w-full resize-none rounded bg-transparent font-serif hover:bg-white focus:bg-white"
      placeholder="What should this note answer?"
      defaultValue={statement.text}
      onKeyDown={(event) => event.key === "Enter" && !event.shiftKey && event.currentTarget.blur()}
      onBlur={(event) => {
        const text = event.target.value.trim();
        if (text !== statement.text) void change(statement.id, (s) => s.kind === "aim" && (s.text = text));
      }}
    />
  );
}

export default [entry({ kind: "aim", section: "Aim", order: 1, Line: AimLine, templates: [{ word: "aim", text: "aim: what the note is to answer", also: "purpose question goal", make: () => ({ kind: "aim", text: "" }) }] })];
