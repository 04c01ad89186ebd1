import { type DBSchema, type IDBPDatabase, openDB } from "idb";
import { newPress, type Press } from "./press";
import { type Answer, type SentFile, send } from "./send";

/** One write on its way: kept on the device until the server has answered it. Its press names it. */
export type Kept = Press & {
  name: string;
  input: unknown;
  words: string;
  /** What it speaks of and can't be written into it, as a picture. */
  file?: SentFile;
  /** How often the server could not carry it out. */
  failed: number;
  /** What it said, once a write stands aside: refused, or failing again and again. */
  message: string | null;
};
export type Outbox = { waiting: Kept[]; aside: Kept[]; away: boolean };

/** So often a failing write is tried before it steps aside for those behind it. */
const PATIENCE = 3;

interface Schema extends DBSchema {
  writes: { key: string; value: Kept };
}

const EMPTY: Outbox = { waiting: [], aside: [], away: false };
const listeners = new Set<() => void>();
let current: Outbox = EMPTY;

let opened: Promise<IDBPDatabase<Schema>> | null = null;
const store = (): Promise<IDBPDatabase<Schema>> => {
  opened ??= openDB<Schema>("orchard-outbox", 1, {
    upgrade: (db) => void db.createObjectStore("writes", { keyPath: "id" }),
  });
  return opened;
};

/** Other tabs of this device are told, and read what is kept anew. */
const channel = typeof BroadcastChannel === "undefined" ? null : new BroadcastChannel("orchard-outbox");
if (channel) channel.onmessage = () => void read();

/** Only what has the shape of a kept write is one: the device's storage is anybody's. */
const isKept = (value: unknown): value is Kept => {
  const { id, at, day, name, words } = Object(value) as Record<string, unknown>;
  return [id, at, day, name, words].every((text) => typeof text === "string");
};

function show(next: Outbox): void {
  current = next;
  for (const listener of listeners) listener();
}

/** Reads what is kept, in the order of the presses. */
async function read(away = current.away): Promise<void> {
  const all = ((await (await store()).getAll("writes")) as unknown[]).filter(isKept);
  const waiting = all.filter((kept) => !kept.message);
  show({ waiting, aside: all.filter((kept) => kept.message), away: away && waiting.length > 0 });
}

async function change(work: (db: IDBPDatabase<Schema>) => Promise<unknown>, away?: boolean): Promise<void> {
  await work(await store());
  channel?.postMessage("changed");
  await read(away);
}

/** What lies here, the same object until it changes. */
export const outbox = (): Outbox => current;

/** Listens for changes here and in other tabs of this device. */
export function watchOutbox(listener: () => void): () => void {
  if (listeners.size === 0) void read().catch(() => {});
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
}

/** Only one tab sends at a time, where the browser can tell; a press's own name makes a second sending harmless. */
const alone = <T>(work: () => Promise<T>): Promise<T> =>
  "locks" in navigator ? navigator.locks.request("orchard-outbox", work) : work();

let sending: Promise<Map<string, Answer>> | null = null;

async function sendAll(): Promise<Map<string, Answer>> {
  const answers = new Map<string, Answer>();
  await read();
  for (let next = current.waiting[0]; next; next = current.waiting[0]) {
    const kept = next;
    const answer = await send(`/api/commands/${kept.name}`, kept.input, kept, kept.file);
    answers.set(kept.id, answer);
    if (answer.kind === "away") {
      await read(true);
      break;
    }
    if (answer.ok) await change((db) => db.delete("writes", kept.id), false);
    else if (answer.kind === "failing" && kept.failed + 1 < PATIENCE) {
      await change((db) => db.put("writes", { ...kept, failed: kept.failed + 1 }), false);
      // The next round tries again; what is behind it keeps its place.
      break;
    } else await change((db) => db.put("writes", { ...kept, failed: kept.failed + 1, message: answer.message }), false);
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

const FULL: Answer = {
  ok: false,
  kind: "failing",
  message: "This device could not keep it: it has no room left, or keeps nothing for this page. Write it down by hand.",
  fields: {},
};

/**
 * Puts a write behind those that wait and sends them all.
 * @returns the server's answer; null while it is away and the write is kept here
 */
export async function post(
  name: string,
  input: unknown,
  words: string,
  press: Press = newPress(),
  file?: SentFile,
): Promise<Answer | null> {
  try {
    await change((db) =>
      db.put("writes", { ...press, name, input, words, failed: 0, message: null, ...(file ? { file } : {}) }),
    );
  } catch {
    // Kept nowhere: it goes straight to the server, and what that says is the answer.
    const answer = await send(`/api/commands/${name}`, input, press, file);
    return answer.kind === "away" ? FULL : answer;
  }
  // A sending under way may have passed the end already: it is waited for, then what is left goes.
  for (let tries = 0; tries < 2; tries++) {
    const answer = (await sendWaiting()).get(press.id);
    if (answer) {
      if (answer.kind === "away" || answer.kind === "failing") return null;
      // Refused while the person looks on: it is said there, and need not wait to be seen.
      if (!answer.ok) await putAway(press.id);
      return answer;
    }
  }
  return null;
}

/** Takes a write away: one that was seen to be refused, or one that is taken back before it was sent. */
export async function putAway(id: string): Promise<void> {
  await change((db) => db.delete("writes", id));
}

/** Those that speak of rows which another makes: they can't go without it. */
export function restingOn(id: string, waiting: Kept[]): Kept[] {
  const from = waiting.findIndex((kept) => kept.id === id);
  // The rows of a press are numbered from its own id, which ends in forty bits that count.
  const stem = id.slice(0, -10);
  return from < 0 ? [] : waiting.slice(from + 1).filter(({ input }) => JSON.stringify(input).includes(stem));
}

/** Takes back a write that was not sent yet, and those that rest on it. */
export async function takeBack(id: string): Promise<void> {
  const ids = [id, ...restingOn(id, current.waiting).map((kept) => kept.id)];
  await change((db) => Promise.all(ids.map((one) => db.delete("writes", one))));
}

/** Puts one that stood aside back among those that wait. */
export async function tryAgain(id: string): Promise<void> {
  const kept = current.aside.find((k) => k.id === id);
  if (!kept) return;
  await change((db) => db.put("writes", { ...kept, failed: 0, message: null }));
  await sendWaiting();
}
