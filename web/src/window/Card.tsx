import type { ReactNode } from "react";

/** What is shown in the window, in words, at its upper left. */
export function Card({ children }: { children: ReactNode }) {
  return <div className="card absolute left-4 top-3 max-w-[calc(100%-260px)] px-3 py-1.5 text-[13px]">{children}</div>;
}

/** Stands in an empty window and says what to do. */
export function Empty({ text, children }: { text: string; children?: ReactNode }) {
  return (
    <div className="grid h-full place-items-center">
      <div className="max-w-sm text-center font-serif text-[16px] text-faint">
        <p>{text}</p>
        <div className="mt-3 font-sans">{children}</div>
      </div>
    </div>
  );
}
