import type { Kind, Of } from "../api/types";

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
  ["reaction", "reaction"],
  ["reaction_x", "reaction along x"],
  ["reaction_y", "reaction along y"],
  ["reaction_z", "reaction along z"],
];

/** Fields that the model window can show. */
export const FIELDS: readonly (readonly [string, string])[] = [
  ...LIMITED.filter(([name]) => !name.startsWith("reaction")),
  ["principal_mid", "middle principal stress"],
];

/** Statements that make bodies, which bear their names. */
export const MAKERS: readonly Kind[] = ["body", "frame", "import", "combine", "copy", "mid_surface"];

export const SECTIONS: readonly { title: string; kinds: Kind[] }[] = [
  { title: "Aim", kinds: ["aim"] },
  { title: "Shape", kinds: ["outline", "line", "body", "frame", "import", "combine", "cut", "imprint", "copy", "join", "mid_surface", "group"] },
  { title: "Material and sections", kinds: ["material"] },
  { title: "Joins and supports", kinds: ["support", "displacement"] },
  { title: "Loads and stages", kinds: ["force", "pressure", "gravity"] },
  { title: "Mesh", kinds: ["mesh", "size", "division", "rings"] },
  { title: "Studies", kinds: ["study"] },
  { title: "Findings", kinds: ["hand_check", "limit"] },
];
