import { FIELD_STOPS, SIGNED_STOPS } from "./palette";

export interface Ends {
  low: number;
  high: number;
}

/**
 * The colours of a field and the ends of its scale: from zero up to the limit or the greatest value; of a field of two
 * signs both ways alike. An end that is given stays.
 */
export function scaleOf(extreme: { min: number; max: number }, given: { low?: number | null; high?: number | null } = {}, limit: number | null = null) {
  const { min, max } = extreme;
  const reach = Math.max(Math.abs(min), Math.abs(max));
  const signed = min < 0 && max > 0 && Math.min(-min, max) > 1e-9 * reach;
  const high = given.high ?? limit ?? (signed ? reach : max);
  const low = given.low ?? (signed ? -high : Math.min(min, 0));
  return { low, high, reach, signed, stops: signed ? SIGNED_STOPS : FIELD_STOPS };
}
