import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { daysBetween } from "@/core/calendar/day";
import type { Scene } from "@/core/isolation/scene";
import { newWays } from "@/core/isolation/share";
import { tryOut } from "@/core/isolation/tryout";
import { VALLEY } from "@/core/tests/place";
import { stationOf } from "@/records/climate/queries";
import { fruited, type Plot, plot, twoMelons } from "@/records/tests/plot";
import { calendarView } from "../calendar";
import { groundView } from "../ground";
import { harvestView } from "../harvest";
import { type SentScene, seasonScene, seasonView } from "../season";
import { shedView } from "../shed";
import { weeksView } from "../weeks";
import { workOfSeason } from "../work";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const WINTERS = Array.from({ length: 12 }, (_, i) => 6 - 10 * Math.cos(((i + 0.5) / 6) * Math.PI));
const NORMALS = Object.fromEntries(
  WINTERS.flatMap((low, i) => [
    [`min${i + 1}`, low],
    [`max${i + 1}`, low + 11],
  ]),
);

/** The scene as the worker gets it, over the wire. */
const sceneSent = (season: number): Scene => {
  const { climate, ...scene } = JSON.parse(JSON.stringify(seasonScene(garden.sky(), season))) as SentScene;
  return { ...scene, climate: { ...climate, measured: new Map(climate.measured) } };
};

describe("the season's board", () => {
  test("holds the scene its worker needs: the same figures, no more weather than it can look at", () => {
    garden.done("climate.normals", NORMALS);
    garden.db.prepare("UPDATE garden SET station = 'simulated'").run();
    twoMelons(garden);
    const { tried, stands } = seasonView(garden.sky(), 2027);
    const scene = sceneSent(2027);
    expect(tryOut(scene, [], newWays())).toEqual(tried);
    expect(tried.map((t) => t.share?.level)).toEqual(["over", "over"]);
    expect(stands.map((s) => s.window.start)).toEqual(tried.map((t) => t.window.start));
    const measured = [...scene.climate.measured.keys()];
    expect(Math.max(...measured) - Math.min(...measured)).toBeLessThan(500);
  });

  test("only sowings ahead can be moved", () => {
    twoMelons(garden);
    const lineId = garden.line("Later", "melon");
    garden.done("stand.add", { lineId, bedId: 1, sown: "2028-05-01", plants: 5 });
    expect(seasonView(garden.sky(), 2027).stands.map((s) => s.ahead)).toEqual([false, false]);
    expect(seasonView(garden.sky(), 2028).stands.map((s) => s.ahead)).toEqual([true]);
  });

  test("two seasons are one band, twice as long", () => {
    twoMelons(garden);
    expect(seasonView(garden.sky(), 2027).band.light).toHaveLength(365);
    const both = seasonView(garden.sky(), 2027, true).band;
    expect(both).toMatchObject({ start: "2026-01-01", end: "2027-12-31" });
    expect(both.light).toHaveLength(730);
  });

  test("a shift tried in the worker is what the records say once it is kept", () => {
    garden.done("climate.normals", NORMALS);
    const ids = ["One", "Two"].map(
      (name, i) =>
        garden.done("stand.add", { lineId: garden.line(name, "melon"), bedId: i + 1, sown: "2028-05-01", plants: 8 })
          .id,
    );
    const change = { kind: "resow" as const, standId: ids[0]!, sown: "2028-05-29" };
    const expected = tryOut(sceneSent(2028), [change], newWays());
    const { message } = garden.done("stand.remedy", { season: 2028, changes: [change] });
    expect(message).toContain("sowing moved to 29 May");
    const kept = seasonView(garden.sky(), 2028).tried;
    for (const one of expected) {
      const same = kept.find((t) => t.id === one.id)!;
      expect(same.window).toEqual(one.window);
      expect(same.share!.likely).toBeCloseTo(one.share!.likely, 12);
    }
  });
});

