import { useUnits } from "../api/hooks";
import { useNote } from "../note/context";
import { written } from "./plane";

/** The unit of length that the model is shown in, as it is typed, and metres in one. */
export function useLengths(): { unit: string; factor: number; write: (si: number) => string } {
  const { view } = useNote();
  const { data } = useUnits();
  const entry = data?.systems[view.document.units]?.length;
  const unit = entry?.unit ?? "m";
  const factor = entry?.scale[0] ?? 1;
  return { unit, factor, write: (si) => written(si, factor, unit) };
}
