import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { CHOICES } from "@/views/choices";
import { lotPage } from "@/views/lot";
import { drawerPage, seedView } from "@/views/seed";
import { spells } from "@/views/seedCalls";
import { newestLotFor } from "../lot/left";
import { type Plot, plot } from "./plot";

let garden: Plot;
let leek: Id;
let lot: Id;
beforeEach(() => {
  garden = plot();
  leek = garden.done("line.add", {
    name: "Slatefoot",
    species: "leek",
    school: "keep-pure",
    status: "open-pollinated",
  }).id;
  lot = garden.done("lot.receive", { lineId: leek, gathered: "2025-09-01", seeds: 100 }).id;
});
afterEach(() => garden.close());

const page = (id = lot) => lotPage(garden.sky(), garden.code("lot", id))!;
const store = (more: object = {}) =>
  garden.done("store.add", { name: "Tin", temperature: 4, humidity: 30, ...more }).id;

describe("where seed lies", () => {
  test("a cool, dry place lengthens its life from the day on which it was put there", () => {
    const before = page().lot.life;
    const tin = store();
    garden.done("lot.store", { lotIds: [lot], storeId: tin, since: "2026-09-01" });
    const after = page().lot.life;
    expect(after.aged).toBeLessThan(before.aged);
    expect(after.until.likely! > before.until.likely!).toBe(true);
    // Before its first place it lay as in it.
    expect(after.aged).toBeCloseTo(after.perDay * 676, 9);
    const shelf = store({ name: "Shelf", temperature: 20, humidity: 55 });
    garden.done("lot.store", { lotIds: [lot], storeId: shelf, since: "2027-06-01" });
    expect(page().stays.map(({ name }) => name)).toEqual(["Tin", "Shelf"]);
    expect(page().lot.life.aged).toBeCloseTo(after.perDay * 638 + page().lot.life.perDay * 38, 9);
  });

  test("put elsewhere on the same day it never lay there; back in time it can't be put", () => {
    const [tin, shelf] = [store(), store({ name: "Shelf" })];
    garden.done("lot.store", { lotIds: [lot], storeId: tin, since: "2027-07-01" });
    garden.done("lot.store", { lotIds: [lot], storeId: shelf, since: "2027-07-01" });
    expect(page().stays.map(({ name }) => name)).toEqual(["Shelf"]);
    const put = (more: object) => garden.refused("lot.store", { lotIds: [lot], storeId: tin, ...more }).fields;
    expect(put({ since: "2027-06-01" }).since).toContain("was put elsewhere on 1 Jul already");
    expect(put({ since: "2027-07-10" }).since).toContain("still to come");
    expect(put({ lotIds: [garden.row("line", 1).id] }).lotIds).toContain("does not exist");
    garden.done("store.end", { id: tin, version: 1 });
    expect(put({}).storeId).toContain("given up");
    expect(garden.refused("store.end", { id: shelf, version: garden.version("store", shelf) }).fields.id).toContain(
      "1 lot",
    );
    const late = garden.done("lot.receive", { lineId: leek, gathered: "2027-07-08", seeds: 9 }).id;
    expect(put({ lotIds: [late], storeId: shelf, since: "2027-07-07" }).since).toContain("It was gathered on 8 Jul");
  });

  test("desiccant calls when it is due", () => {
    expect(
      garden.refused("store.add", { name: "Jar", temperature: 5, humidity: 20, desiccantEvery: 60 }).fields,
    ).toHaveProperty("desiccantOn");
    const tin = store({ desiccantOn: "2027-05-10", desiccantEvery: 60 });
    const calls = () => seedView(garden.sky()).calls.map(({ kind }) => kind);
    expect(calls()).toEqual(["desiccant"]);
    garden.done("store.desiccant", { id: tin, version: garden.version("store", tin), on: "2027-07-01" });
    expect(calls()).toEqual([]);
    for (const [field, value] of [
      ["humidity", 0],
      ["humidity", 101],
      ["temperature", 51],
    ] as const)
      expect(
        garden.refused("store.add", { name: "X", temperature: 5, humidity: 20, [field]: value }).fields,
      ).toHaveProperty(field);
  });

  test("a logger's spell of bad air ages what lies there, and is told with its cost", () => {
    const tin = store({ temperature: 10, humidity: 35 });
    garden.done("lot.store", { lotIds: [lot], storeId: tin, since: "2026-01-01" });
    const before = page().lot.life.aged;
    const lines = ["2027-06-29,10,35", "2027-06-30,28,70", "2027-07-01,29,70", "2027-07-02,10,35", "2027-07-03,--,--"];
    const read = garden.done("air.read", { storeId: tin, text: lines.join("\n") });
    expect(read.message).toContain("4 days read");
    expect(read.warnings[0]).toContain("1 line left out; line 5");
    expect(page().lot.life.aged).toBeGreaterThan(before);
    const [spell] = spells(garden.sky());
    expect(spell).toMatchObject({ name: "Tin", spell: { from: "2027-06-30", to: "2027-07-01", days: 2 } });
    const perDay = page().lot.life.perDay;
    expect(page().lot.life.aged - before).toBeCloseTo(spell!.spell.cost * perDay, 6);
    // Read again it is put right, not added.
    garden.done("air.read", { storeId: tin, text: "2027-07-01,10,35" });
    expect(garden.db.prepare("SELECT count(*) FROM air").pluck().get()).toBe(4);
    expect(garden.done("air.read", { storeId: tin, text: lines.slice(0, 1).join() }).entry).toBe("");
    const wrong = (text: string) => garden.refused("air.read", { storeId: tin, text }).fields.text;
    expect(wrong("rubbish")).toContain("Line 1 is not a day");
    expect(wrong("time,temperature,humidity")).toContain("no readings");
    expect(wrong("2027-08-01,10,40")).toContain("no readings");
  });
});

