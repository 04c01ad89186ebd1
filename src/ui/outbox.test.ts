import { beforeEach, describe, expect, test, vi } from "vitest";

type Sent = { name: string; request: string; input: unknown };

/** A device with its storage, and a server that can be away, slow, or refuse. */
function device() {
  const stored = new Map<string, string>();
  const server = {
    away: false,
    refuses: new Set<string>(),
    sent: [] as Sent[],
    /** Called when a write arrives, before it is answered. */
    onArrival: () => {},
  };
  vi.stubGlobal("localStorage", {
    getItem: (key: string) => stored.get(key) ?? null,
    setItem: (key: string, value: string) => void stored.set(key, value),
    removeItem: (key: string) => void stored.delete(key),
  });
  vi.stubGlobal("window", { addEventListener: () => {}, removeEventListener: () => {} });
  vi.stubGlobal("navigator", {});
  vi.stubGlobal("fetch", async (path: string, init: { headers: Record<string, string>; body: string }) => {
    if (server.away) throw new TypeError("no network");
    const name = path.replace("/api/commands/", "");
    server.sent.push({ name, request: init.headers["x-request"]!, input: JSON.parse(init.body) });
    server.onArrival();
    if (server.away) throw new TypeError("the answer was lost");
    const ok = !server.refuses.has(name);
    return { json: async () => (ok ? { ok, message: "done", entry: 1 } : { ok, kind: "refused", message: "no" }) };
  });
  return { stored, server };
}

/** The outbox as a freshly loaded page has it. */
async function load() {
  vi.resetModules();
  return import("./outbox");
}

let its: ReturnType<typeof device>;
beforeEach(() => {
  its = device();
});

describe("the outbox", () => {
  test("with the server there a write goes at once and nothing stays", async () => {
    const { post, outbox } = await load();
    expect(await post("flower.cover", { flowers: 2 }, "2 covered")).toMatchObject({ ok: true });
    expect(outbox()).toMatchObject({ waiting: [], refused: [] });
    expect(its.server.sent).toMatchObject([{ name: "flower.cover", input: { flowers: 2 } }]);
  });

  test("while it is away writes wait, through a reload, and go in order when it is back", async () => {
    its.server.away = true;
    const first = await load();
    expect(await first.post("a", 1, "one")).toBeNull();
    expect(await first.post("b", 2, "two")).toBeNull();
    const { outbox, post, sendWaiting } = await load();
    expect(outbox().waiting.map((k) => k.words)).toEqual(["one", "two"]);
    its.server.away = false;
    await post("c", 3, "three");
    expect(its.server.sent.map((s) => s.name)).toEqual(["a", "b", "c"]);
    await sendWaiting();
    expect(its.server.sent).toHaveLength(3);
    expect(outbox().waiting).toEqual([]);
  });

  test("an answer that was lost is asked for again under the same name", async () => {
    const { post, outbox, sendWaiting } = await load();
    its.server.onArrival = () => {
      its.server.away = true;
    };
    expect(await post("a", 1, "one")).toBeNull();
    expect(outbox().waiting).toHaveLength(1);
    its.server.away = false;
    its.server.onArrival = () => {};
    await sendWaiting();
    const [once, again] = its.server.sent;
    expect(again!.request).toBe(once!.request);
    expect(outbox().waiting).toEqual([]);
  });

  test("one refused later stays to be seen and does not hold the others up", async () => {
    its.server.away = true;
    its.server.refuses.add("bad");
    const { post, outbox, sendWaiting, putAside } = await load();
    await post("bad", 1, "the bad one");
    await post("good", 2, "the good one");
    its.server.away = false;
    await sendWaiting();
    expect(its.server.sent.map((s) => s.name)).toEqual(["bad", "good"]);
    expect(outbox()).toMatchObject({ waiting: [], refused: [{ words: "the bad one", message: "no" }] });
    putAside(outbox().refused[0]!.request);
    expect(outbox().refused).toEqual([]);
  });

  test("one refused at once is told where it was pressed, not kept", async () => {
    its.server.refuses.add("bad");
    const { post, outbox } = await load();
    expect(await post("bad", 1, "the bad one")).toMatchObject({ ok: false, message: "no" });
    expect(outbox()).toMatchObject({ waiting: [], refused: [] });
  });

  test("presses in quick succession are all sent, each once, in their order", async () => {
    const { post, outbox } = await load();
    const answers = await Promise.all(["a", "b", "c", "d"].map((name, i) => post(name, i, name)));
    expect(answers.every((a) => a?.ok)).toBe(true);
    expect(its.server.sent.map((s) => s.name)).toEqual(["a", "b", "c", "d"]);
    expect(outbox().waiting).toEqual([]);
  });

  test("who watches is told of every change", async () => {
    const { post, watchOutbox } = await load();
    const told = vi.fn();
    const stop = watchOutbox(told);
    await post("a", 1, "one");
    expect(told.mock.calls.length).toBeGreaterThanOrEqual(2);
    stop();
    told.mockClear();
    await post("b", 2, "two");
    expect(told).not.toHaveBeenCalled();
  });
});
