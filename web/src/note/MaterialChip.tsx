import { Fragment } from "react";
import { useMaterials } from "../api/hooks";
import type { LibraryMaterial, Of } from "../api/types";
import { PanelChip, TextChip } from "./chips";
import { useNote } from "./context";
import { LibraryList } from "./LibraryList";

const PROPERTIES = [
  ["young", "E"],
  ["poisson", "ν"],
  ["density", "ρ"],
  ["expansion", "α"],
  ["conductivity", "k"],
  ["yield", "yield"],
  ["ultimate", "ultimate"],
] as const;

/** The material: searched in the library, or a name of one's own. */
export function MaterialChip({ statement }: { statement: Of<"material" | "bars" | "anchor"> }) {
  const { change } = useNote();
  const { data } = useMaterials();

  // What ships is known by its name; properties of one's own go into the note.
  function choose(name: string, properties: Of<"material">["properties"] | null) {
    return change(statement.id, (s) => {
      if (s.kind !== "material" && s.kind !== "bars" && s.kind !== "anchor") return;
      s.material = name;
      if (properties) s.properties = properties;
      else delete s.properties;
    });
  }

  return (
    <PanelChip label="material" text={statement.material} width="w-[420px]">
      {(close) => (
        <LibraryList
          label="Materials"
          placeholder="Search the library"
          none="No such material in the library."
          entries={data?.materials ?? []}
          words={(m) => m.category ?? ""}
          figures={(m) => `E ${m.young} · ${m.yield ? `yield ${m.yield}` : m.ultimate ? `ultimate ${m.ultimate}` : ""}`}
          below={(m) => m.source}
          onChoose={(m) => {
            close();
            void choose(m.name, m.own ? propertiesOf(m) : null);
          }}
        >
          <button
            className="button mt-2"
            onClick={() => {
              close();
              void choose("own material", statement.properties ?? { young: "210 GPa", poisson: "0.3", density: "7850 kg/m3" });
            }}
          >
            Type the properties instead
          </button>
        </LibraryList>
      )}
    </PanelChip>
  );
}

/** What a note takes over of a material of the user's own. */
const propertiesOf = (m: LibraryMaterial) => Object.fromEntries(PROPERTIES.flatMap(([key]) => (m[key] ? [[key, m[key]]] : [])));

/** What the material is made of: typed chips for one's own, plain values for the library's. */
export function MaterialProperties({ statement }: { statement: Of<"material" | "bars" | "anchor"> }) {
  const { change } = useNote();
  const { data } = useMaterials();
  if (!statement.properties) {
    const known = data?.materials.find((m) => m.name === statement.material);
    if (!known) return null;
    const strength = known.yield ? `, yield ${known.yield}` : known.ultimate ? `, ultimate ${known.ultimate}` : "";
    return (
      <span className="text-faint" title={known.source}>
        : E {known.young}, ν {known.poisson}{known.density && `, ${known.density}`}{strength}
      </span>
    );
  }
  return (
    <>
      {PROPERTIES.map(([key, symbol]) => (
        <Fragment key={key}>
          {" "}
          <span className="mr-1 whitespace-nowrap">
            {symbol}{" "}
            <TextChip
              label={key}
              value={statement.properties?.[key] ?? ""}
              placeholder="–"
              optional={key !== "young" && key !== "poisson"}
              onCommit={(value) =>
                change(statement.id, (s) => {
                  if (s.kind !== "material") return;
                  const rest = Object.fromEntries(Object.entries(s.properties ?? {}).filter(([k]) => k !== key));
                  s.properties = value ? { ...rest, [key]: value } : rest;
                })
              }
            />
          </span>
        </Fragment>
      ))}
    </>
  );
}
