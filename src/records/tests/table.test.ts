import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { cardView } from "@/views/card";
import { lotPage } from "@/views/lot";
import { seedTable } from "@/views/seedTable";
import { perform, undo } from "../command";
import { COMMANDS } from "../commands";
import { type Plot, plot } from "./plot";

let garden: Plot;
let kiln: Id;
let thimble: Id;
let cup: Id;
let strainer: Id;
let plate: Id;
beforeEach(() => {
  garden = plot();
  [kiln, thimble] = [garden.line("Low Kiln", "tomato"), garden.line("Wren's Thimble", "tomato")];
  const vessel = (kind: string) => garden.done("vessel.add", { kind, name: `${kind} 1` }).id;
  [cup, strainer, plate] = [vessel("cup"), vessel("strainer"), vessel("plate")];
});
afterEach(() => garden.close());

const fruit = (lineId: Id, gathered = "2027-07-01", fruits = 6) =>
  garden.done("lot.receive", { lineId, gathered, fruits }).id;
const row = (id: Id) => garden.row("lot", id);
const code = (id: Id) => garden.code("lot", id);
const on = (lotId: Id, act: string, day: string, more: object = {}) =>
  garden.done("table.do", { lotId, act, on: day, ...more });
const count = (table: string) => garden.db.prepare(`SELECT count(*) FROM "${table}"`).pluck().get();

/** Fermented, rinsed and spread. */
function spread(lineId = kiln): Id {
  const lot = fruit(lineId);
  garden.done("table.begin", { lotId: lot, way: "ferment", warmth: 24, vesselId: cup, on: "2027-07-02", at: "07:00" });
  on(lot, "rinse", "2027-07-04", { at: "09:00", value: 3, fromVesselId: cup, vesselId: strainer });
  on(lot, "float", "2027-07-04", { at: "09:10" });
  on(lot, "spread", "2027-07-04", { at: "09:20", fromVesselId: strainer, vesselId: plate });
  return lot;
}

describe("from fruit to packet", () => {
  test("a lot goes from vessel to vessel, and its way can be told", () => {
    const lot = spread();
    expect(row(lot)).toMatchObject({ onTable: 1, vesselId: plate, way: "ferment", warmth: 24, seeds: null });
    on(lot, "weigh", "2027-07-05", { value: 9.4 });
    on(lot, "nail", "2027-07-08", { value: 0 });
    const store = garden.done("store.add", { name: "Tin", temperature: 12, humidity: 30 }).id;
    const made = garden.done("packet.make", {
      lotId: lot,
      packets: 3,
      each: 50,
      reserves: 1,
      seeds: 400,
      storeId: store,
    });
    expect(made.message).toBe(`Lot ${code(lot)}: 3 packets made`);
    expect(row(lot)).toMatchObject({ onTable: 0, vesselId: null, seeds: 400 });
    expect(garden.db.prepare("SELECT number, seeds, reserve, storeId FROM packet ORDER BY number").raw().all()).toEqual(
      [
        [1, 50, 0, store],
        [2, 50, 0, store],
        [3, 50, 1, store],
      ],
    );
    const page = lotPage(garden.sky(), code(lot))!;
    expect(page.moves.map(({ fromName, toName }) => [fromName, toName])).toEqual([
      [null, "cup 1"],
      ["cup 1", "strainer 1"],
      ["strainer 1", "plate 1"],
    ]);
    expect(page.handled.map(({ act }) => act)).toEqual(["open", "rinse", "float", "spread", "weigh", "nail"]);
    expect(page.stays.map(({ name, since }) => [name, since])).toEqual([["Tin", "2027-07-09"]]);
    // More packets go on with the numbers.
    garden.done("packet.make", { lotId: lot, packets: 1 });
    expect(garden.db.prepare("SELECT max(number) FROM packet").pluck().get()).toBe(4);
  });

  test("what it calls for follows from what was done", () => {
    const lot = fruit(kiln, "2027-07-07");
    const calls = () =>
      seedTable(garden.sky())
        .lots.find(({ id }) => id === lot)!
        .calls.map(({ act, standing }) => `${act} ${standing}`);
    expect(calls()).toEqual(["begin due"]);
    garden.done("table.begin", { lotId: lot, way: "ferment", warmth: 24, on: "2027-07-07", at: "07:00" });
    // 53 hours at 24 °C: 27 to 73 is usual; stirred never.
    expect(calls()).toEqual(["rinse due", "stir late"]);
    on(lot, "stir", "2027-07-09", { at: "08:00" });
    expect(calls()).toEqual(["rinse due", "stir ahead"]);
    on(lot, "rinse", "2027-07-09", { at: "11:00", value: 3 });
    expect(calls()).toEqual(["float due"]);
  });

  test("fruit without seeds counted goes to the table by itself, counted seed to the drawer", () => {
    expect(row(fruit(kiln)).onTable).toBe(1);
    const counted = garden.done("lot.receive", { lineId: kiln, gathered: "2027-07-01", seeds: 20 }).id;
    expect(row(counted).onTable).toBe(0);
    garden.done("table.bring", { lotId: counted, vesselId: plate });
    expect(row(counted)).toMatchObject({ onTable: 1, vesselId: plate });
    expect(garden.refused("table.bring", { lotId: counted }).message).toContain("on the table already");
    const other = garden.done("lot.receive", { lineId: kiln, gathered: "2027-07-01", seeds: 20 }).id;
    expect(garden.refused("table.do", { lotId: other, act: "turn" }).fields.lotId).toContain("not on the table");
  });
});

