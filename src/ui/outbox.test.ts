import "fake-indexeddb/auto";
import { IDBFactory } from "fake-indexeddb";
import { beforeEach, describe, expect, test, vi } from "vitest";

type Sent = { name: string; request: string; day: string; input: unknown };

/** A device with its storage, and a server that can be away, slow, or refuse. */
function device() {
  const stored = new Map<string, string>();
  const server = {
    away: false,
    refuses: new Set<string>(),
    /** Writes that it fails on: with a reason in words, or without one. */
    fails: new Map<string, "words" | "nothing" | "busy">(),
    sent: [] as Sent[],
    /** Called when a write arrives, before it is answered. */
    onArrival: () => {},
  };
  vi.stubGlobal("localStorage", {
    getItem: (key: string) => stored.get(key) ?? null,
    setItem: (key: string, value: string) => void stored.set(key, value),
    removeItem: (key: string) => void stored.delete(key),
  });
  vi.stubGlobal("document", { documentElement: { dataset: { standsOn: "2027-07-09" } } });
  // Every device has a store of its own.
  vi.stubGlobal("indexedDB", new IDBFactory());
  vi.stubGlobal("BroadcastChannel", undefined);
  vi.stubGlobal("navigator", {});
  vi.stubGlobal(
    "fetch",
    async (path: string, init: { headers: Record<string, string>; body: string | ArrayBuffer }) => {
      if (server.away) throw new TypeError("no network");
      const name = path.replace("/api/commands/", "");
      const { "x-request": request, "x-day": day } = init.headers;
      server.sent.push({
        name,
        request: request!,
        day: day!,
        input: typeof init.body === "string" ? JSON.parse(init.body) : new TextDecoder().decode(init.body),
      });
      server.onArrival();
      if (server.away) throw new TypeError("the answer was lost");
      const fails = server.fails.get(name);
      if (fails === "nothing") return new Response("<html>", { status: 500 });
      if (fails) {
        const headers = fails === "busy" ? { "retry-after": "1" } : undefined;
        return Response.json({ ok: false, kind: "refused", message: "The disk is full." }, { status: 507, headers });
      }
      const ok = !server.refuses.has(name);
      return Response.json(ok ? { ok, message: "done", entry: request } : { ok, kind: "refused", message: "no" });
    },
  );
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
    expect(outbox()).toMatchObject({ waiting: [], aside: [] });
    expect(its.server.sent).toMatchObject([{ name: "flower.cover", input: { flowers: 2 } }]);
  });

  test("while it is away writes wait, through a reload, and go in order when it is back", async () => {
    its.server.away = true;
    const first = await load();
    expect(await first.post("a", 1, "one")).toBeNull();
    expect(await first.post("b", 2, "two")).toBeNull();
    const { outbox, post, sendWaiting, watchOutbox } = await load();
    watchOutbox(() => {});
    await vi.waitFor(() => expect(outbox().waiting).toHaveLength(2));
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

  test("a file goes before the press that speaks of it, through a reload; where it is refused the press is not sent", async () => {
    const bytes = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer;
    its.server.away = true;
    const { newPress } = await import("./press");
    const first = await load();
    await first.post("photo.add", 1, "a picture", newPress(), {
      path: "/files/1",
      type: "image/jpeg",
      bytes: bytes("one"),
    });
    its.server.refuses.add("/files/2");
    await first.post("photo.add", 2, "no picture", newPress(), {
      path: "/files/2",
      type: "image/jpeg",
      bytes: bytes("two"),
    });
    const { outbox, sendWaiting } = await load();
    its.server.away = false;
    await sendWaiting();
    expect(its.server.sent.map(({ name, input }) => [name, input])).toEqual([
      ["/files/1", "one"],
      ["photo.add", 1],
      ["/files/2", "two"],
    ]);
    expect(outbox()).toMatchObject({ waiting: [], aside: [{ words: "no picture", message: "no" }] });
  });

  test("one refused later stays to be seen and does not hold the others up", async () => {
    its.server.away = true;
    its.server.refuses.add("bad");
    const { post, outbox, sendWaiting, putAway } = await load();
    await post("bad", 1, "the bad one");
    await post("good", 2, "the good one");
    its.server.away = false;
    await sendWaiting();
    expect(its.server.sent.map((s) => s.name)).toEqual(["bad", "good"]);
    expect(outbox()).toMatchObject({ waiting: [], aside: [{ words: "the bad one", message: "no" }] });
    await putAway(outbox().aside[0]!.id);
    expect(outbox().aside).toEqual([]);
  });

  test("one refused at once is told where it was pressed, not kept", async () => {
    its.server.refuses.add("bad");
    const { post, outbox } = await load();
    expect(await post("bad", 1, "the bad one")).toMatchObject({ ok: false, message: "no" });
    expect(outbox()).toMatchObject({ waiting: [], aside: [] });
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

  test.each(["words", "nothing"] as const)(
    "one that fails again and again (%s) steps aside, and may be tried again",
    async (how) => {
      its.server.fails.set("bad", how);
      const { post, outbox, tryAgain } = await load();
      expect(await post("bad", 1, "the bad one")).toBeNull();
      expect(outbox()).toMatchObject({ waiting: [{ words: "the bad one", failed: 1 }], aside: [] });
      expect(await post("good", 2, "the good one")).toMatchObject({ ok: true });
      expect(outbox()).toMatchObject({ waiting: [], aside: [{ words: "the bad one" }] });
      expect(outbox().aside[0]!.message).toMatch(how === "words" ? "The disk is full." : /answered with 500/);
      expect(its.server.sent.at(-1)!.name).toBe("good");
      its.server.fails.clear();
      await tryAgain(outbox().aside[0]!.id);
      expect(outbox()).toMatchObject({ waiting: [], aside: [] });
      expect(new Set(its.server.sent.filter((s) => s.name === "bad").map((s) => s.request)).size).toBe(1);
    },
  );

  test("a server that says it is busy is asked again by itself", async () => {
    its.server.fails.set("slow", "busy");
    its.server.onArrival = () => {
      if (its.server.sent.length === 3) its.server.fails.clear();
    };
    const { post } = await load();
    expect(await post("slow", 1, "one")).toMatchObject({ ok: true });
    expect(its.server.sent).toHaveLength(3);
  });

  test("a device without room says so when the server is away too, and sends straight on when it is there", async () => {
    vi.stubGlobal("indexedDB", {
      open: () => {
        throw new DOMException("full", "QuotaExceededError");
      },
    });
    const { post } = await load();
    expect(await post("a", 1, "one")).toMatchObject({ ok: true });
    its.server.away = true;
    expect(await post("b", 2, "two")).toMatchObject({ ok: false, message: expect.stringContaining("no room left") });
  });

  test("two tabs of one device lose nothing of each other", async () => {
    its.server.away = true;
    const [one, two] = [await load(), await load()];
    await Promise.all(Array.from({ length: 40 }, (_, i) => (i % 2 ? one : two).post("a", i, `${i}`)));
    its.server.away = false;
    await one.sendWaiting();
    expect(its.server.sent.map((s) => s.input).sort((a, b) => Number(a) - Number(b))).toEqual(
      Array.from({ length: 40 }, (_, i) => i),
    );
  });

  test("what lies in the store and is no write of ours is left alone", async () => {
    const { post, outbox, sendWaiting } = await load();
    await post("a", 1, "one");
    const open = indexedDB.open("orchard-outbox", 1);
    const db = await new Promise<IDBDatabase>((resolve) => {
      open.onsuccess = () => resolve(open.result);
    });
    const put = db.transaction("writes", "readwrite").objectStore("writes").put({ id: "x", surprise: true });
    await new Promise((resolve) => {
      put.onsuccess = resolve;
    });
    await sendWaiting();
    expect(outbox()).toMatchObject({ waiting: [], aside: [] });
    expect(its.server.sent).toHaveLength(1);
  });

  test("a press keeps the day it was made on, however late it is sent", async () => {
    its.server.away = true;
    const { post, sendWaiting } = await load();
    await post("a", 1, "one");
    vi.stubGlobal("document", { documentElement: { dataset: { standsOn: "2027-07-11" } } });
    its.server.away = false;
    await sendWaiting();
    expect(its.server.sent.map((s) => s.day)).toEqual(["2027-07-09"]);
  });
});

describe("the day of a press", () => {
  test("is the one this device stands on, else the calendar's, also on a page drawn the day before", async () => {
    const { dayNow } = await import("./press");
    expect(dayNow(new Date(2027, 6, 10, 5, 30))).toBe("2027-07-09");
    vi.stubGlobal("document", { documentElement: { dataset: {} } });
    expect(dayNow(new Date(2027, 6, 10, 5, 30))).toBe("2027-07-10");
    expect(dayNow(new Date(2027, 11, 31, 23, 59))).toBe("2027-12-31");
  });

  test("what was made here can be taken back here, with what speaks of it, and nothing else", async () => {
    const { post, outbox, restingOn, takeBack, sendWaiting } = await load();
    its.server.away = true;
    await post("flower.cover", { crossId: "x", flowers: 2 }, "two covered");
    const [cover] = outbox().waiting;
    // The first row that a press makes is named by the next number after the press's own.
    const tail = (Number.parseInt(cover!.id.slice(-10), 16) + 1).toString(16).padStart(10, "0");
    const first = cover!.id.slice(0, -10) + tail;
    await post(
      "flower.record",
      { crossId: "x", results: [{ id: first, result: "pollinated" }] },
      "the first pollinated",
    );
    await post("plant.mark", { id: "p", mark: "keep" }, "a plant kept");
    expect(restingOn(cover!.id, outbox().waiting).map(({ words }) => words)).toEqual(["the first pollinated"]);
    await takeBack(cover!.id);
    expect(outbox().waiting.map(({ words }) => words)).toEqual(["a plant kept"]);
    its.server.away = false;
    await sendWaiting();
    expect(its.server.sent.map(({ name }) => name)).toEqual(["plant.mark"]);
  });
});
