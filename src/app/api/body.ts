const LIMIT = 256 * 1024;
/** For commands that take in a file. */
export const FILE_LIMIT = 3 * 1024 * 1024;

export type Body = { ok: true; value: unknown } | { ok: false; status: number; message: string };

/** Reads a body of limited size; null for one that is longer, which is dropped unread. */
export async function readBytes(request: Request, limit: number): Promise<Buffer | null> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of request.body ?? []) {
    size += chunk.length;
    if (size > limit) return null;
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

/** Reads a JSON body of limited size. */
export async function readJson(request: Request, limit = LIMIT): Promise<Body> {
  if (!/^application\/json\b/i.test(request.headers.get("content-type") ?? ""))
    return { ok: false, status: 415, message: "Send JSON." };
  const bytes = await readBytes(request, limit);
  if (!bytes) return { ok: false, status: 413, message: "That is more than this server takes at once." };
  try {
    return { ok: true, value: JSON.parse(bytes.toString("utf8")) as unknown };
  } catch {
    return { ok: false, status: 400, message: "The JSON can't be read." };
  }
}

const STATUS = { invalid: 400, refused: 422, conflict: 409, "dry-run": 200 } as const;

/** The HTTP status of a command's outcome. */
export function statusOf(outcome: { ok: true } | { ok: false; kind: keyof typeof STATUS }): number {
  return outcome.ok ? 200 : STATUS[outcome.kind];
}
