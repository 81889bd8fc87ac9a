import type { ReactNode } from "react";
import type { Of } from "../api/types";
import { setOrDrop } from "../ui/assign";
import { quiet } from "../ui/quiet";
import { digits } from "../ui/units";
import { CloudPictures } from "./CloudPictures";
import { ChoiceChip, TextChip } from "./chips";
import { useNote } from "./context";
import { FileButton } from "./FileButton";
import { useJoin } from "./joins";
import { CaseChip } from "./loadChips";
import { Spot } from "./shape/parts";
import { length } from "./template";
import { useStatement } from "./useStatement";

type Kinds = "temperature_map" | "pressure_map" | "displacement_map";
type Carried = Of<Kinds>;

export const UNITS = ["mm", "cm", "m", "in", "ft"].map((u) => [u, u] as const) as readonly (readonly [NonNullable<Carried["unit"]>, string])[];

interface Brought {
  file: string;
  digest: string;
}

/** A file of points with values: which, its column, and the unit of its lengths. */
export function CloudFile({ statement, of }: { statement: Carried; of: "temperature" | "pressure" | "displacement" }) {
  const { view } = useNote();
  const { edit } = useStatement<Kinds>(statement);
  return (
    <>
      {statement.file ?? "points"}{" "}
      <FileButton<Brought>
        label={`file of ${of}s`}
        words={statement.file ? "another file" : "bring in a file"}
        title={`A CSV file with columns x, y, z and ${of === "displacement" ? "three movements" : of}, or a .vtu file with ${of === "displacement" ? "them" : "it"} at its points`}
        path={(file) => `/api/models/${view.id}/files?kind=cloud&name=${encodeURIComponent(file.name)}`}
        onRead={(found) =>
          edit((s) => {
            s.file = found.file;
            s.digest = found.digest;
          })
        }
      />
      , {statement.kind === "displacement_map" ? <ThreeColumns statement={statement} /> : <OneColumn statement={statement} />}, in <ChoiceChip label="unit" value={statement.unit ?? "m"} options={UNITS} onChoose={(v) => void edit((s) => (s.unit = v))} />
    </>
  );
}

function OneColumn({ statement }: { statement: Of<"temperature_map" | "pressure_map"> }) {
  const { edit } = useStatement<"temperature_map" | "pressure_map">(statement);
  return (
    <>
      column <TextChip label="column" optional placeholder="the first" value={statement.column ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "column", v))} />
    </>
  );
}

function ThreeColumns({ statement }: { statement: Of<"displacement_map"> }) {
  const { edit } = useStatement(statement);
  return (
    <>
      columns{" "}
      <TextChip
        label="columns"
        optional
        placeholder="the first three"
        value={statement.columns?.join(", ") ?? ""}
        onCommit={(v) => {
          const names = v.split(",").map((name) => name.trim()).filter(Boolean);
          return edit((s) => {
            if (names.length > 0) s.columns = names.slice(0, 3) as NonNullable<typeof s.columns>;
            else delete s.columns;
          });
        }}
      />
    </>
  );
}

const AXES = ["x", "y", "z"].map((a) => [a, a] as const) as readonly (readonly ["x" | "y" | "z", string])[];

/** How the file's axes lie in the model: turned about its origin, one turn after the other. */
function Turned({ statement }: { statement: Carried }) {
  const { edit } = useStatement<Kinds>(statement);
  const turns = statement.turned ?? [];
  return (
    <>
      {turns.map((turn, i) => (
        <span key={i}>
          , {i > 0 ? "then" : "turned"} about <ChoiceChip label={`turn ${i + 1} about`} value={turn.axis} options={AXES} onChoose={(v) => void edit((s) => s.turned?.[i] && (s.turned[i].axis = v))} /> by <TextChip label={`turn ${i + 1} by`} value={turn.angle} onCommit={(v) => edit((s) => s.turned?.[i] && (s.turned[i].angle = v))} />
          <button
            className={quiet}
            aria-label={`remove turn ${i + 1}`}
            onClick={() =>
              void edit((s) => {
                if (s.turned?.length === 1) delete s.turned;
                else s.turned?.splice(i, 1);
              })
            }
          >
            ×
          </button>
        </span>
      ))}
      {turns.length < 3 && (
        <button className={`${quiet} when-open`} title="Where the file's axes are not those of the model" onClick={() => void edit((s) => void (s.turned = [...(s.turned ?? []), { axis: "x", angle: "90 deg" }] as NonNullable<typeof s.turned>))}>
          + turn
        </button>
      )}
    </>
  );
}

