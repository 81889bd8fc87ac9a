import type { Of, Statement } from "../../api/types";

type Study = Of<"study">;

const staged = (all: Statement[], name: string): Study | undefined => all.find((s): s is Study => s.kind === "study" && s.name === name && s.type === "stages" && !s.off);

/** Names of all stages that a study goes through, those of studies that it goes on from first; undefined of what is no study in stages. */
export function stageNames(all: Statement[], name: string, passed: string[] = []): string[] | undefined {
  const study = staged(all, name);
  if (!study || passed.includes(name)) return undefined;
  const own = study.stages?.map((s) => s.name) ?? [];
  const before = study.of ? (stageNames(all, study.of, [...passed, name]) ?? []) : [];
  const last = study.stage ? before.lastIndexOf(study.stage) : before.length - 1;
  return [...before.slice(0, last + 1), ...own];
}
