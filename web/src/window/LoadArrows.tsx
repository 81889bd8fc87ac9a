import { useMemo } from "react";
import { useNote } from "../note/context";
import { Glyphs } from "./glyphs/Glyphs";
import { glyphsOf, type Glyph } from "./glyphs/glyphsOf";
import { moved } from "./movedPlace";

type Spot = [number, number, number];

interface Props {
  /** The case that the frame shows, where it shows one alone. */
  only: string | null;
  /** Points of the skin at rest, as they are drawn, how they move, and times how much; m. */
  rest: Float32Array;
  drawn: Float32Array;
  displacement: Float32Array;
  factor: number;
  onHover: (glyph: Glyph | null) => void;
}

/** What pushes and pulls, over a result, moved with the part. */
export function LoadArrows({ only, rest, drawn, displacement, factor, onHover }: Props) {
  const { view, surfaces } = useNote();
  const glyphs = useMemo(() => {
    if (!surfaces) return [];
    const shown = new Set(view.document.statements.filter((s) => only === null || (("case" in s && s.case) || UNNAMED) === only).map((s) => s.id));
    return glyphsOf(view, surfaces)
      .filter((g) => g.ink === "pushed" && shown.has(g.statement))
      .map((g) => ({ ...g, at: moved(g.at, rest, drawn, displacement, factor) }));
  }, [view, surfaces, only, rest, drawn, displacement, factor]);
  return <Glyphs glyphs={glyphs} lit={null} moves={NOWHERE} onHover={onHover} />;
}

const UNNAMED = "all loads"; // the case of loads that name none
const NOWHERE = new Map<string, Spot>();
