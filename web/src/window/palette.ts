/** Dark spruce to straw, evenly lighter; the limit is amber, what is over it vermilion. */
export const FIELD_STOPS: readonly [number, number, number][] = [
  [0.122, 0.278, 0.302],
  [0.184, 0.443, 0.443],
  [0.361, 0.584, 0.502],
  [0.588, 0.733, 0.541],
  [0.804, 0.839, 0.604],
  [0.945, 0.89, 0.659],
];

/** Slate to straw to rust, for fields with two signs. */
export const SIGNED_STOPS: readonly [number, number, number][] = [
  [0.169, 0.271, 0.365],
  [0.404, 0.525, 0.596],
  [0.702, 0.757, 0.729],
  [0.949, 0.906, 0.737],
  [0.831, 0.58, 0.408],
  [0.557, 0.255, 0.184],
];

export const QUALITY_STOPS: readonly [number, number, number][] = [
  [0.663, 0.169, 0.118],
  [0.902, 0.635, 0.235],
  [0.945, 0.89, 0.659],
  [0.588, 0.733, 0.541],
  [0.184, 0.443, 0.443],
];

export const css = (stop: readonly [number, number, number]) => `rgb(${stop.map((c) => Math.round(c * 255)).join(" ")})`;
export const gradient = (stops: readonly [number, number, number][]) => `linear-gradient(to right, ${stops.map(css).join(", ")})`;
