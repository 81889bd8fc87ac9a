import { create } from "zustand";
import type { PlaceKey, PlaceKind } from "../api/types";

export type Look = "shape" | "mesh" | "results";

export interface Complaint {
  message: string;
  cure: string | null;
  reload?: boolean;
}

/** What lies on the desk: nothing in here is part of the model. */
interface Desk {
  look: Look;
  selected: string | null;
  /** Statement whose target is being picked in the model window. */
  picking: string | null;
  pickKind: PlaceKind;
  lit: PlaceKey[];
  study: string | null;
  field: string;
  /** Exaggeration of displacements; null lets the window choose. */
  exaggeration: number | null;
  animated: boolean;
  /** Ends of the colour scale set by hand, in SI. */
  ends: { low: number | null; high: number | null };
  marks: boolean;
  trayOpen: boolean;
  complaint: Complaint | null;
  set: (change: Partial<Omit<Desk, "set" | "complain">>) => void;
  complain: (complaint: Complaint | null) => void;
}

export const useDesk = create<Desk>((set) => ({
  look: "shape",
  selected: null,
  picking: null,
  pickKind: "faces",
  lit: [],
  study: null,
  field: "von_mises",
  exaggeration: null,
  animated: false,
  ends: { low: null, high: null },
  marks: true,
  trayOpen: true,
  complaint: null,
  set: (change) => set(change),
  complain: (complaint) => set({ complaint }),
}));
