import type { ReactNode } from "react";
import { percent } from "../ui/units";

/** Holds or fails, and what was found, at the end of a line. */
export function Verdict({ holds, margin, stale, children }: { holds: boolean; margin: number; stale: boolean; children: ReactNode }) {
  return (
    <span className={`${stale ? "opacity-60 " : ""}${holds ? "text-spruce" : "text-vermilion"}`} data-verdict={holds ? "holds" : "fails"}>
      {" "}
      · {holds ? "holds" : "fails"}, {percent(margin)}: {children}
    </span>
  );
}
