import type { Of } from "../../api/types";
import { setOrDrop } from "../../ui/assign";
import { mayBeCalled } from "../called";
import { CalledChip } from "../CalledChip";
import { ChoiceChip, TextChip } from "../chips";
import { ConnectorForces } from "../ConnectorForces";
import { useNote } from "../context";
import { SpringCurve } from "../SpringCurve";
import { TargetChip } from "../TargetChip";
import { imperial } from "../template";
import { ToChip } from "../ToChip";
import { useStatement } from "../useStatement";
import { entry } from "./entry";

type Spring = Of<"spring">;

const WAYS = ["x,y,z", "x", "y", "z", "x,y", "x,z", "y,z"] as const;
const TURNS = ["rx", "ry", "rz", "rx,ry,rz"] as const;
const AXES: Record<(typeof TURNS)[number], string> = { rx: "x", ry: "y", rz: "z", "rx,ry,rz": "x, y, z" };

function SpringLine({ statement }: { statement: Spring }) {
  const { view } = useNote();
  const { edit } = useStatement(statement);
  const ways = WAYS.filter((w) => view.shape.dimension !== 2 || !w.includes("z"));
  const options = [...ways.map((w) => [w, w.replaceAll(",", ", ")] as const), ...(statement.to === undefined ? [] : [["line", "the line between both"] as const])];
  const turn = (text: string) =>
    edit((s) => {
      setOrDrop(s, "turning", text);
      if (text) s.about ??= ["rx", "ry", "rz"];
      else delete s.about;
    });
  return (
    <>
      <TargetChip statement={statement} kinds={["faces", "edges", "points"]} /> rests on springs of {statement.curve ? null : <TextChip label="stiffness" value={statement.stiffness ?? ""} placeholder="none" optional={statement.turning !== undefined} onCommit={(v) => edit((s) => setOrDrop(s, "stiffness", v))} />}
      <span className={statement.curve ? undefined : "when-open"}>
        {" "}
        <SpringCurve statement={statement} />
      </span>{" "}
      in all, along{" "}
      <ChoiceChip label="components" value={[...(statement.components ?? [])].sort().join(",")} options={options as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => (s.components = v.split(",") as Spring["components"]))} />, against <ToChip statement={statement} kinds={["faces", "edges", "points"]} />
      <span className={statement.turning ? "" : "when-open"}>
        , turning held by <TextChip label="turning" value={statement.turning ?? ""} placeholder="nothing" optional onCommit={turn} />
        {statement.turning && (
          <>
            {" a radian about "}
            <ChoiceChip label="about" value={[...(statement.about ?? [])].sort().join(",")} options={TURNS.map((t) => [t, AXES[t]] as const) as readonly (readonly [string, string])[]} onChoose={(v) => void edit((s) => (s.about = v.split(",") as Spring["about"]))} />
          </>
        )}
      </span>
      {mayBeCalled(statement) && <CalledChip statement={statement} />}
      <ConnectorForces id={statement.id} />
    </>
  );
}

export default [
  entry({
    kind: "spring",
    section: "Joins and supports",
    order: 3,
    Line: SpringLine,
    templates: [{ word: "spring", text: "springs from a place to the ground, or to another", also: "elastic support stiffness torsional turning mount", make: (v) => ({ kind: "spring", target: "", stiffness: imperial(v) ? "5000 lbf/in" : "1 kN/mm", components: ["y"] }) }],
  }),
];
