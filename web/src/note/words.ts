import type { Kind, Of, PlaceKind } from "../api/types";

export type Limited = Of<"limit">["quantity"];

export const LIMITED: readonly (readonly [Limited, string])[] = [
  ["von_mises", "von Mises stress"],
  ["tresca", "Tresca stress"],
  ["principal_max", "greatest principal stress"],
  ["principal_min", "least principal stress"],
  ["stress_xx", "stress xx"],
  ["stress_yy", "stress yy"],
  ["stress_zz", "stress zz"],
  ["stress_xy", "stress xy"],
  ["stress_yz", "stress yz"],
  ["stress_zx", "stress zx"],
  ["displacement", "displacement"],
  ["displacement_x", "displacement along x"],
  ["displacement_y", "displacement along y"],
  ["displacement_z", "displacement along z"],
  ["rotation", "rotation"],
  ["rotation_x", "rotation about x"],
  ["rotation_y", "rotation about y"],
  ["rotation_z", "rotation about z"],
  ["velocity", "velocity"],
  ["velocity_x", "velocity along x"],
  ["velocity_y", "velocity along y"],
  ["velocity_z", "velocity along z"],
  ["acceleration", "acceleration"],
  ["acceleration_x", "acceleration along x"],
  ["acceleration_y", "acceleration along y"],
  ["acceleration_z", "acceleration along z"],
  ["temperature", "temperature"],
  ["heat_flux", "flow of heat"],
  ["sound_intensity", "sound radiated into air by an area"],
  ["damage", "damage of the design life"],
  ["plastic_strain", "equivalent plastic strain, or strain of cracks"],
  ["thermal_strain", "strain that temperature alone would bring"],
  ["strain_less_max", "greatest principal strain, less that of temperature"],
  ["strain_less_min", "least principal strain, less that of temperature"],
  ["strain_max", "greatest principal strain"],
  ["strain_min", "least principal strain"],
  ["strain_xx", "strain xx"],
  ["strain_yy", "strain yy"],
  ["strain_zz", "strain zz"],
  ["strain_xy", "strain xy"],
  ["strain_yz", "strain yz"],
  ["strain_zx", "strain zx"],
  ["touch_pressure", "pressure of touch"],
  ["touch_gap", "gap"],
  ["touch_slip", "slip"],
  ["life_power", "life, as a power of ten"],
  ["fatigue_safety", "factor on the load for the design life"],
  ["alternating", "equivalent alternating stress"],
  ["biaxiality", "how biaxial the stress is"],
  ["reaction", "reaction"],
  ["reaction_x", "reaction along x"],
  ["reaction_y", "reaction along y"],
  ["reaction_z", "reaction along z"],
];

/** Statements that make bodies, which bear their names. */
export const MAKERS: readonly Kind[] = ["body", "frame", "import", "combine", "copy", "mid_surface"];

/** Statements that belong to a load case. */
export const CASED: readonly Kind[] = ["force", "traction", "torque", "bearing_load", "pressure", "gravity", "acceleration", "line_load", "temperature", "temperature_map", "pressure_map", "displacement_map", "moment", "spin", "displacement", "rotation", "rigid", "bolt", "motion"];

/** What a support may hold. */
export const HELD: PlaceKind[] = ["faces", "edges", "points", "bodies"];
