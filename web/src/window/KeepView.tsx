import { Camera } from "lucide-react";
import { useNote } from "../note/context";
import { fresh, freshId } from "../note/template";
import { useDesk } from "../workspace/desk";
import { viewNow } from "./savedView";

/** Keeps what the window shows as a statement of the note. */
export function KeepView() {
  const { view, shown, arrange } = useNote();
  const { set } = useDesk();
  async function keep() {
    let id = "";
    await arrange((all) => {
      id = freshId(all);
      return [...all, { id, ...viewNow(view, shown, fresh(view, "View")) } as (typeof all)[number]];
    });
    set({ selected: id });
    setTimeout(() => document.getElementById(`statement-${id}`)?.scrollIntoView({ block: "nearest" }));
  }
  return (
    <button className="flex items-center gap-1 rounded px-1.5 hover:bg-glow" title="Keep what is shown in the note, for the report too" onClick={() => void keep()}>
      <Camera className="size-3.5" /> keep this view
    </button>
  );
}
