// Named numeric arrays in one file: a line of JSON, then the numbers (see docs/formats).
import { closeSync, openSync, readFileSync, writeSync } from "node:fs";

const TYPES = { f8: Float64Array, f4: Float32Array, i4: Int32Array };
const CODES = new Map(Object.entries(TYPES).map(([code, type]) => [type, code]));

/** Writes { name: { data, shape } } and anything JSON can hold as meta. */
export function writeArrays(path, arrays, meta) {
  let offset = 0;
  const heads = {};
  for (const [name, { data, shape }] of Object.entries(arrays)) {
    heads[name] = { type: CODES.get(data.constructor), shape, offset };
    offset += data.byteLength;
  }
  const file = openSync(path, "w");
  writeSync(file, `${JSON.stringify({ arrays: heads, meta })}\n`);
  for (const { data } of Object.values(arrays)) {
    if (data.byteLength > 0) writeSync(file, new Uint8Array(data.buffer, data.byteOffset, data.byteLength));
  }
  closeSync(file);
}

/** The arrays of a file by name, and its meta. */
export function readArrays(path) {
  const bytes = readFileSync(path);
  const end = bytes.indexOf(10);
  const head = JSON.parse(bytes.subarray(0, end).toString("utf8"));
  const arrays = {};
  for (const [name, { type, shape, offset }] of Object.entries(head.arrays)) {
    const count = shape.reduce((a, b) => a * b, 1);
    const Type = TYPES[type];
    const start = end + 1 + offset;
    arrays[name] = new Type(bytes.buffer.slice(bytes.byteOffset + start, bytes.byteOffset + start + count * Type.BYTES_PER_ELEMENT));
  }
  return { arrays, meta: head.meta };
}
