/** Round numbers from one end to the other, about as many as wanted. */
export function steps(low: number, high: number, wanted = 4): number[] {
  if (!(high > low)) return [low];
  const rough = (high - low) / wanted;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = ([1, 2, 5, 10].find((s) => s * power >= rough) ?? 10) * power;
  const first = Math.ceil(low / step - 1e-9);
  const last = Math.floor(high / step + 1e-9);
  return Array.from({ length: last - first + 1 }, (_, i) => Number(((first + i) * step).toPrecision(12)));
}
