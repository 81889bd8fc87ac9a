import { useEffect, useMemo } from "react";
import { BufferAttribute, BufferGeometry } from "three";
import type { Arrays } from "../api/client";
import type { SkinMeta } from "../api/hooks";

/** The edges of the shape where nothing has moved. */
export function Ghost({ skin }: { skin: Arrays<SkinMeta> }) {
  const geometry = useMemo(() => {
    const made = new BufferGeometry();
    made.setAttribute("position", new BufferAttribute(skin.arrays.positions as Float32Array, 3));
    made.setIndex(new BufferAttribute(new Uint32Array(skin.arrays.lines as Int32Array), 1));
    return made;
  }, [skin]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <lineSegments geometry={geometry} raycast={() => null}>
      <lineBasicMaterial color="#22313b" transparent opacity={0.28} />
    </lineSegments>
  );
}
