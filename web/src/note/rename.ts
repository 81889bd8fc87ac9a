import type { Rule } from "../api/model";
import type { Statement } from "../api/types";
import { mayBeCalled } from "./called";
import { MAKERS } from "./words";
import { stageNames } from "./studies/stageNames";

function renameFigure(s: Statement, old: string, name: string) {
  if ((s.kind === "body" || s.kind === "imprint") && s.outline === old) s.outline = name;
  if (s.kind === "body" && s.path === old) s.path = name;
  if ((s.kind === "reinforced" || s.kind === "section") && s.outline === old) s.outline = name;
  if ((s.kind === "bars" || s.kind === "anchor" || s.kind === "moving_load") && s.line === old) s.line = name;
  if (s.kind !== "outline") return;
  [s.boundary, ...(s.holes ?? [])].forEach((loop) => {
    if ("offset" in loop && loop.offset.outline === old) loop.offset.outline = name;
  });
}

function renameBody(s: Statement, old: string, name: string) {
  if ("body" in s && s.body === old) s.body = name;
  if (s.kind === "combine") s.with = s.with.map((b) => (b === old ? name : b)) as typeof s.with;
  if (s.kind === "join") s.bodies = s.bodies.map((b) => (b === old ? name : b)) as typeof s.bodies;
}

/** Steps of a duty are cases, or stages of the study that it is of. */
function renameInDuty(s: Statement, old: string, name: string) {
  if (s.kind === "study" && s.life && "duty" in s.life.load) s.life.load.duty.forEach((step) => step.case === old && (step.case = name));
}

function renameCase(s: Statement, old: string, name: string, staged: boolean) {
  if ("case" in s && s.case === old) s.case = name;
  if (s.kind === "study" && s.held === old) s.held = name;
  if (s.kind === "combination") s.terms.forEach((term) => term.case === old && (term.case = name));
  if (s.kind === "sign_sets") [s.steady, s.swinging].forEach((list) => list?.forEach((n, i) => n === old && (list[i] = name)));
  if (s.kind === "one_way") s.after?.forEach((n, i) => n === old && s.after && (s.after[i] = name));
  if (s.kind === "study") s.stages?.forEach((stage) => stage.loads?.forEach((load) => load.case === old && (load.case = name)));
  if (!staged) renameInDuty(s, old, name);
  if (s.kind === "envelope" && s.over) s.over = s.over.map((n) => (n === old ? name : n));
}

/** What comes and goes in stages, and what ground is like. */
function renameInStages(s: Statement, old: string, name: string) {
  if (s.kind === "at_rest" && s.as === old) s.as = name;
  if (s.kind !== "study") return;
  s.stages?.forEach((stage) => (["comes", "goes"] as const).forEach((way) => stage[way]?.forEach((n, i, list) => n === old && (list[i] = name))));
}

function renameMotion(s: Statement, old: string, name: string) {
  if (s.kind !== "study") return;
  s.ground?.forEach((g) => g.motion === old && (g.motion = name));
  s.runs?.motions.forEach((n, i, list) => n === old && (list[i] = name));
}

/** Rules name bodies (body, touching) and groups (grown, edges_of). */
function renameInRule(rule: Rule, old: string, name: string, made: boolean): Rule {
  if ("all" in rule) return { all: rule.all.map((r) => renameInRule(r, old, name, made)) as typeof rule.all };
  if ("any" in rule) return { any: rule.any.map((r) => renameInRule(r, old, name, made)) as typeof rule.any };
  if ("not" in rule) return { not: renameInRule(rule.not, old, name, made) };
  if (made && "body" in rule && rule.body === old) return { body: name };
  if (made && "touching" in rule && rule.touching === old) return { touching: name };
  if (!made && "grown" in rule && rule.grown.from === old) return { grown: { ...rule.grown, from: name } };
  if (!made && "edges_of" in rule && rule.edges_of === old) return { edges_of: name };
  return rule;
}

/** Renames a statement, and everything in the note that speaks of it follows. */
export function rename(all: Statement[], id: string, name: string): Statement[] {
  const renamed = all.find((s) => s.id === id);
  if (!renamed || !("name" in renamed) || !renamed.name) return all;
  const old = renamed.name;
  return all.map((s) => {
    if (s.id === id) return { ...s, name } as Statement;
    const copy = structuredClone(s);
    if (renamed.kind === "outline" || renamed.kind === "line") renameFigure(copy, old, name);
    if (renamed.kind === "case" || renamed.kind === "combination") renameCase(copy, old, name, copy.kind === "study" && stageNames(all, copy.of ?? "") !== undefined);
    if (renamed.kind === "study" && "study" in copy && copy.study === old) copy.study = name;
    if (renamed.kind === "study" && copy.kind === "study" && copy.of === old) copy.of = name;
    if (renamed.kind === "study" && copy.kind === "study" && copy.imperfection?.of === old) copy.imperfection.of = name;
    if (renamed.kind === "ground_motion") renameMotion(copy, old, name);
    if (renamed.kind === "moving_load" && copy.kind === "study") copy.stages?.forEach((stage) => stage.drives === old && (stage.drives = name));
    const made = MAKERS.includes(renamed.kind);
    if (made || renamed.kind === "group" || renamed.kind === "anchor" || mayBeCalled(renamed)) renameInStages(copy, old, name);
    if (made || renamed.kind === "group") {
      if ("target" in copy && copy.target === old) copy.target = name;
      if ("to" in copy && copy.to === old) copy.to = name;
      if (copy.kind === "group" && copy.rule) copy.rule = renameInRule(copy.rule, old, name, made);
      if (renamed.kind === "group" && (copy.kind === "section_cut" || copy.kind === "study") && copy.body === old) copy.body = name;
      if (made) renameBody(copy, old, name);
      if (made && copy.kind === "group") {
        copy.pick?.forEach((pick) => {
          if (pick.body !== old) return;
          pick.body = name;
          if (pick.name === old) pick.name = name;
        });
      }
    }
    return copy;
  });
}

/** Renames a stage, and what names it follows: where its study counts movement from, and studies that go on after it. */
export function renameStage(all: Statement[], id: string, at: number, name: string): Statement[] {
  const study = all.find((s) => s.id === id);
  const old = study?.kind === "study" ? study.stages?.[at]?.name : undefined;
  if (study?.kind !== "study" || old === undefined) return all;
  return all.map((s) => {
    if (s.kind !== "study") return s;
    const copy = structuredClone(s);
    if (s.id === id) {
      const stage = copy.stages?.[at];
      if (stage) stage.name = name;
      if (copy.counted_from === old) copy.counted_from = name;
    } else if (s.of === study.name) {
      if (s.stage === old) copy.stage = name;
      renameInDuty(copy, old, name);
    }
    return copy;
  });
}
