import { BinaryBitmap, HybridBinarizer, MultiFormatReader, RGBLuminanceSource } from "@zxing/library";
import { NextRequest } from "next/server";
import { PDFDocument } from "pdf-lib";
import { afterEach, describe, expect, test, vi } from "vitest";
import { makeCode } from "@/core/custody/code";
import { type Plot, plot, twoMelons } from "@/records/tests/plot";
import { calendarView } from "@/views/calendar";
import { proxy } from "../../proxy";
import { answering } from "../api/answer";
import { readJson, statusOf } from "../api/body";
import { GET as calendar } from "../api/calendar/route";
import { GET as ground } from "../api/ground/route";
import { cellsOf, tagsPdf, USUAL } from "../api/tags/tagPdf";
import { lookAhead, pressOf } from "../here";
import { codeAsked, oneWord, seasonAsked, wholeNumber } from "../params";

const ask = (headers: Record<string, string>, method = "POST", url = "http://127.0.0.1:4620/api/undo") =>
  proxy(new NextRequest(url, { method, headers: { host: "127.0.0.1:4620", ...headers } }));

describe("who is answered", () => {
  test.each<[string, Record<string, string>, string, number]>([
    ["own page", { origin: "http://127.0.0.1:4620", "sec-fetch-site": "same-origin" }, "POST", 200],
    ["a program without origin", {}, "POST", 200],
    ["a foreign page", { origin: "http://evil.example" }, "POST", 403],
    ["another port", { origin: "http://127.0.0.1:9999" }, "POST", 403],
    ["an opaque origin", { origin: "null" }, "POST", 403],
    ["a cross-site request", { "sec-fetch-site": "cross-site" }, "POST", 403],
    ["a rebound name", { host: "evil.example" }, "GET", 403],
    ["a rebound name with our port", { host: "evil.example:4620" }, "POST", 403],
    ["localhost", { host: "localhost:4620" }, "GET", 200],
    ["IPv6 loopback", { host: "[::1]:4620" }, "GET", 200],
    ["a foreign page that only reads what is recorded", { origin: "http://evil.example" }, "GET", 403],
    ["a foreign page that shows a file as its own", { "sec-fetch-site": "cross-site" }, "GET", 403],
    ["another program on this machine", { "sec-fetch-site": "same-site" }, "GET", 403],
    ["an address typed by hand", { "sec-fetch-site": "none" }, "GET", 200],
    ["a method that nothing answers to", {}, "DELETE", 405],
  ])("%s", (_, headers, method, status) => {
    expect(ask(headers, method).status).toBe(status);
  });

  test("a link from anywhere reaches a page, and an address that can't be read is said to be none", () => {
    const page = (path: string, site: string) =>
      ask({ "sec-fetch-site": site }, "GET", `http://127.0.0.1:4620${path}`).status;
    expect(page("/crosses/X27-004-3", "cross-site")).toBe(200);
    expect(page("/api/tags/X27-004-3", "cross-site")).toBe(403);
    expect(page("/crosses/%E0%A4%A", "none")).toBe(400);
  });

  test("every answer has a nonce of its own in its policy, and no remote origin", () => {
    const policy = () => ask({}, "GET", "http://127.0.0.1:4620/").headers.get("content-security-policy")!;
    expect(policy()).not.toBe(policy());
    expect(policy()).not.toMatch(/https?:|\*/);
    expect(policy()).not.toMatch(/script-src[^;]*unsafe/);
  });
});

