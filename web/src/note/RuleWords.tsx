import { Plus, X } from "lucide-react";
import type { Rule } from "../api/model";
import { ChoiceChip, TextChip } from "./chips";
import { useNote } from "./context";
import { useBodyNames } from "./useStatement";
import { setOrDrop } from "../ui/assign";

export type Form = "plane" | "bores" | "everything" | "box" | "surface" | "normal" | "size" | "named" | "body" | "touching" | "grown" | "edges_of" | "all" | "any" | "not";

export const RULES: readonly (readonly [Form, string])[] = [
  ["plane", "that lie on"],
  ["bores", "that are bores of ⌀"],
  ["surface", "of the kind"],
  ["normal", "that look along"],
  ["size", "with an area"],
  ["box", "within a box"],
  ["named", "with a name like"],
  ["body", "on the body"],
  ["touching", "that touch the body"],
  ["grown", "grown smoothly from"],
  ["edges_of", "around the faces of"],
  ["everything", "all there are"],
  ["all", "that follow all of"],
  ["any", "that follow any of"],
  ["not", "that are not those"],
];

const PLAIN = RULES.filter(([form]) => form !== "all" && form !== "any");

/** A first version of each rule, to be filled in. */
export function fresh(form: Form): Rule {
  switch (form) {
    case "plane":
      return { plane: { axis: "x", at: "0 mm" } };
    case "bores":
      return { bores: { diameter: "10 mm" } };
    case "everything":
      return { everything: true };
    case "box":
      return { box: { from: { x: "0 mm", y: "0 mm", z: "0 mm" }, to: { x: "100 mm", y: "100 mm", z: "100 mm" } } };
    case "surface":
      return { surface: { kind: "cylinder" } };
    case "normal":
      return { normal: { direction: "+z" } };
    case "size":
      return { size: { least: "100 mm2" } };
    case "named":
      return { named: "side" };
    case "body":
      return { body: "" };
    case "touching":
      return { touching: "" };
    case "grown":
      return { grown: { from: "" } };
    case "edges_of":
      return { edges_of: "" };
    case "all":
      return { all: [{ plane: { axis: "x", at: "0 mm" } }] };
    case "any":
      return { any: [{ plane: { axis: "x", at: "0 mm" } }] };
    case "not":
      return { not: { plane: { axis: "x", at: "0 mm" } } };
  }
}

export const formOf = (rule: Rule): Form => RULES.find(([form]) => form in rule)?.[0] ?? "everything";

const AXES = [
  ["x", "x ="],
  ["y", "y ="],
  ["z", "z ="],
] as const;
const SURFACES = (["plane", "cylinder", "cone", "sphere", "torus", "free", "line", "arc", "circle", "curve"] as const).map((k) => [k, k] as const);
const WAYS = (["+x", "-x", "+y", "-y", "+z", "-z"] as const).map((d) => [d, d.replace("-", "−")] as const);

type Change = (apply: (rule: Rule) => void) => Promise<void>;

