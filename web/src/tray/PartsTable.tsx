import { Eye, EyeOff, FileDown } from "lucide-react";
import { useNote } from "../note/context";
import { cleared } from "../ui/units";
import { useDesk } from "../workspace/desk";

/** The bodies with what they measure; hidden, chosen and exported from here. */
export function PartsTable() {
  const { view, shown } = useNote();
  const { hidden, chosen, set } = useDesk();
  const { bodies, total } = view.shape;
  if (bodies.length === 0) return <p className="text-faint">There is no body yet: press / and write body or import.</p>;
  return (
    <>
      <table className="text-[12.5px]" aria-label="Parts">
        <thead>
          <tr className="text-left text-faint">
            {["", "part", "kind", "faces", "size", "mass", "centre of mass"].map((head, i) => (
              <th key={i} className="pr-5 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody className="font-mono">
          {bodies.map((body) => {
            const out = hidden.includes(body.name);
            return (
              <tr key={body.name} className={`${out ? "opacity-45" : ""} ${chosen.some(([b]) => b === body.name) ? "bg-glow" : ""}`} onMouseEnter={() => set({ lit: [[body.name, body.name]] })} onMouseLeave={() => set({ lit: [] })}>
                <td className="pr-2">
                  <button className="rounded p-0.5 hover:bg-glow" aria-label={`${out ? "Show" : "Hide"} ${body.name}`} onClick={() => set({ hidden: out ? hidden.filter((h) => h !== body.name) : [...hidden, body.name] })}>
                    {out ? <EyeOff className="size-3.5" /> : <Eye className="size-3.5" />}
                  </button>
                </td>
                <td className="pr-5">
                  <button className="text-left font-serif text-[13.5px] hover:underline" onClick={() => set({ chosen: [[body.name, body.name]], pickKind: "bodies", look: "shape", paper: false })}>
                    {body.name}
                  </button>
                </td>
                <td className="pr-5 font-sans">
                  {body.make}
                  {body.make === "solid" && !body.closed && <span className="text-vermilion"> open</span>}
                </td>
                <td className="pr-5 text-right">{body.faces}</td>
                <td className="pr-5 text-right">{body.length !== null ? shown.text(body.length, "length") : shown.text(body.volume, "volume")}</td>
                <td className="pr-5 text-right">{body.mass !== null ? shown.text(body.mass, "mass") : <span className="font-sans text-faint">{body.make === "members" && !body.section ? "no section" : "no density"}</span>}</td>
                <td className="pr-5 text-right">{body.centre.map((c) => shown.text(cleared(c, view.shape.size ?? 1), "length")).join("; ")}</td>
              </tr>
            );
          })}
        </tbody>
        <tfoot className="font-mono">
          <tr className="border-t border-rule">
            <td />
            <td className="font-sans">{bodies.length} together</td>
            <td />
            <td className="pr-5 text-right">{total.faces}</td>
            <td className="pr-5 text-right">{shown.text(total.volume, "volume")}</td>
            <td className="pr-5 text-right">{total.mass !== null ? shown.text(total.mass, "mass") : "–"}</td>
            <td className="font-sans text-faint">{total.mass !== null && !total.complete ? "without the parts that have no density" : ""}</td>
          </tr>
        </tfoot>
      </table>
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
