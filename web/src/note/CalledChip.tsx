import { setOrDrop } from "../ui/assign";
import { mayBeCalled, type Called } from "./called";
import { TextChip } from "./chips";
import { useNote } from "./context";
import { rename } from "./rename";

/** The name that stages speak of it by, where it has one. */
export function CalledChip({ statement }: { statement: Called }) {
  const { change, arrange } = useNote();
  const put = (name: string) =>
    name && statement.name ? arrange((all) => rename(all, statement.id, name)) : change(statement.id, (s) => mayBeCalled(s) && setOrDrop(s, "name", name));
  return (
    <span className={statement.name ? undefined : "when-open"}>
      {" "}
      · called <TextChip label="name" value={statement.name ?? ""} placeholder="nothing" optional onCommit={put} />
    </span>
  );
}
