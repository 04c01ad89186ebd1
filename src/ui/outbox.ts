import { type Answer, newRequest, send } from "./send";

/** One write on its way: kept on the device until the server has answered it. */
export type Kept = { request: string; name: string; input: unknown; words: string; at: string };
/** One that the server refused: kept until the person has seen it. */
export type Refused = Kept & { message: string };
export type Outbox = { waiting: Kept[]; refused: Refused[]; away: boolean };

const KEY = "outbox";
const EMPTY: Outbox = { waiting: [], refused: [], away: false };

const listeners = new Set<() => void>();
let text = "";
let current: Outbox = EMPTY;

/** What lies here, the same object until it changes. */
export function outbox(): Outbox {
  const stored = localStorage.getItem(KEY) ?? "";
  if (stored !== text) {
    text = stored;
    current = stored ? { ...(JSON.parse(stored) as Omit<Outbox, "away">), away: current.away } : { ...EMPTY };
  }
  return current;
}

function keep(next: Outbox): void {
  current = next;
  text = JSON.stringify({ waiting: next.waiting, refused: next.refused });
  localStorage.setItem(KEY, text);
  for (const listener of listeners) listener();
}

/** Listens for changes here and in other tabs of this device. */
export function watchOutbox(listener: () => void): () => void {
  listeners.add(listener);
  const onStorage = (event: StorageEvent) => {
    if (event.key === KEY) listener();
  };
  window.addEventListener("storage", onStorage);
  return () => {
    listeners.delete(listener);
    window.removeEventListener("storage", onStorage);
  };
}

/** Only one tab sends at a time, where the browser can tell; a request's own name makes a second sending harmless. */
const alone = <T>(work: () => Promise<T>): Promise<T> =>
  "locks" in navigator ? navigator.locks.request("orchard-outbox", work) : work();

let sending: Promise<Map<string, Answer>> | null = null;

async function sendAll(): Promise<Map<string, Answer>> {
  const answers = new Map<string, Answer>();
  for (let next = outbox().waiting[0]; next; next = outbox().waiting[0]) {
    const { request, name, input } = next;
    const answer = await send(`/api/commands/${name}`, input, request);
    answers.set(request, answer);
    const now = outbox();
    if (answer.kind === "away") {
      keep({ ...now, away: true });
      break;
    }
    const waiting = now.waiting.filter((k) => k.request !== request);
    const refused = answer.ok ? now.refused : [...now.refused, { ...next, message: answer.message }];
    keep({ waiting, refused, away: false });
  }
  return answers;
}

/** Sends what waits, in order, until all is answered or the server stays away. */
export async function sendWaiting(): Promise<Map<string, Answer>> {
  sending ??= alone(sendAll).finally(() => {
    sending = null;
  });
  return sending;
}

/**
 * Puts a write behind those that wait and sends them all.
 * @returns the server's answer; null while it is away and the write is kept here
 */
export async function post(name: string, input: unknown, words: string): Promise<Answer | null> {
  const kept = { request: newRequest(), name, input, words, at: new Date().toISOString() };
  keep({ ...outbox(), waiting: [...outbox().waiting, kept] });
  // A sending under way may have passed the end already: it is waited for, then what is left goes.
  for (let tries = 0; tries < 2; tries++) {
    const answer = (await sendWaiting()).get(kept.request);
    if (answer) {
      if (answer.kind === "away") return null;
      // Refused while the person looks on: it is said there, and need not wait to be seen.
      if (!answer.ok) putAside(kept.request);
      return answer;
    }
  }
  return null;
}

/** Takes a refused write away once it was seen. */
export function putAside(request: string): void {
  const now = outbox();
  keep({ ...now, refused: now.refused.filter((k) => k.request !== request) });
}
