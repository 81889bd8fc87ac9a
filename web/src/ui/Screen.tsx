import type { ReactNode } from "react";
import { go, useAddress } from "./address";

const SCREENS = [
  ["/", "Projects"],
  ["/runs", "Runs"],
  ["/library", "Library"],
] as const;

/** A screen beside the workspace, with the way to the others. */
export function Screen({ children }: { children: ReactNode }) {
  const address = useAddress();
  return (
    <div className="min-h-screen">
      <header className="flex h-[46px] items-center gap-2.5 bg-slate px-4 text-[13px] text-white">
        <img src="/lattice.svg" alt="" className="size-6" />
        <h1 className="text-[14px] font-semibold">Gentle Lattice</h1>
        <nav className="ml-4 flex gap-1" aria-label="Screens">
          {SCREENS.map(([path, text]) => (
            <a
              key={path}
              href={path}
              aria-current={address === path ? "page" : undefined}
              className={`rounded-full px-3 py-1 ${address === path ? "bg-paper text-ink" : "hover:bg-slate-soft"}`}
              onClick={(event) => {
                event.preventDefault();
                go(path);
              }}
            >
              {text}
            </a>
          ))}
        </nav>
      </header>
      <main className="mx-auto max-w-5xl px-6 py-8">{children}</main>
    </div>
  );
}
