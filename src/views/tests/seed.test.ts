import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { addDays } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { weatherAhead } from "@/records/climate/queries";
import { undo } from "@/records/command";
import { type Plot, plot, twoMelons } from "@/records/tests/plot";
import { familyView } from "../family";
import { harvestView } from "../harvest";
import { lotPage } from "../lot";
import { regrowList } from "../regrow";
import { drawerPage, seedView } from "../seed";
import { testsToSet } from "../seedCalls";
import { seedTable } from "../seedTable";
import { todayView } from "../today";
import { weeksView } from "../weeks";

let garden: Plot;
let leek: Id;
beforeEach(() => {
  garden = plot();
  leek = garden.line("Slatefoot", "leek");
});
afterEach(() => garden.close());

const seed = (lineId: Id, gathered: string, seeds = 200) => garden.done("lot.receive", { lineId, gathered, seeds }).id;
const page = (lot: Id) => lotPage(garden.sky(), garden.code("lot", lot))!;

describe("lines to be grown again", () => {
  test("are those of which no lot keeps, by what waiting costs, with what rests on them", () => {
    const parsnip = garden.line("Hollow", "parsnip");
    const keeps = garden.line("Kiln", "tomato");
    seed(leek, "2024-09-01", 60);
    seed(parsnip, "2025-09-01", 60);
    seed(keeps, "2024-09-01", 60);
    const list = regrowList(garden.sky());
    expect(list.map(({ name }) => name).sort()).toEqual(["Hollow", "Slatefoot"]);
    for (const one of list) {
      expect(one.stake.now).toBeGreaterThan(one.stake.later);
      expect(one.stake.loss).toBeCloseTo(one.stake.now - one.stake.later, 12);
    }
    const before = list.find(({ name }) => name === "Slatefoot")!;
    garden.done("line.add", {
      name: "Slate crossed",
      species: "leek",
      school: "cross-and-fix",
      status: "breeding-line",
    });
    garden.db.prepare("UPDATE line SET motherLineId = ? WHERE name = 'Slate crossed'").run(leek);
    const after = regrowList(garden.sky()).find(({ name }) => name === "Slatefoot")!;
    expect(after.rests).toBe(before.rests + 1);
    expect(after.stake.loss).toBeCloseTo(2 * before.stake.loss, 9);
    // A young lot beside it takes it off the list.
    seed(leek, "2027-06-01");
    expect(regrowList(garden.sky()).map(({ name }) => name)).toEqual(["Hollow"]);
  });

  test("the next generation of what is being fixed comes first, from its own lot, whatever else would be lost", () => {
    seed(leek, "2024-09-01", 60);
    const fixed = garden.line("Slate fixed", "leek", { school: "cross-and-fix", status: "breeding-line" });
    const [first, second] = [seed(fixed, "2025-09-01", 900), seed(fixed, "2026-09-01", 40)];
    for (const [lot, generation] of [
      [first, 1],
      [second, 2],
    ] as const)
      garden.db.prepare("UPDATE lot SET generation = ? WHERE id = ?").run(generation, lot);
    const [next, old] = regrowList(garden.sky());
    expect([next!.name, next!.why, next!.lot, next!.left]).toEqual([
      "Slate fixed F2",
      "next",
      garden.code("lot", second),
      40,
    ]);
    expect([old!.name, old!.why]).toEqual(["Slatefoot", "old"]);
  });

  test("a sowing is offered for the day on which the line was sown last, or on which its kind usually is", () => {
    seed(leek, "2024-09-01", 900);
    const sowOn = () => regrowList(garden.sky())[0]!.sowOn;
    // 355 days before the last frost of the year in which it flowers, and a year on.
    expect(sowOn()).toBe("2028-05-31");
    const stood = garden.done("stand.add", { lineId: leek, sown: "2025-03-10" }).id;
    garden.done("stand.end", { id: stood, version: garden.version("stand", stood), ending: "done", on: "2026-08-01" });
    expect(sowOn()).toBe("2028-03-10");
    const [one] = regrowList(garden.sky());
    // Planned with its seeds it leaves the list.
    garden.done("stand.add", { lineId: leek, lotId: one!.lotId, sown: "2028-03-10", sowedSeeds: one!.sow });
    expect(garden.row("stand", 2)).toMatchObject({ planned: 1, season: 2029 });
  });
});

