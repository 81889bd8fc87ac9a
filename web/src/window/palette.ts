import shared from "./palette.json";

type Stops = readonly [number, number, number][];

/** Dark spruce to straw, evenly lighter; the limit is amber, what is over it vermilion. */
export const FIELD_STOPS = shared.field as unknown as Stops;

/** Slate to straw to rust, for fields with two signs. */
export const SIGNED_STOPS = shared.signed as unknown as Stops;

export const QUALITY_STOPS: readonly [number, number, number][] = [
  [0.663, 0.169, 0.118],
  [0.902, 0.635, 0.235],
  [0.945, 0.89, 0.659],
  [0.588, 0.733, 0.541],
  [0.184, 0.443, 0.443],
];

export const css = (stop: readonly [number, number, number]) => `rgb(${stop.map((c) => Math.round(c * 255)).join(" ")})`;
export const gradient = (stops: readonly [number, number, number][]) => `linear-gradient(to right, ${stops.map(css).join(", ")})`;

/** The colour at a share of the way along. */
export function colourAt(stops: readonly [number, number, number][], share: number): [number, number, number] {
  const along = Math.min(Math.max(share, 0), 1) * (stops.length - 1);
  const [from, to] = [stops[Math.floor(along)], stops[Math.min(Math.floor(along) + 1, stops.length - 1)]] as [[number, number, number], [number, number, number]];
  return from.map((v, k) => v + ((to[k] as number) - v) * (along % 1)) as [number, number, number];
}

/** The same colours in so many steps, each as wide as the others. */
export function bandsOf(stops: readonly [number, number, number][], count: number): string {
  const steps = Array.from({ length: count }, (_, i) => `${css(colourAt(stops, i / (count - 1)))} ${(i * 100) / count}% ${((i + 1) * 100) / count}%`);
  return `linear-gradient(to right, ${steps.join(", ")})`;
}
