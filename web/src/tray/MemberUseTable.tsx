import type { MembersFinding, MemberUse } from "../api/types";
import { useDesk } from "../workspace/desk";
import { DataTable, type Column } from "./DataTable";
import { useFrame } from "./useFrame";

const COLUMNS: Column<MemberUse>[] = [
  { key: "member", words: "member", kind: "text", value: (r) => r.name },
  { key: "tension", words: "axial force and bending", kind: "share", value: (r) => r.tension, least: 1e-8 },
  { key: "compression", words: "with buckling", kind: "share", value: (r) => r.compression, least: 1e-8 },
  { key: "shear", words: "shear", kind: "share", value: (r) => r.shear, least: 1e-8 },
  { key: "used", words: "used", kind: "share", value: (r) => r.utilisation, alarm: (r) => r.utilisation > 1 },
  { key: "by", words: "by", kind: "text", value: (r) => r.by },
  { key: "frame", words: "in", kind: "text", value: (r) => r.frame_name ?? "" },
];

/** How far every member is used in the frame that uses it most, the worst first. */
export function MemberUseTable() {
  const { set } = useDesk();
  const { state, stale } = useFrame();
  const rows = state?.findings?.findings.filter((f): f is MembersFinding => f.kind === "members").flatMap((f) => f.members) ?? [];
  if (rows.length === 0) return null;
  return (
    <div className="mb-4">
      <DataTable
        label="Member utilisation"
        columns={COLUMNS}
        rows={rows}
        keyOf={(r) => `${r.body} ${r.name}`}
        first="used"
        stale={stale}
        onRow={(r) => set({ chosen: [[r.body, r.name]], look: "shape" })}
        onHover={(r) => set({ lit: r ? [[r.body, r.name]] : [] })}
        note="σ / f; N / (χ A f) + σb / f under compression, χ by Ayrton and Perry with 0.34 (λ − 0.2); τ √3 / f. The worst of all cases or combinations."
      />
    </div>
  );
}