describe("seeds to sow", () => {
  const sow = (lot: Id) => {
    const { up, stays } = page(lot).stages;
    return [...up, ...stays].map((stage) =>
      "rate" in stage ? "rate" : Math.round(100 * ((stage.successes + 0.5) / (stage.trials + 1))),
    );
  };

  test("learn from what came up and stayed, the line's own counts most; old seed counts for less", () => {
    const lot = seed(leek, "2027-06-01");
    // The catalogue's 0.6 to 0.85 and what usually stays.
    expect(sow(lot)).toEqual([72, 85]);
    const other = garden.line("Otherleek", "leek");
    const grow = (lineId: Id, cameUp: number, plants: number) => {
      const id = garden.done("stand.add", { lineId, sown: "2027-03-01", sowedSeeds: 100, plants: 1 }).id;
      garden.done("stand.change", { id, version: garden.version("stand", id), cameUp, plants });
    };
    grow(other, 40, 20);
    const [up, stays] = sow(lot) as number[];
    expect(up!).toBeGreaterThan(40);
    expect(up!).toBeLessThan(60);
    expect(stays!).toBeLessThan(75);
    grow(leek, 95, 95);
    expect((sow(lot)[0] as number) > 80 && (sow(lot)[1] as number) > 80).toBe(true);
    const old = seed(leek, "2023-06-01");
    expect(sow(old)[1]).toBe("rate");
    expect(page(lot).losses.up.own).toBeCloseTo((sow(lot)[0] as number) / 100, 2);
    expect(page(lot).losses.up.usual).toBeCloseTo(0.725, 9);
  });

  test("what was thinned on purpose, or was not needed, is no loss", () => {
    const lot = seed(leek, "2027-06-01");
    const stays = () => sow(lot).at(-1);
    const grow = (more: object) => {
      const id = garden.done("stand.add", { lineId: leek, sown: "2027-03-01", sowedSeeds: 100 }).id;
      garden.done("stand.change", { id, version: garden.version("stand", id), cameUp: 80, ...more });
      return id;
    };
    const usual = stays();
    grow({ sownIn: "ground", plants: 10 });
    grow({ sownIn: "cells", perCell: 2, plants: 10 });
    grow({ wanted: 10, plants: 10 });
    grow({ overwinter: "left", plants: 3 });
    expect(stays()).toBe(usual);
    grow({ plants: 78, wanted: 10, spare: 2 });
    expect(stays()).toBeGreaterThan(usual as number);
    const family = grow({ plants: 20, potted: 79, upOn: "2027-03-14" });
    expect(stays()).toBeLessThan(usual as number);
    const { raised } = familyView(garden.sky(), garden.code("stand", family))!;
    expect(raised.stages.map(({ stage, through, of, verdict }) => [stage, through, of, verdict])).toEqual([
      ["up", 80, 100, "as usual"],
      ["potted", 79, 80, null],
      ["standing", 20, 80, "worse"],
    ]);
    expect(raised.came).toMatchObject({ up: 80, days: 13 });
    expect(raised.came!.beside).toHaveLength(4);
  });

  test("what came up of a lot is set beside what was sown with it, not what was sown weeks apart", () => {
    const mine = seed(leek, "2026-06-01");
    const bought = seed(garden.line("Bought", "leek"), "2026-06-01");
    const grow = (lotId: Id, sown: string, cameUp: number) => {
      const lineId = garden.row("lot", lotId).lineId;
      const id = garden.done("stand.add", { lineId, lotId, sown, sowedSeeds: 50 }).id;
      garden.done("stand.change", {
        id,
        version: garden.version("stand", id),
        cameUp,
        upOn: sown.replace("-01", "-13"),
      });
    };
    grow(mine, "2027-04-01", 44);
    grow(bought, "2027-04-05", 25);
    grow(bought, "2027-05-20", 50);
    const [came] = page(mine).emergence;
    expect(came).toMatchObject({ up: 44, seeds: 50, beside: [{ name: "Bought", share: 0.5, seeds: 50, home: false }] });
    expect(came!.beside).toHaveLength(1);
    expect(came!.beside[0]!.better).toBeGreaterThan(0.99);
  });

  test("a line has enough when three sowings of it would come up; its return is what it gave for each seed sown", () => {
    const lot = seed(leek, "2027-06-01", 40);
    const { enough, plants } = page(lot);
    expect(plants).toBe(16);
    expect(enough.have).toBe(40);
    expect(enough.need % 3).toBe(0);
    expect(enough.need / 3).toBeGreaterThan(20);
    const stand = garden.done("stand.add", { lineId: leek, sown: "2026-03-01", sowedSeeds: 20, plants: 12 }).id;
    garden.done("lot.save", { standId: stand, kind: "open", gathered: "2027-07-01", seeds: 600 });
    expect(page(lot).seedReturn).toEqual({ sown: 20, given: 600 });
    expect(page(lot).enough.have).toBeGreaterThan(600);
  });
});

