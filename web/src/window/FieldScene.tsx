import { useMemo } from "react";
import type { Arrays } from "../api/client";
import type { FieldMeta, SkinMeta } from "../api/results";
import type { Clip } from "./fieldMaterial";
import { piecesOf } from "./fieldPieces";
import { MeshScene, type Pointed } from "./MeshScene";
import type { scaleOf } from "./scale";

interface Props {
  skin: Arrays<SkinMeta>;
  /** The field with what moves, as the server sends it. */
  found: Arrays<FieldMeta>;
  field: string;
  scale: Pick<ReturnType<typeof scaleOf>, "low" | "high" | "stops">;
  limit: number | null;
  exaggeration: number;
  animated?: boolean;
  speed?: number;
  banded?: boolean;
  clip?: Clip | null;
  /** The skin before its bodies were drawn apart. */
  still?: Float32Array | undefined;
  /** What is done to the inside before it is drawn, as to the skin. */
  laid?: (cut: Arrays<SkinMeta>) => Arrays<SkinMeta>;
  onPoint: (told: Pointed | null) => void;
  onPick?: (told: Pointed) => void;
}

const asIs = (bare: Arrays<SkinMeta>) => bare;

/** A field of a result on its skin, on the inside that a plane lays open, and on its members as solid sections. */
export function FieldScene({ skin, found, field, scale, limit, exaggeration, animated = false, speed = 1, banded = false, clip = null, still, laid = asIs, onPoint, onPick }: Props) {
  const pieces = useMemo(() => piecesOf(skin, found, field, laid), [skin, found, field, laid]);
  return pieces.map((piece, i) => (
    <MeshScene
      key={i}
      {...piece}
      stops={scale.stops}
      low={scale.low}
      high={scale.high}
      limit={limit}
      exaggeration={exaggeration}
      animated={animated}
      speed={speed}
      banded={banded}
      sides={false}
      clip={piece.clipped ? clip : null}
      still={i === 0 ? still : undefined}
      onPoint={onPoint}
      onPick={i === 0 ? onPick : undefined}
    />
  ));
}
