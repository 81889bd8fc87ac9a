import type { ComponentType } from "react";
import type { Of } from "../../api/types";
import { closeUp, CloseUpLine } from "../studies/closeUp";
import { ladder, LadderLine } from "../studies/ladder";
import { StaticLine, statics } from "../studies/static";
import { entry } from "./entry";

type Study = Of<"study">;

const LINES: Record<Study["type"], ComponentType<{ statement: Study }>> = { static: StaticLine, ladder: LadderLine, close_up: CloseUpLine };

function StudyLine({ statement }: { statement: Study }) {
  const Line = LINES[statement.type];
  return <Line statement={statement} />;
}

export default [entry({ kind: "study", section: "Studies", order: 1, Line: StudyLine, templates: [statics, ladder, closeUp] })];
