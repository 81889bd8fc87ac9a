import { useState } from "react";
import { Tabs } from "radix-ui";
import { Screen } from "../ui/Screen";
import { Bolts } from "./Bolts";
import { FatigueCurves } from "./FatigueCurves";
import { Materials } from "./Materials";
import { Sections } from "./Sections";

const PARTS = [
  ["materials", "Materials", "Search: steel, aluminium, concrete…"],
  ["sections", "Sections", "Search: IPE, 200, tube, own…"],
  ["bolts", "Bolts", "Search: M10, 8.8…"],
  ["curves", "Life under stress", "Search: steel, aluminium, weld…"],
] as const;

/** What ships with the product and what is the user's own, with where the figures are from. */
export function Library() {
  const [part, setPart] = useState<(typeof PARTS)[number][0]>("materials");
  const [wanted, setWanted] = useState("");
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const fits = (text: string) => words.every((word) => text.toLowerCase().includes(word));
  return (
    <Screen>
      <Tabs.Root value={part} onValueChange={(next) => setPart(next as typeof part)}>
        <div className="mb-4 flex items-center gap-6">
          <label>
            <span className="sr-only">Search the library</span>
            <input className="w-80 rounded-md border border-rule bg-white px-3 py-1.5 font-serif text-[15px]" placeholder={PARTS.find(([key]) => key === part)?.[2]} value={wanted} onChange={(event) => setWanted(event.target.value)} />
          </label>
          <Tabs.List className="flex gap-4" aria-label="What the library holds">
            {PARTS.map(([key, text]) => (
              <Tabs.Trigger key={key} value={key} className="pb-0.5 text-faint data-[state=active]:border-b-2 data-[state=active]:border-amber data-[state=active]:font-semibold data-[state=active]:text-earth">
                {text}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
        </div>
        <Tabs.Content value={part}>
          {part === "materials" && <Materials fits={fits} />}
          {part === "sections" && <Sections fits={fits} />}
          {part === "bolts" && <Bolts fits={fits} />}
          {part === "curves" && <FatigueCurves fits={fits} />}
        </Tabs.Content>
      </Tabs.Root>
    </Screen>
  );
}