describe("bodies", () => {
  const post = (body: string, type = "application/json") =>
    readJson(new Request("http://x/", { method: "POST", body, headers: { "content-type": type } }));

  test("JSON of a fair size is read, anything else is refused with why", async () => {
    expect(await post('{"a":1}')).toEqual({ ok: true, value: { a: 1 } });
    expect(await post('{"a":1}', "application/json; charset=utf-8")).toMatchObject({ ok: true });
    expect(await post("{", "application/json")).toMatchObject({ ok: false, status: 400 });
    expect(await post("{}", "text/plain")).toMatchObject({ ok: false, status: 415 });
    expect(await post(`"${"x".repeat(262_144)}"`)).toMatchObject({ ok: false, status: 413 });
    expect(await post(`"${"x".repeat(262_100)}"`)).toMatchObject({ ok: true });
  });

  test("what a request says of its press is taken only where it can be true", () => {
    const id = "01a2123e-b7c2-700c-be4e-5a5d391ff92a";
    const said = (headers: Record<string, string>) => pressOf(new Request("http://x/", { method: "POST", headers }));
    const whole = { "x-request": id, "x-device": id, "x-day": "2027-07-09", "x-at": "2027-07-09T04:00:00.000Z" };
    expect(said(whole)).toEqual({ id, device: id, day: "2027-07-09", at: "2027-07-09T04:00:00.000Z" });
    const today = new Date().toISOString().slice(0, 10);
    const odd: Record<string, string>[] = [
      { "x-request": "1 OR 1", "x-device": "7", "x-day": "2027-02-30", "x-at": "yesterday" },
      { "x-day": "9999-01-01" },
      { "x-day": "1200-01-01" },
    ];
    for (const bad of odd) expect(said(bad)).toEqual({ day: today });
    expect(said({ cookie: "theme=dawn; day=2027-06-01" })).toEqual({ day: "2027-06-01" });
    expect(said({ cookie: "day=now" })).toEqual({ day: today });
  });

  test("nothing is recorded for a day to come; a clock may be a day ahead, and a trial may name its own last day", () => {
    const at = (days: number) => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
    expect([lookAhead({ day: at(0) }), lookAhead({ day: at(1) }), lookAhead({ day: at(-400) })]).toEqual([
      null,
      null,
      null,
    ]);
    expect(lookAhead({ day: at(2) })).toContain("Nothing is recorded for a day to come");
    vi.stubEnv("ORCHARD_RECORD_UNTIL", "2031-05-01");
    expect([lookAhead({ day: "2031-05-02" }), lookAhead({ day: "2031-05-03" })]).toEqual([null, expect.any(String)]);
    vi.stubEnv("ORCHARD_RECORD_UNTIL", "tomorrow");
    expect(lookAhead({ day: at(2) })).toEqual(expect.any(String));
    vi.unstubAllEnvs();
  });

  test("outcomes have their status", () => {
    expect([
      statusOf({ ok: true }),
      ...(["invalid", "refused", "conflict"] as const).map((kind) => statusOf({ ok: false, kind })),
    ]).toEqual([200, 400, 422, 409]);
  });

  test("numbers of an address are whole and small", () => {
    expect(["12", "-1", "1.5", "1e3", "", "9999999999", undefined, ["1"]].map(wholeNumber)).toEqual([
      12,
      null,
      null,
      null,
      null,
      null,
      null,
      null,
    ]);
  });
});

describe("what an address may ask for", () => {
  test("seasons that gardens have, codes as they are typed, one short word", () => {
    expect(["2027", "1900", "9999", "0", "51", "10000", "x"].map(seasonAsked)).toEqual([
      2027,
      1900,
      null,
      null,
      null,
      null,
      null,
    ]);
    const code = makeCode("cross", 2027, 14);
    expect([code, code.toLowerCase().replaceAll("-", " "), "X27-014-0", "12", ["x"], undefined].map(codeAsked)).toEqual(
      [code, code, null, null, null, null],
    );
    expect([oneWord("a"), oneWord("a".repeat(61)), oneWord(["a"])]).toEqual(["a", null, null]);
  });

  test.each([
    [{ code: "SQLITE_FULL" }, 507, "The disk is full"],
    [{ code: "SQLITE_READONLY_DBMOVED" }, 503, "can only be read"],
    [{ code: "SQLITE_BUSY" }, 503, "try again"],
    [{ code: "SQLITE_CORRUPT" }, 503, "damaged"],
    [new Error("a surprise"), 500, "a surprise"],
  ])("a failure %j is answered in words, nothing written", async (failure, status, words) => {
    vi.spyOn(console, "error").mockImplementation(() => {});
    const answer = await answering(() => {
      throw failure;
    });
    expect(answer.status).toBe(status);
    expect(answer.headers.get("cache-control")).toBe("no-store");
    expect(answer.headers.has("retry-after")).toBe(words === "try again");
    expect(await answer.json()).toMatchObject({ ok: false, message: expect.stringContaining(words), fields: {} });
  });
});