describe("the table's view", () => {
  test("draws the weigh-ins and the course of drying, and says what it should weigh to be closed in", () => {
    const lot = garden.done("lot.receive", {
      lineId: garden.line("Kiln", "tomato"),
      gathered: "2027-07-01",
      fruits: 5,
    }).id;
    garden.done("table.begin", { lotId: lot, way: "rinse", on: "2027-07-01" });
    for (const act of ["rinse", "float", "spread"]) garden.done("table.do", { lotId: lot, act, on: "2027-07-02" });
    const dry = () => seedTable(garden.sky()).lots[0]!.dry!;
    expect(dry()).toMatchObject({ mass: null, stored: null, weighed: [], course: [] });
    for (const [on, value] of [
      ["2027-07-03", 10],
      ["2027-07-05", 7.6],
      ["2027-07-07", 6.8],
    ] as const)
      garden.done("table.do", { lotId: lot, act: "weigh", on, value });
    const { weighed, course, mass, stored } = dry();
    expect(weighed.map(({ day, mass: grams }) => [day, grams])).toEqual([
      [1, 10],
      [3, 7.6],
      [5, 6.8],
    ]);
    expect(mass!).toBeGreaterThan(5.5);
    expect(mass!).toBeLessThan(6.8);
    // From 10.6 % water, of the room, to 7.9 %, as it is closed in.
    expect(stored! / mass!).toBeCloseTo((1 - 0.1046) / (1 - 0.0787), 2);
    expect(course).toHaveLength(25);
    expect(course[0]!.mass).toBeGreaterThan(course.at(-1)!.mass);
  });

  test("stands on Today until it is done, and tells how late it is", () => {
    const lot = garden.done("lot.receive", {
      lineId: garden.line("Kiln", "tomato"),
      gathered: "2027-06-01",
      fruits: 5,
    }).id;
    const onToday = () => todayView(garden.sky()).tasks.flatMap((task) => (task.kind === "link" ? [task] : []));
    expect(onToday().map(({ task, daysLeft }) => [task.code, task.name, task.what, task.last, daysLeft])).toEqual([
      [garden.code("lot", lot), "Kiln", "Begin to clean it", "2027-06-22", -17],
    ]);
    const tin = garden.done("store.add", {
      name: "Tin",
      temperature: 9,
      humidity: 30,
      desiccantOn: "2027-01-01",
      desiccantEvery: 30,
    });
    const old = seed(leek, "2026-09-01");
    garden.done("test.set", { lotId: old, sown: 10, on: "2027-06-20" });
    const called = () => onToday().map(({ task: { what, name, last } }) => [`${what}: ${name}`, last]);
    expect(called()).toEqual([
      ["Begin to clean it: Kiln", "2027-06-22"],
      ["Count the germination test: Slatefoot", "2027-07-04"],
      ["Change the desiccant: Tin", null],
    ]);
    // Put off it comes on its day, on the weeks ahead until then; done it is no more.
    const off = garden.done("deed.put-off", { storeId: tin.id, act: "desiccant", until: "2027-07-16" });
    expect(called()).toHaveLength(2);
    const inWeeks = () =>
      weeksView(garden.sky()).weeks.flatMap(({ days }) =>
        days.flatMap(({ day, works }) => works.filter(({ title }) => title.endsWith("Tin")).map(() => day)),
      );
    expect(inWeeks()).toEqual(["2027-07-16"]);
    garden.on("2027-07-16");
    expect(called().map(([words]) => words)).toContain("Change the desiccant: Tin");
    garden.on("2027-07-09");
    undo(garden.db, off.entry!);
    garden.done("store.desiccant", { id: tin.id, version: garden.version("store", tin.id) });
    expect(called()).toHaveLength(2);
  });

  test("what is soonest too late stands first, and what is ahead is no call", () => {
    const kiln = garden.line("Kiln", "tomato");
    const fruit = (gathered: string) => garden.done("lot.receive", { lineId: kiln, gathered, fruits: 5 }).id;
    // Twenty-one days until fruit rots: the 25th, the 29th; one that ferments since this morning calls for nothing yet.
    const [late, soon, young] = [fruit("2027-07-08"), fruit("2027-07-04"), fruit("2027-07-09")];
    garden.done("table.begin", { lotId: young, way: "ferment", on: "2027-07-09", at: "11:00" });
    const calls = seedView(garden.sky()).calls.map((one) => (one.kind === "table" ? one.lot.id : one.kind));
    expect(calls).toEqual([soon, late]);
  });

  test("says what may be sown now, with its lot's seeds, and nothing that is not", () => {
    const kiln = garden.line("Kiln", "tomato");
    garden.done("stand.add", { lineId: kiln, sown: "2027-07-12", plants: 4 });
    garden.done("stand.add", { lineId: leek, sown: "2028-03-12", plants: 4 });
    garden.done("stand.add", { lineId: kiln, sown: "2027-05-12", plants: 4 });
    const { sow } = seedView(garden.sky());
    expect(sow.map(({ name, best }) => [name, best])).toEqual([["Kiln", "2027-07-12"]]);
    expect(sow[0]!.what).toMatch(/^Sow \d+ seeds for 4 plants$/);
  });

  test("its first screen counts what ripens, and names what is next", () => {
    expect(seedView(garden.sky()).ripe).toEqual({ now: 0, next: null });
    garden.done("stand.add", { lineId: garden.line("Kiln", "tomato"), sown: "2027-03-20", plants: 6 });
    const { now, next } = seedView(garden.sky()).ripe;
    expect(now + (next ? 1 : 0)).toBe(1);
  });
});

