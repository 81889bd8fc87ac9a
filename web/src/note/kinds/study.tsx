import type { ComponentType } from "react";
import type { Of } from "../../api/types";
import { buckling, BucklingLine } from "../studies/buckling";
import { closeUp, CloseUpLine } from "../studies/closeUp";
import { collapse, CollapseLine, pushover } from "../studies/collapse";
import { harmonic, HarmonicLine } from "../studies/harmonic";
import { heat, HeatLine } from "../studies/heat";
import { ladder, LadderLine } from "../studies/ladder";
import { life, LifeLine } from "../studies/life";
import { shaking, ShakingLine } from "../studies/shaking";
import { stages, StagesLine } from "../studies/stages";
import { strength, StrengthLine } from "../studies/strength";
import { transient, TransientLine } from "../studies/transient";
import { StaticLine, statics } from "../studies/static";
import { vibration, VibrationLine } from "../studies/vibration";
import { entry } from "./entry";

type Study = Of<"study">;

const LINES: Record<Study["type"], ComponentType<{ statement: Study }>> = { static: StaticLine, ladder: LadderLine, close_up: CloseUpLine, vibration: VibrationLine, buckling: BucklingLine, collapse: CollapseLine, stages: StagesLine, strength: StrengthLine, shaking: ShakingLine, harmonic: HarmonicLine, life: LifeLine, heat: HeatLine, transient: TransientLine };

function StudyLine({ statement }: { statement: Study }) {
  const Line = LINES[statement.type];
  return <Line statement={statement} />;
}

export default [entry({ kind: "study", section: "Studies", order: 1, Line: StudyLine, templates: [statics, vibration, buckling, collapse, pushover, stages, strength, shaking, harmonic, transient, life, heat, ladder, closeUp] })];
