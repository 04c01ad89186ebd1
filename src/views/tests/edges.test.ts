import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { methodsOf, speciesById } from "@/catalogue/catalogue";
import { addDays, daysBetween } from "@/core/calendar/day";
import { guessOf } from "@/core/selection/heritability";
import { type Plot, plot, twoMelons } from "@/records/tests/plot";
import { calendarView } from "../calendar";
import { crossView } from "../crosses";
import { crossPlanView } from "../crossPlan";
import { arrivalsOf, sceneOf } from "../scene";
import { seasonView } from "../season";
import { seedView } from "../seed";
import { seedCalls } from "../seedCalls";
import { openWork } from "../work";

/** What holds to the day, and not a day before or after. */
let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const calls = (day: string) => {
  garden.on(day);
  return seedCalls(garden.sky());
};

describe("a sowing", () => {
  test("can be moved up to its own day, one that was only planned as long as nothing of it flowered", () => {
    const lineId = garden.line("Gold", "melon");
    garden.on("2027-05-10");
    const sow = (sown: string, planned = 0) => {
      const { id } = garden.done("stand.add", { lineId, bedId: 1, sown, plants: 5 });
      garden.db.prepare("UPDATE stand SET planned = ? WHERE id = ?").run(planned, id);
      return id;
    };
    const stands = [sow("2027-05-09"), sow("2027-05-10"), sow("2027-05-11"), sow("2027-05-01", 1)];
    const ahead = () => {
      const shown = new Map(seasonView(garden.sky(), 2027).stands.map((s) => [s.id, s.ahead]));
      return stands.map((id) => shown.get(id));
    };
    expect(ahead()).toEqual([false, true, true, true]);
    // What should be sown by now, or is to be sown, is work; what was sown today is done.
    const toSow = openWork(garden.sky()).filter(({ act }) => act === "sow");
    expect(toSow.map(({ stand }) => stands.indexOf(stand.id)).sort()).toEqual([2, 3]);
    garden.db.prepare("UPDATE stand SET firstFlower = '2027-05-09' WHERE id = ?").run(stands[3]);
    expect(ahead()).toEqual([false, true, true, false]);
  });
});

describe("seed calls", () => {
  test("for a count from its kind's first day on, once a day, until its last day was counted", () => {
    const { low, high } = speciesById("leek").seed.counts;
    expect(low).toBeLessThan(high);
    const lot = garden.done("lot.receive", {
      lineId: garden.line("Slatefoot", "leek"),
      gathered: "2026-09-01",
      seeds: 200,
    }).id;
    const on = "2027-07-01";
    garden.on(on);
    const tested = garden.done("test.set", { lotId: lot, sown: 20, on }).id;
    const counted = (day: string) => calls(day).some(({ kind }) => kind === "count");
    const first = addDays(on, low);
    expect([addDays(first, -1), first].map(counted)).toEqual([false, true]);
    garden.done("test.count", { testId: tested, up: 12, on: first });
    expect([first, addDays(first, 1)].map(counted)).toEqual([false, true]);
    const last = addDays(on, high);
    expect(calls(last)).toMatchObject([{ kind: "count", last, late: false }]);
    expect(calls(addDays(last, 1))).toMatchObject([{ kind: "count", last, late: true }]);
    garden.on(last);
    garden.done("test.count", { testId: tested, up: 15, on: last });
    expect(counted(addDays(last, 1))).toBe(false);
  });

  test("no more for a count where all have come up", () => {
    const lot = garden.done("lot.receive", {
      lineId: garden.line("Slatefoot", "leek"),
      gathered: "2026-09-01",
      seeds: 200,
    }).id;
    const tested = garden.done("test.set", { lotId: lot, sown: 20, on: "2027-06-20" }).id;
    garden.done("test.count", { testId: tested, up: 20, on: "2027-07-08" });
    expect(calls("2027-07-09")).toEqual([]);
  });

  test("for desiccant on the day that it is spent, where a place has some", () => {
    const tin = { name: "Tin", temperature: 8, humidity: 30 };
    garden.done("store.add", { ...tin, desiccantOn: "2027-04-10", desiccantEvery: 90 });
    garden.done("store.add", { ...tin, name: "Shelf" });
    expect(calls("2027-07-08")).toEqual([]);
    expect(calls("2027-07-09")).toMatchObject([{ kind: "desiccant", name: "Tin", due: "2027-07-09" }]);
  });
});

test("work without a last chance stands a week in the calendar, other work until then", () => {
  twoMelons(garden);
  // Where no frost ends it, a sowing has no last chance.
  garden.db.prepare("UPDATE garden SET latitude = 2, lastFrost = NULL, firstFrost = NULL").run();
  const lineId = garden.line("Later", "melon");
  garden.done("stand.add", { lineId, bedId: 1, sown: "2027-07-20", plants: 5 });
  const { events } = calendarView(garden.sky(), null);
  const works = new Map(openWork(garden.sky()).map((work) => [work.key.replace(" ", "-"), work]));
  const known = events.flatMap((event) => {
    const work = works.get(event.id);
    return work ? [{ event, work }] : [];
  });
  const open = known.filter(({ work }) => work.last === null);
  expect(open.length).toBeGreaterThan(0);
  for (const { event } of open) expect(daysBetween(event.start, event.end)).toBe(7);
  for (const { event, work } of known.filter((one) => one.work.last !== null)) {
    expect([event.start, event.end]).toEqual([work.best, work.last]);
    expect(event.note.includes("After")).toBe(Boolean(work.otherwise));
  }
});