describe("what ripens", () => {
  const names = () => harvestView(garden.sky()).stands.map(({ code }) => code);

  test("is laid out by forty, what is ripe first, and counted whole", () => {
    const kiln = garden.line("Kiln", "tomato");
    for (let n = 0; n < 43; n++)
      garden.done("stand.add", { lineId: kiln, sown: n < 2 ? "2027-03-01" : "2027-04-20", plants: 2 });
    garden.on("2027-08-01");
    const [first, last] = [harvestView(garden.sky()), harvestView(garden.sky(), 40)];
    const early = first.stands.filter(({ ripe }) => ripe.likely === first.stands[0]!.ripe.likely);
    expect([first.stands.length, early.length, last.stands.length]).toEqual([40, 2, 3]);
    expect(last.cut).toEqual({ from: 40, shown: 3, total: 43 });
    expect([last.ripe, last.next]).toEqual([first.ripe, first.next]);
    expect(first.ripe).toBe([...first.stands, ...last.stands].filter(({ when }) => when === "now").length);
  });

  test("are the stands that are kept for seed, stand, and flower: none planned, ended, sown later or beyond the fence", () => {
    const kiln = garden.line("Kiln", "tomato");
    const stand = (sown: string, more: object = {}) =>
      garden.done("stand.add", { lineId: kiln, sown, plants: 6, ...more });
    const here = stand("2027-03-20");
    stand("2027-07-20");
    stand("2027-03-21", { seedWanted: 0 });
    const ended = stand("2027-03-22");
    garden.done("stand.end", {
      id: ended.id,
      version: garden.version("stand", ended.id),
      ending: "done",
      on: "2027-07-01",
    });
    expect(names()).toEqual([garden.code("stand", here.id)]);
    // What was planned and never sown ripens nowhere, whatever the day.
    garden.on("2027-07-25");
    expect(names()).toEqual([garden.code("stand", here.id)]);
  });

  test("by hand: from the first flower pollinated to the last, whichever was numbered first", () => {
    const { plan } = twoMelons(garden);
    const crossId = garden.done("cross.plan", plan).id;
    const cover = (on: string) => garden.done("flower.cover", { crossId, flowers: 1, on }).ids[0]!;
    const record = (id: Id, result: string, on: string) =>
      garden.done("flower.record", {
        crossId,
        on,
        results: [{ id, result }],
        ...(result === "set" ? {} : { males: 2 }),
      });
    const [one, two] = [cover("2027-06-24"), cover("2027-06-20")];
    record(one, "pollinated", "2027-06-25");
    record(two, "pollinated", "2027-06-21");
    for (const id of [one, two]) record(id, "set", "2027-07-05");
    // Melons take 40 to 60 days.
    expect(harvestView(garden.sky()).crosses).toMatchObject([
      { fruits: 2, first: addDays("2027-06-21", 40), last: addDays("2027-06-25", 60) },
    ]);
  });

  test("and the bands of the page and of a lot show those and no others", () => {
    const kiln = garden.line("Kiln", "tomato");
    const lot = seed(kiln, "2026-09-01");
    garden.done("stand.add", { lineId: kiln, sown: "2027-03-20", plants: 6 });
    garden.done("stand.add", { lineId: garden.line("Thimble", "tomato"), sown: "2027-03-20", plants: 6 });
    expect(page(lot).band.bars.map(({ label }) => label)).toHaveLength(1);
    expect(page(lot).band.bars[0]!.label).toContain("Kiln");
    expect(harvestView(garden.sky()).band.bars.length + harvestView(garden.sky()).band.hidden).toBe(2);
  });
});

