import { describe, expect, it } from "vitest";
import type { ModelView, Statement } from "../../api/types";
import document from "../../../../schema/model.schema.json";
import { rename } from "../rename";
import { CASED } from "../words";
import { ENTRIES, SECTIONS, TEMPLATES } from "./index";

interface Schema {
  $defs: Record<string, { properties: Record<string, unknown>; required: string[] }> & { statement: { oneOf: { $ref: string }[] } };
}

const schema = document as unknown as Schema;
const kinds = schema.$defs.statement.oneOf.map((one) => one.$ref.replace("#/$defs/statement_", ""));

/** A model with one body of a make, enough for templates to name things. */
function view(make: string, units = "mm-N"): ModelView {
  const statements = [
    { id: "s1", kind: "outline", name: "profile" },
    { id: "s2", kind: "line", name: "way" },
    { id: "s3", kind: "body", name: "part", make },
    { id: "s4", kind: "study", name: "Static" },
    { id: "s5", kind: "case", name: "wind" },
  ];
  return { document: { units, statements }, shape: { dimension: make.startsWith("plane") ? 2 : 3, size: 0.2, bodies: [{ name: "part", make }] }, groups: {}, studies: [] } as unknown as ModelView;
}

describe("kinds of statements", () => {
  it("are each in the schema and in the note, once", () => {
    expect(ENTRIES.map((e) => e.kind).sort()).toEqual([...kinds].sort());
    expect(SECTIONS.flatMap((s) => s.kinds).sort()).toEqual([...kinds].sort());
  });

  it("have an order of their own within their section", () => {
    SECTIONS.forEach((section) => {
      const orders = ENTRIES.filter((e) => e.section === section.title).map((e) => e.order);
      expect(new Set(orders).size).toBe(orders.length);
    });
  });

  it.each(["solid", "faces", "members", "plane stress"])("begin with what the schema knows and wants, for a model of %s", (make) => {
    for (const units of ["mm-N", "in-lbf"]) {
      for (const template of TEMPLATES) {
        const draft = template.make(view(make, units)) as Record<string, unknown>;
        const form = schema.$defs[`statement_${String(draft.kind)}`];
        expect(form, template.word).toBeDefined();
        const known = Object.keys(form?.properties ?? {});
        expect(Object.keys(draft).filter((key) => !known.includes(key)), template.word).toEqual([]);
        const missing = (form?.required ?? []).filter((key) => key !== "id" && !(key in draft));
        // A file's digest is known once it is chosen.
        expect(template.file ? [] : missing, template.word).toEqual([]);
      }
    }
  });

  it("read a study that finds states, not the shapes of one that comes after it", () => {
    const made = view("solid");
    made.document.statements.push({ id: "s6", kind: "study", name: "Ring", type: "vibration" } as Statement);
    const drafts = TEMPLATES.map((t) => t.make(made)).filter((d) => "study" in d && d.kind !== "radiated_power" && d.kind !== "temperature_map");
    expect(drafts.length).toBeGreaterThan(4);
    drafts.forEach((d) => expect(d).toMatchObject({ study: "Static" }));
  });

  it("belong to a case where the schema says so", () => {
    // A study asks about a case; it does not belong to one.
    expect([...CASED].sort()).toEqual(kinds.filter((kind) => kind !== "study" && "case" in (schema.$defs[`statement_${kind}`]?.properties ?? {})).sort());
  });

  it("are found by words of their own", () => {
    const words = TEMPLATES.map((t) => t.word);
    expect(new Set(words).size).toBe(words.length);
    for (const word of ["case", "combination", "envelope", "member section", "line load", "temperature", "spring", "moment", "spin", "flat face", "bond", "link", "bolt", "path", "torque", "bearing load", "traction", "mass", "slide", "turn", "acceleration"]) expect(words).toContain(word);
  });

  it("clamp the turns of shells and members, and speak of their own ends", () => {
    const fix = TEMPLATES.find((t) => t.word === "fix");
    const plane = TEMPLATES.find((t) => t.word === "plane");
    expect(fix?.make(view("faces"))).toMatchObject({ components: ["x", "y", "z", "rx", "ry", "rz"] });
    expect(fix?.make(view("solid"))).toMatchObject({ components: ["x", "y", "z"] });
    expect(fix?.make(view("plane stress"))).toMatchObject({ components: ["x", "y"] });
    expect(["solid", "faces", "members", "plane stress"].map((make) => (plane?.make(view(make)) as { of: string }).of)).toEqual(["faces", "edges", "points", "edges"]);
  });
});

describe("renaming a case", () => {
  const all = [
    { id: "a", kind: "case", name: "wind" },
    { id: "b", kind: "force", target: "tip", value: "1 kN", direction: "-y", case: "wind" },
    { id: "c", kind: "combination", name: "sum", terms: [{ case: "wind", factor: "1.5" }, { case: "snow", factor: "1" }] },
    { id: "d", kind: "envelope", name: "all", over: ["wind", "sum"] },
    { id: "e", kind: "outline", name: "wind" },
  ] as unknown as Statement[];

  it("takes the loads, combinations and envelopes along that speak of it, and nothing else", () => {
    const [, force, sum, envelope, outline] = rename(all, "a", "storm") as unknown as Record<string, unknown>[];
    expect(force).toMatchObject({ case: "storm", target: "tip" });
    expect(sum).toMatchObject({ terms: [{ case: "storm", factor: "1.5" }, { case: "snow" }] });
    expect(envelope).toMatchObject({ over: ["storm", "sum"] });
    expect(outline).toMatchObject({ name: "wind" });
  });

  it("of a combination takes envelopes along", () => {
    const renamed = rename(all, "c", "design") as unknown as Record<string, unknown>[];
    expect(renamed[3]).toMatchObject({ over: ["wind", "design"] });
    expect(all[3]).toMatchObject({ over: ["wind", "sum"] });
  });
});