describe("germination tests", () => {
  test("teach how a lot lives once they are over, and take their seeds from it", () => {
    const before = page().now;
    const test = garden.done("test.set", { lotId: lot, sown: 40, on: "2027-06-10" }).id;
    expect(page().lot).toMatchObject({ testedSeeds: 40, seedsLeft: 60 });
    garden.done("test.count", { testId: test, up: 30, on: "2027-06-20" });
    // Counted on the tenth day of sixteen: still running.
    expect(page().now).toEqual(before);
    garden.done("test.count", { testId: test, up: 38, on: "2027-06-26" });
    expect(page().tests[0]).toMatchObject({ up: 38, over: true });
    expect(page().now.low).toBeGreaterThan(before.low);
    expect(page().now.likely).toBeGreaterThan(before.likely);
    // The other lot of the species learns from it too.
    const other = garden.done("lot.receive", { lineId: leek, gathered: "2025-09-01", seeds: 9 }).id;
    expect(page(other).now.likely).toBeGreaterThan(before.likely);
    expect(page(other).now.likely).toBeLessThan(page().now.likely);
  });

  test("that take the last of its seed leave nothing to be chosen, or to be sown when a season is copied", () => {
    const offered = () => CHOICES.sowing(garden.sky()).lots.map(({ id }) => id);
    const toSow = () => newestLotFor(garden.db, leek, "none", "2027-07-09")?.id;
    const older = garden.done("lot.receive", { lineId: leek, gathered: "2024-09-01", seeds: 9 }).id;
    expect([offered().slice(0, 2), toSow()]).toEqual([[lot, older], lot]);
    garden.done("test.set", { lotId: lot, sown: 99, on: "2027-06-10" });
    expect([offered().slice(0, 2), toSow()]).toEqual([[lot, older], lot]);
    garden.done("test.set", { lotId: lot, sown: 1, on: "2027-06-10" });
    expect(page().lot.seedsLeft).toBe(0);
    expect([offered(), toSow()]).toEqual([[older], older]);
    // Of seed that was weighed some may be left until the most that its mass can hold is gone.
    const weighed = garden.done("lot.receive", { lineId: leek, gathered: "2026-09-01", mass: 0.1 }).id;
    const { likely, high } = page(weighed).lot.left!;
    garden.done("test.set", { lotId: weighed, sown: likely, on: "2027-06-10" });
    expect([likely < high, page(weighed).lot.seedsLeft, toSow()]).toEqual([true, 0, weighed]);
    garden.done("test.set", { lotId: weighed, sown: high - likely, on: "2027-06-10" });
    expect([offered(), toSow()]).toEqual([[older], older]);
  });

  test("counts never fall, and stay within what was sown and its days", () => {
    const test = garden.done("test.set", { lotId: lot, sown: 20, on: "2027-06-20" }).id;
    // On its own day none is up, which is a count, too.
    garden.done("test.count", { testId: test, up: 0, on: "2027-06-20" });
    garden.done("test.count", { testId: test, up: 9, on: "2027-06-28" });
    const wrong = (up: number, on: string) => garden.refused("test.count", { testId: test, up, on }).fields;
    expect(wrong(8, "2027-06-29").up).toBe("A count never falls: on 28 Jun it was 9. Count all that came up so far.");
    expect(wrong(10, "2027-06-27").up).toContain("on 28 Jun it was 9");
    expect(wrong(21, "2027-06-30").up).toBe("Only 20 seeds were tested.");
    expect(wrong(3, "2027-06-19").on).toContain("was set on 20 Jun");
    expect(wrong(10, "2027-07-10").on).toContain("still to come");
    // The same day counted again is put right.
    garden.done("test.count", { testId: test, up: 10, on: "2027-06-28", last: true });
    expect(garden.db.prepare("SELECT up FROM testCount").pluck().all()).toEqual([0, 10]);
    expect(wrong(12, "2027-06-30").on).toContain("ended on 28 Jun");
    const change = (more: object) =>
      garden.refused("test.change", { id: test, version: garden.version("test", test), ...more }).fields;
    expect(change({ sown: 9 }).sown).toContain("10 have come up already");
    expect(change({ on: "2025-08-01" }).on).toContain("It was gathered on 1 Sept");
    expect(change({ sown: 101 }).sown).toContain("100 seeds");
  });

  test("are asked for when doubt begins, counted on their days, and end after their last", () => {
    const kinds = () => seedView(garden.sky()).calls.map(({ kind }) => kind);
    expect(seedView(garden.sky()).tests.map(({ code }) => code)).toEqual([garden.code("lot", lot)]);
    const test = garden.done("test.set", { lotId: lot, sown: 10, on: "2027-07-04" }).id;
    expect([seedView(garden.sky()).tests, kinds()]).toEqual([[], []]);
    garden.on("2027-07-10");
    expect(kinds()).toEqual(["count"]);
    garden.done("test.count", { testId: test, up: 4 });
    expect(kinds()).toEqual([]);
    garden.on("2027-07-19");
    expect(seedView(garden.sky()).calls[0]).toMatchObject({ kind: "count", last: "2027-07-18", late: true });
    expect(
      garden.refused("test.end", { id: test, version: garden.version("test", test), on: "2027-07-09" }).fields,
    ).toHaveProperty("endedOn");
    garden.done("test.end", { id: test, version: garden.version("test", test) });
    expect(kinds()).toEqual([]);
    const other = garden.done("test.set", { lotId: lot, sown: 10, on: "2027-07-19" }).id;
    expect(garden.refused("test.end", { id: other, version: garden.version("test", other) }).fields.id).toContain(
      "Count once first",
    );
    garden.done("test.drop", { id: test, version: garden.version("test", test) });
    expect(garden.db.prepare("SELECT count(*) FROM testCount").pluck().get()).toBe(0);
  });
});