test("what is pressed on its own day carries the clock's hour, on another day none", () => {
  const lot = fruit(kiln);
  const press = (day: string, at: string) =>
    perform(
      garden.db,
      COMMANDS.get("table.move")!,
      { lotId: lot, vesselId: day === "2027-07-09" ? cup : plate },
      { day, at },
    );
  expect(press("2027-07-09", "2027-07-09T18:20:00.000Z").ok).toBe(true);
  expect(press("2027-07-08", "2027-07-09T18:20:00.000Z").ok).toBe(true);
  expect(garden.db.prepare('SELECT "on", at FROM move ORDER BY "on"').raw().all()).toEqual([
    ["2027-07-08", null],
    ["2027-07-09", "20:20"],
  ]);
});

test("fruit whose seed is counted without the table lies in the drawer; what is being cleaned stays", () => {
  const lot = fruit(kiln);
  garden.done("lot.change", { id: lot, version: garden.version("lot", lot), seeds: 70 });
  expect(row(lot)).toMatchObject({ onTable: 0, seeds: 70 });
  const cleaned = fruit(kiln);
  garden.done("table.begin", { lotId: cleaned, way: "rinse" });
  garden.done("lot.change", { id: cleaned, version: garden.version("lot", cleaned), mass: 3 });
  expect(row(cleaned).onTable).toBe(1);
});

describe("the chain of custody", () => {
  test("a vessel that held another lot takes none before it is signed clean", () => {
    spread();
    const second = fruit(thimble);
    const said = garden.refused("table.move", { lotId: second, vesselId: strainer });
    expect(said.fields.toVesselId).toContain("strainer 1 held lot K27-001-4 and was not signed clean since");
    expect(garden.refused("vessel.clean", { id: plate }).fields.id).toContain("lies in plate 1");
    garden.done("vessel.clean", { id: strainer, by: "R" });
    expect(garden.refused("vessel.clean", { id: strainer }).fields.id).toContain("clean already");
    garden.done("table.move", { lotId: second, vesselId: strainer });
    expect(row(second).vesselId).toBe(strainer);
    expect(garden.db.prepare("SELECT DISTINCT cleanedBy FROM move WHERE cleanedOn IS NOT NULL").pluck().all()).toEqual([
      "R",
    ]);
  });

  test("the same lot may come back into a vessel that held it", () => {
    const lot = spread();
    garden.done("table.move", { lotId: lot, fromVesselId: plate, vesselId: strainer });
    expect(row(lot).vesselId).toBe(strainer);
  });

  test("a vessel holds one lot, and a lot lies where it was scanned", () => {
    const lot = spread();
    const second = fruit(thimble);
    expect(garden.refused("table.move", { lotId: second, vesselId: plate }).fields.vesselId).toContain(
      `plate 1 holds lot ${code(lot)}`,
    );
    const wrong = garden.refused("table.move", { lotId: lot, fromVesselId: cup, vesselId: strainer });
    expect(wrong.fields.fromVesselId).toContain("lies in plate 1, not in cup 1");
    expect(garden.refused("vessel.end", { id: plate, version: 1 }).fields.endedOn).toContain("lies in it");
    garden.done("vessel.end", { id: cup, version: 1 });
    garden.done("vessel.clean", { id: cup });
    expect(garden.refused("table.move", { lotId: second, vesselId: cup }).fields.toVesselId).toContain("given up");
  });

  test("two at one table: the second is told that the lot went on", () => {
    const lot = spread();
    garden.done("table.move", { lotId: lot, fromVesselId: plate, vesselId: strainer });
    const late = garden.refused("table.do", { lotId: lot, act: "turn", fromVesselId: plate, vesselId: cup });
    expect(late.fields.fromVesselId).toContain("lies in strainer 1");
  });

  test("a broken chain stays with a lot, what is taken out of it, and what it is put into", () => {
    const lot = spread();
    garden.done("table.break", { lotId: lot, why: "two cups without labels" });
    expect(garden.refused("table.break", { lotId: lot, why: "again" }).fields.lotId).toContain("broken already");
    const [sunk] = garden.done("table.split", { lotId: lot, parts: [{ fraction: "sunk", share: 0.5 }] }).ids;
    expect(row(sunk!)).toMatchObject({
      brokenOn: "2027-07-09",
      brokenWhy: "two cups without labels",
      fraction: "sunk",
    });
    const other = fruit(kiln);
    const merged = garden.done("table.merge", { lotIds: [other, sunk] }).id;
    expect(row(merged).brokenWhy).toBe("two cups without labels");
    expect(garden.done("packet.make", { lotId: merged, packets: 1, seeds: 90 }).warnings[0]).toContain("two cups");
  });
});