describe("a stand that cold kills before it flowers", () => {
  test("belongs to the season it dies in, says so, sheds and sets nothing, and asks for no flower", () => {
    const months = (["min", "max"] as const).flatMap((end) =>
      VALLEY[end].map((degrees, i) => [`${end}${i + 1}`, degrees]),
    );
    garden.done("climate.normals", Object.fromEntries(months));
    const lineId = garden.line("Late", "tomato");
    const stood = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-05-01", plants: 9 }).id;
    const other = garden.line("Later", "tomato");
    const id = garden.done("stand.add", { lineId: other, bedId: 2, sown: "2027-08-15", plants: 5 }).id;
    expect(garden.row("stand", id).season).toBe(2027);
    const { stands, tried } = seasonView(garden.sky(), 2027);
    const told = stands.find((s) => s.id === id)!;
    expect(told.window.fate).toBe("killed-by-cold");
    expect(told.window.notes.join()).toMatch(/Cold kills it about \d+ Oct/);
    expect(told.ripening).toMatchObject({ chance: 0, verdict: "too-late" });
    expect(tried.find((t) => t.id === id)?.share ?? null).toBeNull();
    expect(tried.find((t) => t.id === stood)!.meets).toEqual([]);
    garden.on("2027-08-20");
    const ripening = harvestView(garden.sky()).stands.map((one) => one.id);
    expect([ripening.includes(stood), ripening.includes(id)]).toEqual([true, false]);
    const acts = calendarView(garden.sky(), 2027).events.map((event) => event.id);
    expect(acts.filter((act) => act.endsWith(id)).join()).not.toMatch(/first-flower|gather|rogue/);
  });
});

describe("the calendar", () => {
  test("has the work that is open under names that stay, the crosses' flowers and own tasks, and rises with each press", () => {
    const { mother, plan } = twoMelons(garden);
    garden.db.prepare("UPDATE stand SET seedWanted = 0 WHERE id <> ?").run(mother);
    const cross = garden.done("cross.plan", plan).id;
    const task = garden.done("task.add", { title: "Empty the traps", due: "2027-07-01" }).id;
    const { events, sequence, name } = calendarView(garden.sky(), null);
    expect(name).toBe("Tarnholt");
    expect(events.map(({ id }) => id)).toEqual(
      expect.arrayContaining([`gather-${mother}`, `keep-${mother}`, `cross-${cross}`, `own-${task}`]),
    );
    expect(new Set(events.map(({ id }) => id)).size).toBe(events.length);
    for (const { start, end } of events) expect(daysBetween(start, end)).toBeGreaterThanOrEqual(0);
    // What is overdue stands on today.
    expect(events.find(({ id }) => id === `own-${task}`)).toMatchObject({ start: "2027-07-09", end: "2027-07-09" });
    garden.done("stand.add", { lineId: garden.line("Later", "tomato"), bedId: 1, sown: "2028-03-20", plants: 5 });
    const next = calendarView(garden.sky(), 2028);
    expect(next.sequence).toBe(sequence + 2);
    expect(next.events.find(({ id }) => id.startsWith("sow-"))).toMatchObject({
      start: "2028-03-20",
      title: expect.stringMatching(/^Sow \d+ seeds for 5 plants: Later/),
    });
    expect(next.events.map(({ id }) => id).join()).not.toContain("cross");
  });
});

test("the calendar holds the step that each flower comes to, together where they have the same days, and what is still to cover", () => {
  const { plan } = twoMelons(garden);
  const cross = garden.done("cross.plan", { ...plan, fruitsWanted: 9 }).id;
  fruited(garden, cross, 2);
  garden.done("flower.cover", { crossId: cross, flowers: 3, on: "2027-07-09" });
  const code = garden.code("cross", cross);
  const ofCross = calendarView(garden.sky(), null)
    .events.filter(({ title }) => title.endsWith(`(${code})`))
    .map(({ id, start, end, title }) => [id.split("-")[0], start, end, /\d+ (more )?\w+/.exec(title)![0]]);
  const [cover, pollinate, harvest] = ofCross;
  // Melon fruit ripens 40 to 60 days from the second of July, when it was pollinated.
  expect([pollinate, harvest]).toEqual([
    ["pollinate", "2027-07-10", "2027-07-10", "3 flowers"],
    ["harvest", "2027-08-11", "2027-08-31", "2 fruits"],
  ]);
  expect(cover![0]).toBe("cross");
  expect(cover![3]).toMatch(/more flowers$/);
});

