// Reads a STEP or IGES file: node read_shape.mjs INPUT OUTPUT step|iges FINENESS ANGLE
// FINENESS is a share of the average extent, ANGLE in rad. Lengths come out in metres.
import { readFileSync } from "node:fs";
import occtimportjs from "occt-import-js";
import { writeArrays } from "./arrays.mjs";

const [input, output, kind, fineness, angle] = process.argv.slice(2);
const occt = await occtimportjs();
const read = kind === "iges" ? occt.ReadIgesFile : occt.ReadStepFile;
const found = read(new Uint8Array(readFileSync(input)), {
  linearUnit: "meter",
  linearDeflectionType: "bounding_box_ratio",
  linearDeflection: Number(fineness),
  angularDeflection: Number(angle),
});
if (!found.success) {
  process.stderr.write("the file's contents could not be read as a shape\n");
  process.exit(3);
}

const total = (pick) => found.meshes.reduce((sum, mesh) => sum + pick(mesh), 0);
const points = new Float64Array(total((m) => m.attributes.position.array.length));
const normals = new Float64Array(points.length);
const triangles = new Int32Array(total((m) => m.index.array.length));
const faces = new Int32Array(triangles.length / 3).fill(-1);
let at = 0;
let corner = 0;
const meshes = found.meshes.map((mesh) => {
  const { position, normal } = mesh.attributes;
  points.set(position.array, at);
  if (normal) normals.set(normal.array, at);
  const first = corner / 3;
  mesh.index.array.forEach((index, i) => {
    triangles[corner + i] = index + at / 3;
  });
  mesh.brep_faces.forEach((face, i) => faces.fill(i, first + face.first, first + face.last + 1));
  at += position.array.length;
  corner += mesh.index.array.length;
  return {
    name: mesh.name ?? "",
    colour: mesh.color ?? null,
    first,
    count: mesh.index.array.length / 3,
    faces: mesh.brep_faces.length,
    face_colours: mesh.brep_faces.map((face) => face.color ?? null),
  };
});

/** The names of the parts on the way down to each mesh. */
const paths = [];
const walk = (node, path) => {
  const here = node.name ? [...path, node.name] : path;
  node.meshes.forEach((mesh) => {
    paths[mesh] = here;
  });
  node.children.forEach((child) => walk(child, here));
};
walk(found.root, []);

writeArrays(
  output,
  {
    points: { data: points, shape: [points.length / 3, 3] },
    normals: { data: normals, shape: [normals.length / 3, 3] },
    triangles: { data: triangles, shape: [triangles.length / 3, 3] },
    faces: { data: faces, shape: [faces.length] },
  },
  { meshes: meshes.map((mesh, i) => ({ ...mesh, path: paths[i] ?? [] })) },
);
process.exit(0); // at once, without waiting for compilers still at work
