import { Command } from "cmdk";
import { useSections } from "../api/hooks";
import type { LibrarySection, SectionData } from "../api/types";
import { digits } from "../ui/units";
import { PanelChip } from "./chips";

const DRAWN = ["shape", "height", "width", "web", "flange", "root"] as const;
const alike = (one: LibrarySection, drawn: SectionData) => DRAWN.every((key) => (one[key] ?? "") === (drawn[key] ?? ""));

/** The size of a section out of the library; what is drawn otherwise is of no size that has a name. */
export function SectionChip({ drawn, onChoose }: { drawn: SectionData; onChoose: (drawn: SectionData) => void }) {
  const { data } = useSections();
  const known = data?.sections.find((s) => alike(s, drawn));
  return (
    <PanelChip label="size" text={known?.name ?? "own sizes"} width="w-[380px]">
      {(close) => (
        <Command label="Sections">
          <Command.Input autoFocus placeholder="Search the library: IPE 200, tube…" className="mb-2 w-full rounded border border-rule bg-white px-2 py-1" />
          <Command.List className="max-h-72 overflow-auto">
            <Command.Empty className="px-2 py-1 text-faint">No such section in the library.</Command.Empty>
            {data?.sections.map((s) => (
              <Command.Item
                key={s.name}
                value={`${s.name} ${s.kind ?? s.category ?? ""} ${s.own ? "own" : ""}`}
                className="cursor-pointer rounded px-2 py-1 data-[selected=true]:bg-glow"
                onSelect={() => {
                  close();
                  const { x, y } = drawn;
                  onChoose(Object.fromEntries(Object.entries({ shape: s.shape, height: s.height, width: s.width, web: s.web, flange: s.flange, root: s.root, x, y }).filter(([, v]) => v !== undefined)) as unknown as SectionData);
                }}
              >
                <div className="flex items-baseline gap-2">
                  <span className="font-serif text-[14px]">{s.name}</span>
                  <span className="text-[11px] text-faint">{s.kind ?? s.category ?? ""}</span>
                  <span className="ml-auto font-mono text-[11.5px] text-faint">{digits(Number((s.area * 1e4).toPrecision(4)))} cm²</span>
                </div>
              </Command.Item>
            ))}
          </Command.List>
        </Command>
      )}
    </PanelChip>
  );
}
