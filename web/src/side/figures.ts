import type { StudyState } from "../api/types";

/** A figure that two studies may both have. */
export interface Figure {
  key: string;
  words: string;
  value: number;
  kind: string;
  holds?: boolean;
}

/** What can be compared of a study: peaks over its own frames, mass, limits, gauges. */
export function figuresOf(study: StudyState | null): Figure[] {
  const findings = study?.findings;
  if (!findings) return [];
  const real = findings.summary.frames.filter((f) => f.kind !== "envelope");
  const most = (of: (f: (typeof real)[number]) => number) => Math.max(0, ...real.map(of));
  const { mass, mesh } = findings.summary;
  return [
    ...(real.some((f) => f.peaks.von_mises)
      ? [
          { key: "von_mises", words: "greatest von Mises stress", value: most((f) => f.peaks.von_mises?.value ?? 0), kind: "stress" },
          { key: "displacement", words: "greatest displacement", value: most((f) => f.peaks.displacement.value), kind: "length" },
        ]
      : real.slice(0, 6).map((f) => ({ key: f.name, words: f.name, value: f.value ?? 0, kind: f.unit ?? "ratio" }))),
    ...(mass === null ? [] : [{ key: "mass", words: "mass", value: mass, kind: "mass" }]),
    { key: "unknowns", words: "unknowns", value: mesh.unknowns, kind: "ratio" },
    ...findings.findings.flatMap((f): Figure[] => {
      if (f.kind === "limit") return [{ key: `limit ${f.words} ${f.target}`, words: `${f.words} in ${f.target}`, value: f.value, kind: f.dimension, holds: f.holds }];
      if (f.kind === "gauge") {
        const known = f.values.filter((v): v is number => v !== null);
        return known.length === 0 ? [] : [{ key: `gauge ${f.name}`, words: `${f.words} at ${f.name}`, value: known.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a)), kind: f.dimension }];
      }
      if (f.kind === "bolts") return [{ key: `bolts ${f.statement}`, words: "bolts used by", value: f.utilisation, kind: "ratio", holds: f.holds }];
      if (f.kind === "buckling") return [{ key: "buckling", words: "factor until it buckles", value: f.factor, kind: "ratio", holds: f.holds }];
      if (f.kind === "collapse") return [{ key: "collapse", words: f.factor !== null ? "load factor at which it gives way" : f.soft ? "load factor at which it goes soft" : "load factor reached", value: f.bears, kind: "ratio", holds: f.holds }];
      if (f.kind === "storeys") return [{ key: "drift", words: "greatest drift of a storey", value: f.drift, kind: "ratio", holds: f.holds }];
      if (f.kind === "members") return [{ key: `members ${f.target}`, words: `members of ${f.target} used by`, value: f.utilisation, kind: "ratio", holds: f.holds }];
      return [];
    }),
  ];
}
