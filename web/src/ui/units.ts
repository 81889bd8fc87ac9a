import { useCallback } from "react";
import { useUnits } from "../api/hooks";

/** Four significant digits, thousands parted by a narrow space. */
export function digits(value: number): string {
  if (value === 0) return "0";
  if (!Number.isFinite(value)) return String(value);
  const size = Math.floor(Math.log10(Math.abs(value)));
  if (size < -3 || size > 6) return value.toExponential(3).replace(/\.?0+e/, "e").replace("e+", "e");
  const text = value.toFixed(Math.max(3 - size, 0));
  const [whole = "", fraction] = (text.includes(".") ? text.replace(/\.?0+$/, "") : text).split(".");
  const grouped = whole.replace(/(\d)(?=(\d{3})+$)/g, "$1\u202f");
  return fraction ? `${grouped}.${fraction}` : grouped;
}

/** Zero for what is only rounding beside a size. */
export const cleared = (value: number, size: number) => (Math.abs(value) < size * 1e-7 ? 0 : value);

export interface Shown {
  /** The value with its unit, such as 6.5 kN. */
  text: (si: number, kind: string) => string;
  /** The bare number in display units. */
  number: (si: number, kind: string) => number;
  unit: (kind: string) => string;
}

const RAISED: Record<string, string> = { "2": "²", "3": "³", "4": "⁴" };

const SUPERSCRIPT = "⁻⁰¹²³⁴⁵⁶⁷⁸⁹";

/** A power of ten: −3 is written 10⁻³. */
export const tenTo = (power: number) => `10${[...String(power)].map((c) => SUPERSCRIPT["-0123456789".indexOf(c)]).join("")}`;

/** mm2 is written mm². */
export const raised = (unit: string) => unit.replace(/([a-z])([234])/g, (_, letter: string, power: string) => letter + RAISED[power]);

/** Shows SI values in the model's display units. */
export function useShown(system: string): Shown {
  const { data } = useUnits();
  const entry = useCallback((kind: string) => data?.systems[system]?.[kind] ?? { unit: "", scale: [1, 0] as [number, number] }, [data, system]);
  const number = useCallback((si: number, kind: string) => (si - entry(kind).scale[1]) / entry(kind).scale[0], [entry]);
  const text = useCallback((si: number, kind: string) => `${digits(number(si, kind))} ${raised(entry(kind).unit)}`.trim(), [entry, number]);
  return { text, number, unit: (kind) => raised(entry(kind).unit) };
}

export function percent(ratio: number, places = 0): string {
  const sign = ratio < 0 ? "−" : "+";
  return `${sign}${Math.abs(ratio * 100).toFixed(places)} %`;
}