describe("printed tags", () => {
  const tag = { code: "X27-014-K", title: "For seed: do not pick", lines: ["Ashlar Gold", "× Nettle Moon", "bed C"] };

  test.each(["cross", "stand", "family", "lot", "plant", "line", "flower"] as const)(
    "a %s prints as one small page",
    async (kind) => {
      const pdf = Buffer.from(await tagsPdf([{ kind, ...tag }], USUAL));
      expect(pdf.subarray(0, 5).toString()).toBe("%PDF-");
      expect(pdf.length).toBeGreaterThan(3000);
      expect(pdf.length).toBeLessThan(200_000);
    },
  );

  test.each([
    ["a4", 16],
    ["letter", 14],
    ["single", 1],
  ] as const)("on %s %i tags of 90 × 32 mm share a page, at that size in mm", async (paper, each) => {
    const tags = Array.from({ length: each + 1 }, () => ({ kind: "flower" as const, ...tag }));
    const pdf = await PDFDocument.load(await tagsPdf(tags, { ...USUAL, paper, code: "datamatrix" }));
    expect(pdf.getPageCount()).toBe(2);
    const { width, height } = pdf.getPage(0).getSize();
    const mm = [width, height].map((points) => Math.round((points / 72) * 254) / 10);
    expect(mm).toEqual({ a4: [210, 297], letter: [215.9, 279.4], single: [98, 40] }[paper]);
  });

  test.each(["qr", "datamatrix"] as const)("a printed %s is read back by the reader that ships", async (kind) => {
    const { size, dark } = cellsOf("X27-014-N12-K", kind);
    const [scale, quiet] = [4, 4];
    const side = (size + 2 * quiet) * scale;
    const light = new Uint8ClampedArray(side * side).fill(255);
    for (let y = 0; y < side; y++)
      for (let x = 0; x < side; x++) {
        const [row, column] = [Math.floor(y / scale) - quiet, Math.floor(x / scale) - quiet];
        if (row >= 0 && column >= 0 && row < size && column < size && dark(row, column)) light[y * side + x] = 0;
      }
    const bitmap = new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(light, side, side)));
    expect(new MultiFormatReader().decode(bitmap).getText()).toBe("X27-014-N12-K");
  });

  test("long names, other scripts and signs no font has do not stop the printer", async () => {
    const odd = ["x".repeat(10_000), "豆 🫘 Žluťoučký", ""];
    for (const title of odd)
      expect((await tagsPdf([{ kind: "lot", ...tag, title, lines: odd }], USUAL)).length).toBeGreaterThan(1000);
  });
});

describe("files that go out", () => {
  const zone = process.env.TZ;
  const holder = globalThis as { orchardDb?: Plot["db"] };
  let garden: Plot;
  afterEach(() => {
    process.env.TZ = zone;
    holder.orchardDb = undefined;
    garden.close();
  });

  test.each(["Pacific/Auckland", "America/Lima", "UTC"])(
    "the calendar's days are the garden's, from a server in %s",
    async (timezone) => {
      garden = plot();
      holder.orchardDb = garden.db;
      process.env.TZ = timezone;
      const { plan } = twoMelons(garden);
      garden.db.prepare("UPDATE stand SET sown = '2028-05-04', season = 2028 WHERE id = ?").run(plan.motherStandId);
      const text = await (await calendar(new Request("http://x/api/calendar?season=2028"))).text();
      expect(text).toContain("DTSTART;VALUE=DATE:20280504");
      garden.done("task.add", { title: "Order fleece", due: "2027-07-20" });
      const all = await (await calendar(new Request("http://x/api/calendar"))).text();
      const [event] = all.split("BEGIN:VEVENT").filter((one) => one.includes("SUMMARY:Order fleece"));
      expect(event).toContain("DTSTART;VALUE=DATE:20270720");
      expect(event).toContain("DTEND;VALUE=DATE:20270721");
      // It rises with every press.
      expect(event).toMatch(/SEQUENCE:\d+/);
    },
  );

  test("what the table calls for stands in the calendar by the garden's hour, with an alarm", async () => {
    garden = plot();
    holder.orchardDb = garden.db;
    const species = { species: "tomato", school: "keep-pure", status: "open-pollinated" };
    const lineId = garden.done("line.add", { name: "Kiln", ...species }).id;
    const lotId = garden.done("lot.receive", { lineId, gathered: "2027-07-08", fruits: 5 }).id;
    garden.done("table.begin", { lotId, way: "ferment", on: "2027-07-09", at: "11:00" });
    const { events } = calendarView(garden.sky(), null);
    const { id, start, at } = events.find((event) => event.at)!;
    const request = new Request("http://x/api/calendar", { headers: { cookie: "day=2027-07-09" } });
    const text = await (await calendar(request)).text();
    const [event] = text.split("BEGIN:VEVENT").filter((one) => one.includes(`UID:${id}`));
    // Zurich is two hours ahead of the world's clock in July.
    const utc = new Date(`${start}T${at}:00+02:00`).toISOString().replace(/[-:]|\.000/g, "");
    expect(event).toContain(`DTSTART:${utc}`);
    expect(event).toContain("BEGIN:VALARM");
  });

  test("the ground goes out as a collection of features with a name to save it by", async () => {
    garden = plot();
    holder.orchardDb = garden.db;
    const answer = await ground();
    expect(answer.headers.get("content-disposition")).toContain("ground.geojson");
    expect(await answer.json()).toMatchObject({ type: "FeatureCollection", features: { length: 2 } });
  });
});