describe("seed in the calendar", () => {
  test("calls by the hour for what is ahead on the table, and on this day for what is due or late", () => {
    garden.on("2027-07-01");
    const kiln = garden.line("Kiln", "tomato");
    const fruit = (gathered: string) => garden.done("lot.receive", { lineId: kiln, gathered, fruits: 5 }).id;
    const [wet, waiting, rotten] = [fruit("2027-06-30"), fruit("2027-06-30"), fruit("2027-05-30")];
    garden.done("table.begin", { lotId: wet, way: "ferment", on: "2027-07-01", at: "11:00" });
    garden.done("store.add", {
      name: "Tin",
      temperature: 9,
      humidity: 30,
      desiccantOn: "2027-01-01",
      desiccantEvery: 30,
    });
    const { events } = calendarView(garden.sky(), null);
    const of = (id: string) => events.filter((event) => event.id.endsWith(id));
    const timed = of(wet);
    expect(timed.length).toBeGreaterThan(0);
    for (const { start, end, at } of timed) {
      expect(at).toMatch(/^\d\d:\d\d$/);
      expect(`${start} ${at}` > "2027-07-01 11:00").toBe(true);
      expect(end).toBe(start);
    }
    for (const id of [waiting, rotten])
      expect(of(id)).toEqual([expect.objectContaining({ id: `begin-${id}`, start: "2027-07-01", end: "2027-07-01" })]);
    expect(events.find(({ title }) => title.startsWith("Change the desiccant"))).toMatchObject({
      title: "Change the desiccant: Tin",
      start: "2027-07-01",
    });
    expect(calendarView(garden.sky(), 2026).events).toEqual([]);
  });
});

describe("the weeks ahead", () => {
  test("have each piece on its best day, and a crowded day says which later day is quieter", () => {
    garden.on("2028-03-10");
    const lineId = garden.line("Kiln", "tomato");
    const sow = (sown: string, plants: number) => garden.done("stand.add", { lineId, bedId: 1, sown, plants }).id;
    // 200 plants need 300 seeds or more: 10 minutes and a fifth for each.
    const [one, two] = [sow("2028-03-20", 200), sow("2028-03-20", 200)];
    const days = () => weeksView(garden.sky()).weeks.flatMap((week) => week.days);
    const crowded = days().find(({ day }) => day === "2028-03-20")!;
    expect(crowded.works.map(({ putOff }) => putOff)).toEqual(
      expect.arrayContaining([one, two].map((standId) => ({ act: "sow", standIds: [standId] }))),
    );
    expect(crowded.minutes).toBe(crowded.works.reduce((sum, { minutes }) => sum + minutes, 0));
    expect(crowded.minutes).toBeGreaterThan(120);
    const [first] = crowded.works;
    expect(first!.quieter! > "2028-03-20" && first!.quieter! <= first!.last!).toBe(true);
    garden.done("deed.put-off", { ...first!.putOff!, until: first!.quieter });
    const eased = days().find(({ day }) => day === "2028-03-20")!;
    expect(eased.minutes).toBe(crowded.minutes - first!.minutes);
    expect(eased.works.every(({ quieter }) => quieter === null)).toBe(true);
  });

  test("count what is later, and have own tasks on their day, overdue ones on the first", () => {
    twoMelons(garden);
    garden.done("task.add", { title: "Order fleece", due: "2027-07-11" });
    garden.done("task.add", { title: "Empty the traps", due: "2027-07-01" });
    const { weeks, beyond } = weeksView(garden.sky());
    expect(weeks).toHaveLength(5);
    expect(weeks[0]!.days[0]!.works.map(({ title }) => title)).toContain("Empty the traps");
    expect(weeks[0]!.days[2]!.works.map(({ title }) => title)).toContain("Order fleece");
    // Seed of both is ripe in mid-August and made a lot of afterwards.
    expect(beyond).toBeGreaterThanOrEqual(2);
  });
});

