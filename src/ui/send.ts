import { headersOf, type Press } from "./press";

export type Answer = {
  ok: boolean;
  /**
   * Why not: what was sent was not taken; `away` where no server answered; `failing` where it could not do its work, which
   * may help to try again.
   */
  kind?: "invalid" | "refused" | "conflict" | "dry-run" | "away" | "failing";
  entry?: string | null;
  id?: string;
  ids?: string[];
  code?: string;
  message: string;
  warnings?: string[];
  fields?: Record<string, string>;
};

const AWAY: Answer = {
  ok: false,
  kind: "away",
  message: "The server did not answer. Nothing was lost here; try again.",
  fields: {},
};

/** Times that a server which says it is busy is asked again by itself, and the wait between, ms. */
const TRIES = 10;
const WAIT = 400;

/** A file on its way to the server, which goes there before the press that speaks of it. */
export type SentFile = { path: string; type: string; bytes: ArrayBuffer };

type Content = { type: string; body: BodyInit };

async function once(path: string, { type, body }: Content, press: Press): Promise<Answer & { busy?: boolean }> {
  let response: Response;
  try {
    response = await fetch(path, {
      method: "POST",
      headers: { "content-type": type, ...headersOf(press) },
      body,
    });
  } catch {
    return AWAY;
  }
  const busy = response.headers.has("retry-after");
  try {
    const answer = (await response.json()) as Answer;
    if (response.status < 500) return answer;
    return { ...answer, ok: false, kind: "failing", busy };
  } catch {
    const message = `The server answered with ${response.status} and no reason. Nothing was lost here; try again.`;
    return { ok: false, kind: "failing", message, fields: {}, busy };
  }
}

async function patiently(path: string, content: Content, press: Press): Promise<Answer> {
  for (let tried = 1; ; tried++) {
    const { busy, ...answer } = await once(path, content, press);
    if (!busy || tried === TRIES) return answer;
    await new Promise((wait) => setTimeout(wait, WAIT));
  }
}

/**
 * Sends one write, and before it the file that it speaks of. A server that can't be reached is an answer too: nothing was
 * saved, what was typed is kept.
 */
export async function send(path: string, input: unknown, press: Press, file?: SentFile): Promise<Answer> {
  if (file) {
    const { type, bytes } = file;
    const first = await patiently(file.path, { type, body: bytes }, press);
    if (!first.ok) return first;
  }
  return patiently(path, { type: "application/json", body: JSON.stringify(input) }, press);
}
