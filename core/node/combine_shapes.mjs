// Combines closed surfaces: node combine_shapes.mjs INPUT OUTPUT union|subtract|intersect|split
// The first surface meets all the others. Every triangle carries a label (see faces), which
// the result keeps. "split" gives what lies inside the second and what lies outside.
import Module from "manifold-3d";
import { readArrays, writeArrays } from "./arrays.mjs";

const [input, output, how] = process.argv.slice(2);
const wasm = await Module();
wasm.setup();
const { Manifold, Mesh } = wasm;
const { arrays, meta } = readArrays(input);

const fail = (text) => {
  process.stderr.write(`${text}\n`);
  process.exit(3);
};

const solids = meta.surfaces.map(({ name, points, triangles }) => {
  const mesh = new Mesh({
    numProp: 3,
    vertProperties: Float32Array.from(arrays.points.subarray(points[0] * 3, points[1] * 3)),
    triVerts: Uint32Array.from(arrays.triangles.subarray(triangles[0] * 3, triangles[1] * 3)),
    faceID: Uint32Array.from(arrays.faces.subarray(triangles[0], triangles[1])),
  });
  mesh.merge();
  try {
    return new Manifold(mesh);
  } catch (error) {
    return fail(`${name}: ${error.message ?? error}`);
  }
});

const combine = {
  union: () => [Manifold.union(solids)],
  subtract: () => [Manifold.difference(solids)],
  intersect: () => [Manifold.intersection(solids)],
  split: () => solids[0].split(solids[1]),
};
const results = combine[how]();
const meshes = results.map((solid) => solid.getMesh());
const points = [];
const triangles = [];
const faces = [];
const pieces = meshes.map((mesh) => {
  const base = points.length / 3;
  const first = faces.length;
  const joined = new Map();
  mesh.mergeFromVert.forEach((from, i) => joined.set(from, mesh.mergeToVert[i]));
  mesh.vertProperties.forEach((value) => points.push(value));
  mesh.triVerts.forEach((index) => triangles.push((joined.get(index) ?? index) + base));
  mesh.faceID.forEach((face) => faces.push(face));
  return { points: [base, points.length / 3], triangles: [first, faces.length] };
});
writeArrays(
  output,
  {
    points: { data: Float64Array.from(points), shape: [points.length / 3, 3] },
    triangles: { data: Int32Array.from(triangles), shape: [triangles.length / 3, 3] },
    faces: { data: Int32Array.from(faces), shape: [faces.length] },
  },
  { pieces, status: results.map((solid) => String(solid.status())) },
);
