import type { Measure } from "../api/types";

/** The values of a measure at the bad and the good end of the colours. */
export function ends(measure: Measure): [bad: number, good: number] {
  const [low, high] = measure.range;
  return measure.worse === "low" ? [low, high] : [high, low];
}
