const HEAVY = 100_000; // triangles from which smooth edges cost a processor too much

let known: boolean | undefined;

/** Whether the processor draws, since the machine has no graphics processor or the browser may not use it. */
function bySoftware(): boolean {
  if (known === undefined) {
    const gl = document.createElement("canvas").getContext("webgl2");
    const told = gl?.getExtension("WEBGL_debug_renderer_info");
    known = !gl || !told || /swiftshader|llvmpipe|softpipe|software|basic render/i.test(String(gl.getParameter(told.UNMASKED_RENDERER_WEBGL)));
    gl?.getExtension("WEBGL_lose_context")?.loseContext();
  }
  return known;
}

/** How finely a window draws: smooth edges, unless a processor would need too long for so many triangles. */
export function finenessFor(triangles: number): { dpr: number | [number, number]; antialias: boolean } {
  return triangles > HEAVY && bySoftware() ? { dpr: 1, antialias: false } : { dpr: [1, 2], antialias: true };
}