describe("fractions and merges", () => {
  test("a lot parted whole is no more; its parts keep its history, and go into its own vessels", () => {
    const lot = spread();
    const { ids } = garden.done("table.split", {
      lotId: lot,
      parts: [
        { fraction: "best", share: 0.7, vesselId: cup },
        { fraction: "second-best", share: 0.3 },
      ],
    });
    expect(row(lot)).toMatchObject({ ending: "parted", endedOn: "2027-07-09", vesselId: null });
    expect(ids.map((id) => row(id).fraction)).toEqual(["best", "second-best"]);
    // The cup held the lot that it was taken out of: that is no other seed.
    expect(row(ids[0]!).vesselId).toBe(cup);
    expect(garden.db.prepare("SELECT count(*) FROM handling WHERE lotId = ?").pluck().get(ids[1])).toBe(4);
    expect(lotPage(garden.sky(), code(ids[0]!))!.madeOf).toMatchObject([{ code: code(lot), share: 0.7 }]);
    // Siblings are kept apart: where one lies the other does not go.
    expect(garden.refused("table.move", { lotId: ids[1], vesselId: cup }).fields).toHaveProperty("vesselId");
  });

  test("a fraction taken off leaves the rest where it is", () => {
    const lot = spread();
    garden.done("table.split", { lotId: lot, parts: [{ fraction: "floated", share: 0.1 }] });
    expect(row(lot)).toMatchObject({ endedOn: null, vesselId: plate });
    for (const share of [0, 1.2]) {
      const parts = [{ fraction: "sunk", share }];
      expect(garden.refused("table.split", { lotId: lot, parts }).fields).toHaveProperty("parts.0.share");
    }
    const parts = ["sunk", "floated"].map((fraction) => ({ fraction, share: 0.6 }));
    expect(garden.refused("table.split", { lotId: lot, parts }).fields.parts).toContain("120 in 100");
  });

  const weighed = (mass: number) => {
    const id = garden.done("lot.receive", { lineId: kiln, gathered: "2027-06-20", mass }).id;
    garden.done("table.bring", { lotId: id });
    return id;
  };

  test("the card of a lot that was put together says of what, in shares of a hundred", () => {
    const [much, little] = [weighed(5), weighed(1)];
    const { id } = garden.done("table.merge", { lotIds: [much, little] });
    expect(cardView(garden.sky(), code(id))).toContain(`${code(much)} 83 %, ${code(little)} 17 %`);
  });

  test("lots of one line are put together with their shares, those of two never", () => {
    const [one, two] = [weighed(3), weighed(1)];
    const stranger = fruit(thimble);
    expect(garden.refused("table.merge", { lotIds: [one, stranger] }).fields.lotIds).toContain("Lines are not mixed");
    expect(garden.refused("table.merge", { lotIds: [one] }).fields.lotIds).toContain("two lots or more");
    const { id, entry, message } = garden.done("table.merge", { lotIds: [one, two] });
    expect(message).toContain("by mass");
    expect(row(id)).toMatchObject({ mass: 4, lineId: kiln, gathered: "2027-06-20", onTable: 1 });
    expect(lotPage(garden.sky(), code(id))!.origins).toEqual([
      { code: code(one), share: 0.75 },
      { code: code(two), share: 0.25 },
    ]);
    expect([row(one).ending, row(two).ending]).toEqual(["parted", "parted"]);
    // What all share stays said; what they differ in is left open, and pollen of two kinds is open.
    expect(row(id)).toMatchObject({ kind: "received", generation: null, motherStandId: null, doubt: null });
    expect(undo(garden.db, entry).ok).toBe(true);
    expect([row(one).ending, count("part")]).toEqual([null, 0]);
  });
});

