import { Eye, EyeOff, FileDown } from "lucide-react";
import type { ModelView } from "../api/types";
import { useNote } from "../note/context";
import { cleared } from "../ui/units";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";

type Body = ModelView["shape"]["bodies"][number];

/** The bodies with what they measure; hidden, chosen and exported from here. */
export function PartsTable() {
  const { view, shown } = useNote();
  const { hidden, set } = useDesk();
  const { bodies, total } = view.shape;
  if (bodies.length === 0) return <p className="text-faint">There is no body yet: press / and write body or import.</p>;
  const out = (body: Body) => hidden.includes(body.name);
  const columns: Column<Body>[] = [
    {
      key: "shown",
      words: "",
      kind: "text",
      value: () => "",
      draw: (body) => (
        <button className="rounded p-0.5 hover:bg-glow" aria-label={`${out(body) ? "Show" : "Hide"} ${body.name}`} onClick={() => set({ hidden: out(body) ? hidden.filter((h) => h !== body.name) : [...hidden, body.name] })}>
          {out(body) ? <EyeOff className="size-3.5" /> : <Eye className="size-3.5" />}
        </button>
      ),
    },
    {
      key: "part",
      words: "part",
      kind: "text",
      value: (body) => body.name,
      draw: (body) => (
        <button className={`text-left hover:underline ${out(body) ? "opacity-45" : ""}`} onClick={() => set({ chosen: [[body.name, body.name]], pickKind: "bodies", look: "shape", paper: false })}>
          {body.name}
        </button>
      ),
    },
    {
      key: "kind",
      words: "kind",
      kind: "text",
      value: (body) => body.make,
      draw: (body) => (
        <>
          {body.make}
          {body.make === "solid" && !body.closed && <span className="text-vermilion"> open</span>}
        </>
      ),
    },
    { key: "faces", words: "faces", kind: "count", value: (body) => body.faces },
    ...(bodies.some((b) => b.length === null) ? [{ key: "volume", words: "size", kind: "volume", value: (body: Body) => (body.length === null ? body.volume : "–") }] : []),
    ...(bodies.some((b) => b.length !== null) ? [{ key: "length", words: "length", kind: "length", value: (body: Body) => body.length ?? "–" }] : []),
    { key: "mass", words: "mass", kind: "mass", value: (body) => body.mass ?? (body.make === "members" && !body.section ? "no section" : "no density") },
    ...(["x", "y", "z"] as const).map((axis, k): Column<Body> => ({ key: axis, words: `centre ${axis}`, kind: "length", value: (body) => cleared(body.centre[k] ?? 0, view.shape.size ?? 1) })),
  ];
  return (
    <>
      <DataTable
        label="Parts"
        columns={columns}
        rows={bodies}
        keyOf={(body) => body.name}
        onHover={(body) => set({ lit: body ? [[body.name, body.name]] : [] })}
        note={`${bodies.length} together: ${total.faces} faces, ${shown.text(total.volume, "volume")}${total.mass === null ? "" : `, ${shown.text(total.mass, "mass")}${total.complete ? "" : " without the parts that have no density"}`}.`}
      />
      {total.faces > 0 && (
        <p className="mt-2 flex items-center gap-2 text-[12.5px]">
          <FileDown className="size-3.5" /> Export the shape:
          {(["stl", "obj", "glb"] as const).map((kind) => (
            <a key={kind} className="underline hover:text-spruce" href={`/api/models/${view.id}/export/${encodeURIComponent(view.document.name)}.${kind}`} download>
              {kind === "glb" ? "glTF" : kind.toUpperCase()}
            </a>
          ))}
        </p>
      )}
    </>
  );
}