/** Where it lies, by what it is multiplied, how far nodes may be from it, in which case it acts; and how it was carried over. */
export function CloudRest({ statement, children }: { statement: Carried; children?: ReactNode }) {
  const { view } = useNote();
  const { edit } = useStatement<Kinds>(statement);
  return (
    <>
      {statement.offset ? (
        <>
          , its origin at <Spot label="origin" value={statement.offset} onPut={(axis, v) => edit((s) => s.offset && (s.offset[axis] = v))} />
        </>
      ) : (
        <button className="ml-1 rounded px-1 font-sans text-[11.5px] text-faint hover:bg-glow hover:text-ink" title="Where the file's origin lies in the model" onClick={() => void edit((s) => (s.offset = { x: length(view, "0 mm", "0 in"), y: length(view, "0 mm", "0 in"), z: length(view, "0 mm", "0 in") }))}>
          + origin
        </button>
      )}
      <Turned statement={statement} />
      , times <TextChip label="multiplier" value={statement.scale ?? "1"} onCommit={(v) => edit((s) => setOrDrop(s, "scale", v))} />
      {children}, from at most <TextChip label="reach" optional placeholder="a tenth of the part" value={statement.reach ?? ""} onCommit={(v) => edit((s) => setOrDrop(s, "reach", v))} /> away
      <CaseChip statement={statement} />
      <Mapped id={statement.id} />
    </>
  );
}

const [WIDE, HIGH] = [168, 26];

/** How it was carried over: both fields side by side, and how far the points lay. */
function Mapped({ id }: { id: string }) {
  const { shown } = useNote();
  const found = useJoin(id);
  if (!found?.source || !found.target || !found.bars) return null;
  const { bars } = found;
  const text = (v: number) => shown.text(v, found.dimension ?? "temperature");
  const most = Math.max(...bars);
  const step = WIDE / bars.length;
  return (
    <span className="block font-sans text-[12px]" data-mapped>
      {digits(found.points ?? 0)} points of {text(found.source.least)} to {text(found.source.greatest)}, mean {text(found.source.mean)}; {digits(found.nodes)} nodes of {text(found.target.least)} to {text(found.target.greatest)}, mean {text(found.target.mean)}.{" "}
      {found.far ? <span className="text-amber-ink">{digits(found.far)} nodes lie farther than {shown.text(found.reach ?? 0, "length")} from the points. </span> : <span className="text-spruce">None lies too far. </span>}
      <svg viewBox={`0 0 ${WIDE} ${HIGH + 12}`} role="img" aria-label="distances from nodes to points" className="block w-44">
        {bars.map((count, i) => (
          <rect key={i} x={i * step + 0.5} y={HIGH - (count / most) * HIGH} width={step - 1} height={(count / most) * HIGH} fill={(i / bars.length) * (found.farthest ?? 0) > (found.reach ?? 0) ? "#d4881f" : "#2f7171"}>
            <title>{`${count} nodes`}</title>
          </rect>
        ))}
        <text x={0} y={HIGH + 10} fontSize="9" className="fill-faint font-mono">
          0
        </text>
        <text x={WIDE} y={HIGH + 10} fontSize="9" textAnchor="end" className="fill-faint font-mono">
          {shown.text(found.farthest ?? 0, "length")} away
        </text>
      </svg>
      <CloudPictures found={found} />
    </span>
  );
}
