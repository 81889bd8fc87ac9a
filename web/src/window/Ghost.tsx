import { useEffect, useMemo } from "react";
import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/results";
import { ghostOf } from "./ghostOf";

/** The edges of the shape where nothing has moved. */
export function Ghost({ skin }: { skin: Arrays<SkinMeta> }) {
  const lines = useMemo(() => ghostOf(skin), [skin]);
  useEffect(() => () => [lines.geometry, lines.material].forEach((part) => part.dispose()), [lines]);
  return <primitive object={lines} />;
}