test("a plan's kinds stand by their size, then their names; its seasons the newest first", () => {
  const sow = (lineId: string) => garden.done("stand.add", { lineId, bedId: 1, sown: "2027-05-01", plants: 5 });
  for (const species of ["tomato", "melon", "aubergine"]) sow(garden.line(species, species));
  sow(garden.line("second", "melon"));
  expect(crossPlanView(garden.sky(), null).groups.map(({ group }) => group)).toEqual(["Melon", "Aubergine", "Tomato"]);
  expect(crossPlanView(garden.sky(), 2025).seasons).toEqual([2027, 2025]);
  expect(crossPlanView(garden.sky(), 2030).seasons).toEqual([2030, 2027]);
});

test("seed to be grown again is listed four at a time, and the rest counted", () => {
  const more = () => {
    const { regrow, regrowMore, dying } = seedView(garden.sky());
    return [regrow.length, dying.length, regrowMore];
  };
  expect(more()).toEqual([0, 0, 0]);
  for (const name of ["a", "b", "c", "d", "e", "f"])
    garden.done("lot.receive", { lineId: garden.line(name, "leek"), gathered: "2024-09-01", seeds: 60 });
  expect(more()).toEqual([4, 4, 2]);
});

test("a count that is due stands in the calendar until its last day, later than that on the day", () => {
  const { high } = speciesById("leek").seed.counts;
  const lot = garden.done("lot.receive", {
    lineId: garden.line("Slatefoot", "leek"),
    gathered: "2026-09-01",
    seeds: 200,
  }).id;
  garden.done("test.set", { lotId: lot, sown: 20, on: "2027-07-01" });
  const last = addDays("2027-07-01", high);
  const count = (day: string) => {
    garden.on(day);
    return calendarView(garden.sky(), null).events.find(({ id }) => id.startsWith("seed-"))!;
  };
  expect(count("2027-07-09")).toMatchObject({ start: "2027-07-09", end: last });
  expect(count(addDays(last, 3))).toMatchObject({ start: addDays(last, 3), end: addDays(last, 3) });
});

describe("what arrives at a stand's flowers", () => {
  const sources = (standId: string) =>
    arrivalsOf(garden.sky(), 2027)
      .arrived.get(standId)!
      .bySource.map(({ name }) => name);

  test("comes of neighbours that flowered before they ended, not of those that ended before", () => {
    const { mother, father } = twoMelons(garden);
    expect(sources(mother)).toEqual(["Nettle Moon"]);
    garden.on("2027-12-01");
    const ended = garden.done("stand.end", {
      id: father,
      version: 1,
      ending: "pulled",
      on: "2027-10-01",
      why: "",
    }).entry;
    expect(sources(mother)).toEqual(["Nettle Moon"]);
    garden.undone(ended);
    garden.done("stand.end", { id: father, version: 1, ending: "pulled", on: "2027-05-20", why: "" });
    expect(sources(mother)).toEqual([]);
  });

  test("reaches as far as counted off-types say, once they are counted", () => {
    const { mother } = twoMelons(garden);
    const reach = () => sceneOf(garden.sky(), 2027).kernels[speciesById("melon").vector];
    const before = reach();
    expect(before.learned).toBeUndefined();
    garden.on("2027-10-01");
    const lotId = garden.done("lot.save", { standId: mother, kind: "open", gathered: "2027-09-20", seeds: 200 }).id;
    garden.done("offtype.count", { lotId, plants: 60, strange: 30, on: "2027-09-30" });
    expect(reach().learned).toMatchObject({ counts: 1, plants: 60, before: { scale: before.scale } });
    // Half of all seed strange from a bed 22 m off: farther than the working value says.
    expect(reach().scale).toBeGreaterThan(before.scale);
  });
});

test("a cross is told the ways it may be done: between two by their pollen, with itself by its own", () => {
  const { plan } = twoMelons(garden);
  const ways = (id: string) => crossView(garden.sky(), garden.code("cross", id))!;
  const between = ways(garden.done("cross.plan", plan).id);
  const other = ways(garden.done("cross.plan", { ...plan, fatherStandId: plan.motherStandId, lineName: "Own" }).id);
  const named = (of: typeof other) => of.methods.map(({ id }) => id);
  const [crossed, selfed] = [false, true].map((self) =>
    methodsOf(speciesById("melon"), self, "as-species").map(({ id }) => id),
  );
  expect(crossed).not.toEqual(selfed);
  expect(named(between)).toEqual(crossed);
  // Among the plants of one stand it is no selfing.
  expect(other.state.cross.kind).toBe("intercross");
  expect(named(other)).toEqual(crossed);
  // What is closed wants no way to meet.
  expect(between.meets).toBeGreaterThan(0.5);
  garden.done("cross.adjust", { id: between.state.cross.id, version: 1, closed: 1 });
  expect(ways(between.state.cross.id).ways).toEqual([]);
});

test.each([
  ["number", null, 0.15, 0.6],
  ["count", null, 0.1, 0.5],
  ["ratio", null, 0.1, 0.5],
  ["scale", null, 0.1, 0.6],
  ["date", null, 0.2, 0.7],
  ["category", null, 0.3, 0.9],
  ["yes-no", null, 0.3, 0.9],
  // A guess is good to a fifth either way, and neither none nor all.
  ["scale", 0.4, 0.2, 0.6],
  ["scale", 0.05, 0.01, 0.25],
  ["scale", 0.9, 0.7, 0.97],
] as const)("of a %s guessed at %s, %f to %f is taken to be inherited", (kind, inherited, low, high) => {
  expect(guessOf({ kind, inherited })).toEqual({ low: expect.closeTo(low, 12), high: expect.closeTo(high, 12) });
});
