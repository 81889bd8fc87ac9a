import { create } from "zustand";
import type { Axis, How } from "../api/results";
import type { Eye } from "../window/eye";
import type { Motion, PlaceKey, PlaceKind } from "../api/types";

export type Look = "shape" | "mesh" | "results";

export interface Complaint {
  message: string;
  cure: string | null;
  reload?: boolean;
}

/** A label that stays at a corner of the skin's triangles. */
export interface Probe {
  mesh: string;
  corner: number;
  /** m, where nothing has moved. */
  at: [number, number, number];
  number: number;
}

/** What lies on the desk: nothing in here is part of the model. */
interface Desk {
  look: Look;
  selected: string | null;
  /** Statement whose target is being picked in the model window. */
  picking: string | null;
  pickField: "target" | "to";
  pickKind: PlaceKind;
  lit: PlaceKey[];
  /** Places chosen in the model window, to be measured or made a group. */
  chosen: PlaceKey[];
  /** A place in space that a message speaks of, m. */
  spot: [number, number, number] | null;
  /** Supports, loads and masses are drawn. */
  glyphs: boolean;
  /** A free motion that is being shown. */
  motion: Motion | null;
  /** What bodies are coloured by. */
  colours: "" | "material" | "section";
  /** A vector that is drawn as arrows, and the force drawn along members. */
  arrows: "" | "displacement" | "reaction" | "load" | "cut";
  diagram: "" | "N" | "V2" | "V3" | "T" | "M2" | "M3";
  /** Bodies that are not drawn. */
  hidden: string[];
  /** Bodies are drawn so that what lies behind shows through. */
  clear: boolean;
  /** A plane that hides what lies beyond it: share of the extent along an axis. */
  clip: { axis: "x" | "y" | "z"; at: number; turned: boolean } | null;
  /** How far the bodies are drawn apart, from 0 to 1. */
  apart: number;
  /** A pick takes what lies behind too. */
  through: boolean;
  /** A box is being drawn to pick what lies in it. */
  boxing: boolean;
  /** The axis that points up in the window; null follows the model. */
  up: "y" | "z" | null;
  /** Outlines are drawn on paper instead of in space. */
  paper: boolean;
  study: string | null;
  field: string;
  /** The frame of the study that is shown, and the layer of shells; null takes the largest of all. */
  frame: number;
  layer: string | null;
  /** How the field is averaged, and the axis that its components go around, through a point, m. */
  how: How;
  around: { axis: Axis; through: [number, number, number] } | null;
  /** The scale goes in steps. */
  banded: boolean;
  /** Edges are drawn where nothing has moved, too. */
  ghost: boolean;
  probes: Probe[];
  /** Where the window is to look from next; and what tells where it looks from now. */
  eye: Eye | null;
  eyeNow: (() => Eye | null) | null;
  /** Exaggeration of displacements; null lets the window choose. */
  exaggeration: number | null;
  animated: boolean;
  /** Times as fast as usual that shapes swing and frames follow one another. */
  speed: number;
  /** Ends of the colour scale set by hand, in SI. */
  ends: { low: number | null; high: number | null };
  marks: boolean;
  trayOpen: boolean;
  complaint: Complaint | null;
  set: (change: Partial<Omit<Desk, "set" | "complain">>) => void;
  complain: (complaint: Complaint | null) => void;
}

/** What another model begins with. */
export const CLEARED = {
  look: "shape",
  selected: null,
  picking: null,
  lit: [],
  chosen: [],
  spot: null,
  motion: null,
  colours: "",
  arrows: "",
  diagram: "",
  hidden: [],
  clear: false,
  clip: null,
  apart: 0,
  boxing: false,
  up: null,
  paper: false,
  study: null,
  frame: 0,
  layer: null,
  how: "averaged",
  around: null,
  banded: false,
  ghost: false,
  probes: [],
  eye: null,
  exaggeration: null,
  ends: { low: null, high: null },
  complaint: null,
} satisfies Partial<Desk>;

export const useDesk = create<Desk>((set) => ({
  ...CLEARED,
  eyeNow: null,
  pickField: "target",
  pickKind: "faces",
  glyphs: true,
  through: false,
  field: "von_mises",
  animated: false,
  speed: 1,
  marks: true,
  trayOpen: true,
  set: (change) => set(change),
  complain: (complaint) => set({ complaint }),
}));