describe("plants not counted yet", () => {
  test("are reckoned by what is known, and said so", () => {
    const lineId = garden.line("One", "melon");
    const stand = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-05-01", sowedSeeds: 14 }).id;
    expect(groundView(garden.sky(), 2027, garden.code("stand", stand)).stand!.reckonedPlants).toBe(14);
    const bare = garden.done("stand.add", { lineId, bedId: 2, sown: "2027-05-01" }).id;
    expect(groundView(garden.sky(), 2027, garden.code("stand", bare)).stand!.reckonedPlants).toBe(5);
    const counted = garden.done("stand.add", { lineId, bedId: 2, sown: "2027-05-01", plants: 3 }).id;
    expect(groundView(garden.sky(), 2027, garden.code("stand", counted)).stand!.reckonedPlants).toBeNull();
  });
});

describe("a line's own first flowers", () => {
  test("of every season correct its forecast, and no other line's", () => {
    const early = garden.line("Early", "melon");
    const plain = garden.line("Plain", "melon");
    const sow = (lineId: string, sown: string) => garden.done("stand.add", { lineId, bedId: 1, sown, plants: 5 }).id;
    for (const year of [2024, 2025, 2026])
      garden.done("stand.first-flower", { id: sow(early, `${year}-05-01`), firstFlower: `${year}-06-18` });
    const [a, b] = [sow(early, "2027-05-01"), sow(plain, "2027-05-01")];
    const { stands } = seasonView(garden.sky(), 2027);
    const of = (id: string) => stands.find((s) => s.id === id)!.window;
    expect(of(a).start < of(b).start).toBe(true);
    expect(daysBetween(of(a).earliest, of(a).start)).toBeLessThan(daysBetween(of(b).earliest, of(b).start) + 3);
    expect(groundView(garden.sky(), 2027, garden.code("stand", a)).stand!.correction).toMatchObject({
      observations: 3,
    });
    expect(groundView(garden.sky(), 2027, garden.code("stand", b)).stand!.correction).toBeNull();
  });
});

describe("the Shed's climate", () => {
  test("says what it lacks, then heat, frost odds in order, and the station's days", () => {
    expect(shedView(garden.sky()).climate).toMatchObject({ normals: null, days: [], heat: null });
    garden.done("climate.normals", NORMALS);
    garden.db.prepare("UPDATE garden SET station = 'simulated'").run();
    const { climate } = shedView(garden.sky());
    expect(climate.heat).toBeGreaterThan(100);
    expect(climate.days).toHaveLength(12);
    expect(climate.days.filter((d) => d.spread !== null).map((d) => d.day)).toEqual([
      "2027-07-10",
      "2027-07-11",
      "2027-07-12",
      "2027-07-13",
      "2027-07-14",
    ]);
    // What was read is what the simulated air has on that day, with no error of its own.
    const [read] = climate.days;
    const station = stationOf(garden.sky().garden, garden.sky().climate.daily)!;
    expect(read).toEqual({ ...station.readings("2027-07-03", "2027-07-03")[0], spread: null });
    expect(climate.odds.map((o) => o.day)).toEqual([...climate.odds.map((o) => o.day)].sort());
  });

  test("the tropics have no frost, and every stand there ripens", () => {
    garden.done("garden.change", {
      name: "Warm",
      latitude: 2,
      longitude: 30,
      lastFrost: null,
      firstFrost: null,
      frostsMeant: true,
      timezone: "UTC",
      units: "metric",
      version: garden.db.prepare("SELECT version FROM garden").pluck().get(),
    });
    garden.done(
      "climate.normals",
      Object.fromEntries(Object.keys(NORMALS).map((k) => [k, k.startsWith("min") ? 21 : 31])),
    );
    twoMelons(garden);
    expect(garden.sky().climate.frosts).toBeNull();
    expect(shedView(garden.sky()).climate.odds).toEqual([]);
    expect(seasonView(garden.sky(), 2027).stands.map((s) => s.ripening.verdict)).toEqual(["no-frost", "no-frost"]);
  });
});

test("a stand of the season says which work on it is soonest impossible", () => {
  const { mother } = twoMelons(garden);
  garden.on("2027-05-20");
  const next = () => seasonView(garden.sky(), 2027).stands.find(({ id }) => id === mother)!.next;
  const [soonest] = workOfSeason(garden.sky(), 2027).filter(({ stand }) => stand.id === mother);
  expect(next()).toEqual({ what: soonest!.what, last: soonest!.last });
  expect(next()!.what).toBe("Look what flowers within 800 m");
});
