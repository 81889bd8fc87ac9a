/** What the server refused, in its own words. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly cure: string | null,
  ) {
    super(message);
  }
}

interface RefusalBody {
  error?: string;
  cure?: string;
  faults?: { statement: string | null; message: string; cure: string | null }[];
}

async function refusal(response: Response): Promise<Refused> {
  const body = (await response.json().catch(() => ({}))) as RefusalBody;
  const fault = body.faults?.[0];
  return new Refused(fault?.message ?? body.error ?? `The server answered ${response.status}.`, response.status, fault?.cure ?? body.cure ?? null);
}

async function send(path: string, init?: RequestInit): Promise<Response> {
  const response = await fetch(path, init).catch(() => {
    throw new Refused("The server cannot be reached.", 0, "Check that it is running; nothing you typed is lost.");
  });
  if (!response.ok) throw await refusal(response);
  return response;
}

export async function request<T>(method: string, path: string, body?: unknown): Promise<T> {
  const init: RequestInit = { method, headers: { "content-type": "application/json" } };
  if (body !== undefined) init.body = JSON.stringify(body);
  return (await (await send(path, init)).json()) as T;
}

/** Sends what is to be made into a file, and gets its bytes. */
export async function requestBytes(path: string, body: unknown): Promise<ArrayBuffer> {
  return (await send(path, { method: "POST", body: JSON.stringify(body), headers: { "content-type": "application/json" } })).arrayBuffer();
}

/** Sends a file as it is. */
export async function upload<T>(path: string, file: File, signal: AbortSignal): Promise<T> {
  return (await (await send(path, { method: "POST", body: file, signal, headers: { "content-type": "application/octet-stream" } })).json()) as T;
}

/** Named arrays, and what goes with them; see docs/formats. */
export interface Arrays<M> {
  meta: M;
  arrays: Record<string, Float32Array | Int32Array>;
}

interface Head<M> {
  arrays: Record<string, { type: "f4" | "i4"; shape: number[]; offset: number }>;
  meta: M;
}

export async function requestArrays<M>(path: string): Promise<Arrays<M>> {
  const buffer = await (await send(path)).arrayBuffer();
  const bytes = new Uint8Array(buffer);
  const end = bytes.indexOf(10);
  const head = JSON.parse(new TextDecoder().decode(bytes.subarray(0, end))) as Head<M>;
  const arrays: Record<string, Float32Array | Int32Array> = {};
  for (const [name, { type, shape, offset }] of Object.entries(head.arrays)) {
    const start = end + 1 + offset;
    const piece = buffer.slice(start, start + 4 * shape.reduce((a, b) => a * b, 1));
    arrays[name] = type === "f4" ? new Float32Array(piece) : new Int32Array(piece);
  }
  return { meta: head.meta, arrays };
}
