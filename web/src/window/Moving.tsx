import { useEffect, useRef, type ReactNode } from "react";
import { useFrame, useThree } from "@react-three/fiber";
import { Quaternion, Vector3, type Group } from "three";
import type { Motion } from "../api/types";

const SHARE = 0.07; // of the part, that a free motion is drawn with

/** Where a motion takes what is drawn, as a turn and a shift. */
export function placed(motion: Motion, size: number, phase: number): { shift: Vector3; turn: Quaternion } {
  const axis = new Vector3(...motion.turn);
  const most = Math.max(Math.hypot(...motion.slide), axis.length() * size * 0.5, 1e-300);
  const amount = (SHARE * size * phase) / most;
  const angle = axis.length() * amount;
  const turn = new Quaternion().setFromAxisAngle(axis.length() > 0 ? axis.clone().normalize() : new Vector3(1, 0, 0), angle);
  const centre = new Vector3(...motion.centre);
  const shift = centre.clone().sub(centre.clone().applyQuaternion(turn)).add(new Vector3(...motion.slide).multiplyScalar(amount));
  return { shift, turn };
}

/** Sways what is in it, as a motion would that nothing resists. */
export function Moving({ motion, size, children }: { motion: Motion | null; size: number; children: ReactNode }) {
  const group = useRef<Group>(null);
  const { invalidate } = useThree();
  useEffect(() => {
    if (!motion) {
      group.current?.position.set(0, 0, 0);
      group.current?.quaternion.identity();
    }
    invalidate();
  }, [motion, invalidate]);
  useFrame(({ clock }) => {
    if (!motion || !group.current) return;
    const { shift, turn } = placed(motion, size, Math.sin(clock.elapsedTime * 2.2));
    group.current.position.copy(shift);
    group.current.quaternion.copy(turn);
    invalidate();
  });
  return <group ref={group}>{children}</group>;
}