test("lots of two kinds of pollen make an open one, of two generations the one that is less far on", () => {
  const stand = garden.done("stand.add", { lineId: kiln, sown: "2027-03-01", plants: 4 }).id;
  const save = (kind: string) => {
    const { id } = garden.done("lot.save", { standId: stand, kind, gathered: "2027-07-01" });
    return id;
  };
  const merged = garden.done("table.merge", { lotIds: [save("self"), save("open")] }).id;
  expect(row(merged)).toMatchObject({ kind: "open", motherStandId: stand });
  const both = garden.done("table.merge", { lotIds: [save("self"), save("self")] }).id;
  expect(row(both)).toMatchObject({ kind: "self", motherStandId: stand, generation: null });
  const received = (generation: number) => {
    const { id } = garden.done("lot.receive", { lineId: kiln, gathered: "2027-07-01", fruits: 2, generation });
    return id;
  };
  const mixed = garden.done("table.merge", { lotIds: [received(4), received(3)] }).id;
  expect(row(mixed).generation).toBe(3);
});

describe("what is refused at the table", () => {
  const refusedBy = (lot: Id, act: string, more: object = {}) =>
    garden.refused("table.do", { lotId: lot, act, ...more }).fields;

  test("steps out of order, and before what they follow", () => {
    const lot = fruit(kiln);
    expect(refusedBy(lot, "rinse").act).toBe("Say first how it is cleaned.");
    garden.done("table.begin", { lotId: lot, way: "ferment", on: "2027-07-05", at: "10:00" });
    expect(garden.refused("table.begin", { lotId: lot, way: "rinse" }).fields.lotId).toContain("being cleaned already");
    expect(refusedBy(lot, "spread").act).toContain("Before that comes");
    // On the right day, but an hour before it was opened.
    expect(refusedBy(lot, "rinse", { on: "2027-07-05", at: "09:00" }).act).toContain("Before that comes");
    expect(refusedBy(lot, "rinse", { on: "2027-07-10" }).on).toContain("still to come");
    expect(refusedBy(lot, "stir", { on: "2027-06-30" }).on).toContain("It was gathered on");
  });

  test("wet seed in the freezer, weights that are none, a nail that says nothing", () => {
    const lot = spread();
    expect(refusedBy(lot, "freeze").act).toContain("Only dry seed is frozen");
    expect(refusedBy(lot, "weigh").value).toBe("Say what it weighs.");
    expect(refusedBy(lot, "weigh", { value: 0 }).value).toBe("Say what it weighs.");
    expect(refusedBy(lot, "weigh", { value: -3 })).toHaveProperty("value");
    expect(refusedBy(lot, "nail").value).toContain("leaves a dent");
    expect(refusedBy(lot, "snap", { value: 2 }).value).toContain("snaps");
    on(lot, "nail", "2027-07-08", { value: 0 });
    on(lot, "freeze", "2027-07-08");
    on(lot, "thaw", "2027-07-09");
  });

  test("packets beyond what there is, or of what is no more", () => {
    const lot = spread();
    const make = (more: object) =>
      garden.refused("packet.make", { lotId: lot, packets: 3, seeds: 100, ...more }).fields;
    expect(make({ each: 34 }).each).toContain("102 seeds in packets; the lot holds 100");
    expect(make({ reserves: 4 }).reserves).toContain("Of 3 packets");
    expect(make({ on: "2027-06-01" })).toHaveProperty("on");
    garden.done("packet.make", { lotId: lot, packets: 2, each: 40, reserves: 1, seeds: 100 });
    expect(make({ packets: 1, each: 21 }).each).toContain("101 seeds");
    const give = (n: number) => ({ id: n, version: n, to: "M 4" });
    garden.done("packet.give", give(1));
    expect(garden.refused("packet.give", give(1)).fields.id).toContain("went to M 4 already");
    expect(garden.refused("packet.give", { ...give(2), on: "2027-07-01" }).fields.goneOn).toContain("It was made on");
    // Forty given: sixty are left to sow, none more.
    const sow = (sowedSeeds: number) => ({ lineId: kiln, lotId: lot, sown: "2027-07-09", sowedSeeds });
    expect(garden.refused("stand.add", sow(61)).fields.sowedSeeds).toContain("60 seeds");
    garden.done("lot.end", { id: lot, version: 1, ending: "dead" });
    expect(make({ packets: 1 }).lotId).toContain("is no more");
  });

  test("samples heavier than their lot; what is far from its kind is questioned", () => {
    const lot = spread();
    expect(garden.refused("sample.add", { lotId: lot, seeds: 100, mass: 0.3, whole: 0.2 }).fields).toHaveProperty(
      "whole",
    );
    for (const mass of [0, -1])
      expect(garden.refused("sample.add", { lotId: lot, seeds: 100, mass }).fields).toHaveProperty("mass");
    const made = garden.done("sample.add", { lotId: lot, seeds: 100, mass: 0.3, whole: 3 });
    expect(made.message).toContain("333.3 seeds a gram, about 1000 (");
    expect(made.warnings).toEqual([]);
    expect(row(lot).mass).toBe(3);
    expect(garden.done("sample.add", { lotId: lot, seeds: 10, mass: 0.9 }).warnings[0]).toContain("Count once more");
  });
});
