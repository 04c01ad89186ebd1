export type Answer = {
  ok: boolean;
  kind?: "invalid" | "refused" | "conflict" | "dry-run" | "away";
  entry?: number | null;
  id?: number;
  ids?: number[];
  message: string;
  warnings?: string[];
  fields?: Record<string, string>;
};

/** A name for one request, so that the server carries it out once however often it arrives. */
export function newRequest(): string {
  // Over plain http from another machine a browser has no randomUUID; random bytes it has.
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");
}

/** Sends one write. A server that can't be reached is an answer too: nothing was saved, what was typed is kept. */
export async function send(path: string, body: unknown, request: string): Promise<Answer> {
  try {
    const response = await fetch(path, {
      method: "POST",
      headers: { "content-type": "application/json", "x-request": request },
      body: JSON.stringify(body),
    });
    return (await response.json()) as Answer;
  } catch {
    return {
      ok: false,
      kind: "away",
      message: "The server did not answer. Nothing was lost here; try again.",
      fields: {},
    };
  }
}
