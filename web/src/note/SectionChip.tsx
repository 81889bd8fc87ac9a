import { useSections } from "../api/hooks";
import type { LibrarySection, SectionData } from "../api/types";
import { digits } from "../ui/units";
import { PanelChip } from "./chips";
import { LibraryList } from "./LibraryList";

const DRAWN = ["shape", "height", "width", "web", "flange", "root"] as const;
const alike = (one: LibrarySection, drawn: SectionData) => DRAWN.every((key) => (one[key] ?? "") === (drawn[key] ?? ""));

/** The size of a section out of the library; what is drawn otherwise is of no size that has a name. */
export function SectionChip({ drawn, onChoose }: { drawn: SectionData; onChoose: (drawn: SectionData) => void }) {
  const { data } = useSections();
  const known = data?.sections.find((s) => alike(s, drawn));
  return (
    <PanelChip label="size" text={known?.name ?? "own sizes"} width="w-[380px]">
      {(close) => (
        <LibraryList
          label="Sections"
          placeholder="Search the library: IPE 200, tube…"
          none="No such section in the library."
          entries={data?.sections ?? []}
          words={(s) => `${s.kind ?? s.category ?? ""} ${s.own ? "own" : ""}`}
          figures={(s) => `${digits(Number((s.area * 1e4).toPrecision(4)))} cm²`}
          below={(s) => s.kind ?? s.category ?? s.source}
          onChoose={(s) => {
            close();
            const { x, y } = drawn;
            onChoose(Object.fromEntries(Object.entries({ shape: s.shape, height: s.height, width: s.width, web: s.web, flange: s.flange, root: s.root, x, y }).filter(([, v]) => v !== undefined)) as unknown as SectionData);
          }}
        />
      )}
    </PanelChip>
  );
}
