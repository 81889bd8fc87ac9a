import { useState } from "react";
import { useQueryClient } from "@tanstack/react-query";
import type { Arrays } from "../api/client";
import { fetchRange, type FieldMeta, type Reading, type SkinMeta } from "../api/results";
import { useDesk } from "../workspace/desk";

interface Props {
  result: string;
  field: string;
  layer: string | null;
  reading: Reading;
  frames: number;
  skin: Arrays<SkinMeta>;
  found: Arrays<FieldMeta>;
}

/** Least and greatest of the bodies that are drawn. */
export function rangeShown(skin: Arrays<SkinMeta>, found: Arrays<FieldMeta>, field: string, hidden: string[]): { low: number; high: number } | null {
  const [values, triangles] = [found.arrays[field] as Float32Array, skin.arrays.triangles as Int32Array];
  let [low, high] = [Infinity, -Infinity];
  for (const [body, , first, count] of skin.meta.faces) {
    if (hidden.includes(body)) continue;
    for (let i = first * 3; i < (first + count) * 3; i += 1) {
      const v = values[found.meta.corners ? i : (triangles[i] as number)] as number;
      if (v < low) low = v;
      if (v > high) high = v;
    }
  }
  return low <= high ? { low, high } : null;
}

/** Ends of the scale from the bodies that are drawn, or over all frames. */
export function ScaleTools({ result, field, layer, reading, frames, skin, found }: Props) {
  const { hidden, set } = useDesk();
  const [busy, setBusy] = useState(false);
  const client = useQueryClient();
  const shown = () => {
    const range = rangeShown(skin, found, field, hidden);
    if (range) set({ ends: range });
  };
  const all = async () => {
    setBusy(true);
    try {
      const range = await fetchRange(client, result, field, layer, reading);
      set({ ends: { low: range.min, high: range.max } });
    } finally {
      setBusy(false);
    }
  };
  const look = "underline hover:text-ink disabled:opacity-50";
  return (
    <span className="flex gap-3 text-[11px] text-faint">
      {hidden.length > 0 && (
        <button className={look} onClick={shown}>
          ends from the bodies that are drawn
        </button>
      )}
      {frames > 1 && (
        <button className={look} disabled={busy} onClick={() => void all()}>
          ends over all frames
        </button>
      )}
    </span>
  );
}
