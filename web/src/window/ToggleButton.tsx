import type { ReactNode } from "react";

/** A small button that stays pressed. */
export function ToggleButton({ pressed, onClick, title, children }: { pressed: boolean; onClick: () => void; title?: string | undefined; children: ReactNode }) {
  return (
    <button className={`rounded px-1.5 ${pressed ? "bg-slate text-white" : "hover:bg-glow"}`} aria-pressed={pressed} title={title} onClick={onClick}>
      {children}
    </button>
  );
}