/** The values of a rule; the rule itself is changed in place. */
export function RuleWords({ rule, onChange }: { rule: Rule; onChange: Change }) {
  const { view } = useNote();
  const bodies = useBodyNames().map((n) => [n, n] as const);
  const groups = view.document.statements.flatMap((s) => (s.kind === "group" ? [[s.name, s.name] as const] : []));
  if ("plane" in rule) {
    return (
      <>
        <ChoiceChip label="axis" value={rule.plane.axis} options={AXES} onChoose={(v) => void onChange((r) => "plane" in r && (r.plane.axis = v))} />{" "}
        <TextChip label="position" value={rule.plane.at} onCommit={(v) => onChange((r) => "plane" in r && (r.plane.at = v))} />
      </>
    );
  }
  if ("bores" in rule) return <TextChip label="diameter" value={rule.bores.diameter} onCommit={(v) => onChange((r) => "bores" in r && (r.bores.diameter = v))} />;
  if ("surface" in rule) {
    return (
      <>
        <ChoiceChip label="surface" value={rule.surface.kind} options={SURFACES} onChoose={(v) => void onChange((r) => "surface" in r && (r.surface.kind = v))} /> of radius{" "}
        <TextChip label="radius" value={rule.surface.radius ?? ""} placeholder="any" optional onCommit={(v) => onChange((r) => "surface" in r && (v ? (r.surface.radius = v) : delete r.surface.radius))} />
      </>
    );
  }
  if ("normal" in rule) {
    const direction = typeof rule.normal.direction === "string" ? rule.normal.direction : "+z";
    return (
      <>
        <ChoiceChip label="direction" value={direction} options={WAYS} onChoose={(v) => void onChange((r) => "normal" in r && (r.normal.direction = v))} /> within{" "}
        <TextChip label="within" value={rule.normal.within ?? ""} placeholder="1 deg" optional onCommit={(v) => onChange((r) => "normal" in r && (v ? (r.normal.within = v) : delete r.normal.within))} />
      </>
    );
  }
  if ("size" in rule) {
    const put = (key: "least" | "most") => (v: string) => onChange((r) => "size" in r && setOrDrop(r.size, key, v));
    return (
      <>
        from <TextChip label="least area" value={rule.size.least ?? ""} placeholder="nothing" optional onCommit={put("least")} /> to <TextChip label="greatest area" value={rule.size.most ?? ""} placeholder="any" optional onCommit={put("most")} />
      </>
    );
  }
  if ("box" in rule) {
    return (["from", "to"] as const).map((end) => (
      <span key={end}>
        {end}{" "}
        {(["x", "y", "z"] as const).map((axis) => (
          <span key={axis}>
            <TextChip label={`${end} ${axis}`} value={rule.box[end][axis]} onCommit={(v) => onChange((r) => "box" in r && (r.box[end][axis] = v))} />{" "}
          </span>
        ))}
      </span>
    ));
  }
  if ("named" in rule) return <TextChip label="text" value={rule.named} onCommit={(v) => onChange((r) => "named" in r && (r.named = v))} />;
  if ("body" in rule) return <ChoiceChip label="body" value={rule.body} missing={!rule.body} options={bodies} onChoose={(v) => void onChange((r) => "body" in r && (r.body = v))} />;
  if ("touching" in rule) return <ChoiceChip label="body" value={rule.touching} missing={!rule.touching} options={bodies} onChoose={(v) => void onChange((r) => "touching" in r && (r.touching = v))} />;
  if ("grown" in rule) {
    return (
      <>
        <ChoiceChip label="group" value={rule.grown.from} missing={!rule.grown.from} options={groups} onChoose={(v) => void onChange((r) => "grown" in r && (r.grown.from = v))} /> over turns up to{" "}
        <TextChip label="turn" value={rule.grown.angle ?? ""} placeholder="15 deg" optional onCommit={(v) => onChange((r) => "grown" in r && (v ? (r.grown.angle = v) : delete r.grown.angle))} />
      </>
    );
  }
  if ("edges_of" in rule) return <ChoiceChip label="group" value={rule.edges_of} missing={!rule.edges_of} options={groups} onChoose={(v) => void onChange((r) => "edges_of" in r && (r.edges_of = v))} />;
  if ("not" in rule) return <Inner rule={rule.not} onReplace={(next) => onChange((r) => "not" in r && (r.not = next))} onChange={(apply) => onChange((r) => "not" in r && apply(r.not))} />;
  if ("all" in rule || "any" in rule) return <List rule={rule} onChange={onChange} />;
  return null;
}

function Inner({ rule, onReplace, onChange }: { rule: Rule; onReplace: (rule: Rule) => Promise<void>; onChange: Change }) {
  return (
    <>
      <ChoiceChip label="rule" value={formOf(rule)} options={PLAIN} onChoose={(v) => void onReplace(fresh(v))} /> <RuleWords rule={rule} onChange={onChange} />
    </>
  );
}

/** Rules that hold together: one a line. */
function List({ rule, onChange }: { rule: Rule; onChange: Change }) {
  const key = "all" in rule ? "all" : "any";
  const rules = ((rule as Record<string, Rule[]>)[key] ?? []) as Rule[];
  const listOf = (r: Rule) => (r as Record<string, Rule[]>)[key] ?? [];
  return (
    <>
      {rules.map((inner, i) => (
        <span key={i} className="block pl-4">
          {i > 0 && (key === "all" ? "and " : "or ")}
          <Inner
            rule={inner}
            onReplace={(next) => onChange((r) => void listOf(r).splice(i, 1, next))}
            onChange={(apply) =>
              onChange((r) => {
                const one = listOf(r)[i];
                if (one) apply(one);
              })
            }
          />
          {rules.length > 1 && (
            <button aria-label={`Remove rule ${i + 1}`} className="ml-1 text-faint hover:text-vermilion" onClick={() => void onChange((r) => void listOf(r).splice(i, 1))}>
              <X className="inline size-3" />
            </button>
          )}
        </span>
      ))}
      <button className="ml-4 inline-flex items-center gap-0.5 rounded px-1 font-sans text-[11.5px] text-faint hover:bg-glow hover:text-ink" onClick={() => void onChange((r) => void listOf(r).push(fresh("plane")))}>
        <Plus className="size-3" /> rule
      </button>
    </>
  );
}