describe("what is left of a lot", () => {
  test("a reserve is not touched before it is lowered", () => {
    const change = (more: object) => ({ id: lot, version: garden.version("lot", lot), ...more });
    expect(garden.refused("lot.change", change({ reserve: 101 })).fields.reserve).toContain("Only 100 seeds");
    garden.done("lot.change", change({ reserve: 40 }));
    const sow = (sowedSeeds: number) => ({ lineId: leek, lotId: lot, sown: "2027-07-01", sowedSeeds });
    expect(garden.refused("stand.add", sow(61)).fields.sowedSeeds).toContain("40 are its reserve");
    garden.done("stand.add", sow(60));
    expect(garden.refused("test.set", { lotId: lot, sown: 1 }).fields.sown).toContain("40 are its reserve");
    garden.done("lot.change", change({ reserve: 30 }));
    garden.done("test.set", { lotId: lot, sown: 10 });
    expect(page().lot.seedsLeft).toBe(30);
  });

  test("a lot that is no more leaves the drawer and every choice, and can be brought back", () => {
    const end = (more: object) => ({ id: lot, version: garden.version("lot", lot), ending: "dead", ...more });
    expect(garden.refused("lot.end", end({ on: "2025-08-01" })).fields.endedOn).toContain("before it was gathered");
    expect(garden.refused("lot.end", end({ on: "2027-07-10" })).fields.endedOn).toContain("still to come");
    garden.done("lot.end", end({}));
    expect(drawerPage(garden.sky()).lots).toEqual([]);
    expect(page().lot.ending).toBe("dead");
    garden.done("lot.bring-back", { id: lot, version: garden.version("lot", lot) });
    expect(drawerPage(garden.sky()).lots).toHaveLength(1);
    expect(garden.refused("lot.bring-back", { id: lot, version: garden.version("lot", lot) }).fields.id).toContain(
      "has not ended",
    );
  });
});
