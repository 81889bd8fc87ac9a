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

/** Ones, twos and fives of every decade from one end to the other. */
export function decades(low: number, high: number): number[] {
  if (!(low > 0 && high > low)) return [low];
  const first = Math.floor(Math.log10(low));
  const all = Array.from({ length: Math.ceil(Math.log10(high)) - first + 1 }, (_, i) => first + i).flatMap((p) => [1, 2, 5].map((s) => s * 10 ** p));
  const inside = all.filter((v) => v >= low * (1 - 1e-9) && v <= high * (1 + 1e-9)).map((v) => Number(v.toPrecision(12)));
  return inside.length > 7 ? inside.filter((v) => Number.isInteger(Math.log10(v))) : inside;
}