describe("tests to set", () => {
  test("are of lots whose day has come, with ten seeds at least, but not while one runs", () => {
    // Nine seeds tell nothing.
    const [ten, running] = [10, 300, 9].map((seeds) => seed(leek, "2023-09-01", seeds)) as [Id, Id, Id];
    garden.on("2027-09-01");
    const asked = (shown = 9) => testsToSet(garden.sky(), shown);
    expect(asked().first.map(({ id }) => id)).toEqual(expect.arrayContaining([ten, running]));
    expect(asked().first).toHaveLength(2);
    expect(asked(1)).toMatchObject({ first: [{}], more: 1 });
    garden.done("test.set", { lotId: running, sown: 30, on: "2027-09-01" });
    expect(asked().first.map(({ id }) => id)).not.toContain(running);
  });

  test("are asked for on their day, not the day before", () => {
    garden.on("2026-01-10");
    const lot = seed(leek, "2025-09-01", 100);
    const due = page(lot).lot.life.testOn!;
    expect(due > "2026-01-10").toBe(true);
    garden.on(addDays(due, -1));
    expect(testsToSet(garden.sky(), 9).first).toEqual([]);
    garden.on(due);
    expect(testsToSet(garden.sky(), 9).first.map(({ id }) => id)).toEqual([lot]);
  });
});

describe("the drawer", () => {
  test("holds a lot until its last seed is gone", () => {
    const lot = seed(leek, "2026-09-01", 2);
    const left = () => drawerPage(garden.sky()).lots.map(({ seedsLeft }) => seedsLeft);
    garden.done("packet.make", { lotId: lot, packets: 2, each: 1, on: "2027-06-01" });
    const give = (n: number) =>
      garden.done("packet.give", { id: n, version: garden.version("packet", n), to: "M 4", on: "2027-07-01" });
    expect(left()).toEqual([2]);
    give(1);
    expect(left()).toEqual([1]);
    give(2);
    expect(left()).toEqual([]);
  });

  test("holds a lot from the day on which it was gathered", () => {
    seed(leek, "2027-07-09", 5);
    const held = () => drawerPage(garden.sky()).lots.length;
    expect(held()).toBe(1);
    garden.on("2027-07-08");
    expect(held()).toBe(0);
  });
});

describe("weather that the station expects", () => {
  test("is nothing without one, and the first night of frost and day of rain with one", () => {
    expect(weatherAhead(garden.db, "2027-01-10")).toEqual({ frostNight: null, rain: null });
    const months = Array.from({ length: 12 }, (_, i) => i + 1);
    garden.done(
      "climate.normals",
      Object.fromEntries(
        months.flatMap((m) => [
          [`min${m}`, m > 4 && m < 10 ? 12 : -6],
          [`max${m}`, m > 4 && m < 10 ? 24 : 2],
        ]),
      ),
    );
    garden.done("garden.change", { version: 1, station: "simulated" });
    expect(weatherAhead(garden.db, "2027-01-10").frostNight!.day).toBe("2027-01-11");
    expect(weatherAhead(garden.db, "2027-07-10").frostNight).toBeNull();
    const days = Array.from(
      { length: 30 },
      (_, i) => weatherAhead(garden.db, `2027-06-${String(i + 1).padStart(2, "0")}`).rain,
    );
    const rains = days.filter((rain) => rain !== null);
    expect(rains.length).toBeGreaterThan(15);
    for (const rain of rains) expect(rain.chance).toBeGreaterThanOrEqual(0.6);
  });
});
