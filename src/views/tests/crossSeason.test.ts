import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { addDays } from "@/core/calendar/day";
import { dayAt } from "@/core/climate/sun";
import { undo } from "@/records/command";
import { family, type Plot, plot, twoMelons } from "@/records/tests/plot";
import { calendarView } from "../calendar";
import { crossView } from "../crosses";
import type { CrossTask, FatherTask } from "../crossTasks";
import { letterView } from "../letter";
import { type DeviceDay, outlook } from "../outlook";
import { todayView } from "../today";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const today = () => todayView(garden.sky());
const asked = () => today().tasks.flatMap((task) => (task.kind === "ask" ? [task.asking] : []));
const toRegrow = () => today().tasks.flatMap((task) => (task.kind === "regrow" ? [task.line] : []));
const fathers = () =>
  today().tasks.flatMap((t) =>
    t.kind === "father" ? [{ at: t.step.action, part: t.part, count: t.count, ready: t.ready }] : [],
  );
const stop = (action: string) =>
  today().tasks.find((t): t is CrossTask => t.kind === "cross" && t.step.action === action);

describe("both parents' beds", () => {
  test("an evening ties males at the father's, the dawn after begins there and spreads what was tied", () => {
    const { plan } = twoMelons(garden);
    const crossId = garden.done("cross.plan", { ...plan, method: "separate-sex", fruitsWanted: 3 }).id;
    const tonight = today().open[0]!.evenings!.tonight;
    expect(fathers()).toEqual([{ at: "cover", part: "evening", count: 2 * tonight, ready: null }]);
    const beds = today().tasks.flatMap((t) => (t.kind === "father" ? [t.state.cross.fatherBed] : []));
    expect([beds, today().walk?.order]).toEqual([["B"], ["A", "B"]]);
    const { ids } = garden.done("flower.cover", { crossId, flowers: 3 });
    garden.done("cross.males", { crossId, step: "cover", males: 9 });
    expect(fathers()).toEqual([]);

    garden.on("2027-07-10");
    expect(fathers()).toContainEqual({ at: "pollinate", part: "dawn", count: 9, ready: 9 });
    // What is fetched comes before the flowers it is for.
    const dawn = today().tasks.filter((t) => t.part === "dawn");
    expect(dawn.map(({ kind }) => kind)).toEqual(["father", "cross"]);
    expect(stop("pollinate")!.males).toBe(3);
    garden.done("cross.males", { crossId, step: "pollinate", males: 7 });
    expect(fathers().filter(({ at }) => at === "pollinate")).toEqual([]);
    expect(stop("pollinate")!.males).toBe(2);
    expect(garden.row("cross", 1)).toMatchObject({ males: 7, malesOn: "2027-07-09", fetchedOn: "2027-07-10" });
    garden.done("flower.record", { crossId, males: 2, results: [{ id: ids[0], result: "pollinated" }] });
    expect(garden.refused("cross.males", { crossId, step: "cover", males: 2, on: "2027-07-11" }).fields).toHaveProperty(
      "on",
    );
  });

  test("fathers whose pollen is mixed are named each with his bed", () => {
    const { plan, father } = twoMelons(garden);
    const other = garden.done("line.add", {
      name: "Duskwing",
      species: "melon",
      school: "keep-pure",
      status: "open-pollinated",
    });
    const more = garden.done("stand.add", { lineId: other.id, sown: "2027-04-28", plants: 3 }).id;
    garden.done("cross.plan", { ...plan, method: "separate-sex", moreFathers: [{ standId: more }] });
    const stop = today().tasks.find((t): t is FatherTask => t.kind === "father")!;
    expect(stop.fathers).toEqual([
      { name: "Nettle Moon", bed: "B" },
      { name: "Duskwing", bed: null },
    ]);
    garden.done("cross.plan", { ...plan, lineName: "Alone", fatherStandId: father });
    const alone = today().tasks.filter((t): t is FatherTask => t.kind === "father" && t !== stop);
    expect(alone.map(({ fathers }) => fathers.length)).toContain(1);
  });

  test("pollen that is kept needs no walk to the father; a step without a father's part refuses his males", () => {
    const { plan } = twoMelons(garden);
    const kept = garden.done("cross.plan", plan);
    garden.done("cross.adjust", { id: kept.id, version: 1, storage: "fridge" });
    expect(fathers()).toEqual([]);
    const own = { ...plan, fatherStandId: plan.motherStandId, motherPlantId: null, method: "separate-sex-emasculated" };
    expect(fathers()).toEqual([]);
    const tomato = garden.done("line.add", {
      name: "Kiln",
      species: "tomato",
      school: "keep-pure",
      status: "f1-hybrid",
    });
    const stand = garden.done("stand.add", { lineId: tomato.id, bedId: 1, sown: "2027-04-10", plants: 4 }).id;
    const crossId = garden.done("cross.plan", { ...own, motherStandId: stand, fatherStandId: stand, method: null }).id;
    expect(garden.refused("cross.males", { crossId, step: "cover", males: 2 }).fields.step).toContain(
      "Nothing is done",
    );
  });
});

/** A maize of two lines side by side, sown so that it silks in July and August. */
function maize() {
  const [one, two] = [garden.line("Stubble", "maize"), garden.line("Rook", "maize")];
  const stand = (lineId: string, bedId: number) =>
    garden.done("stand.add", { lineId, bedId, sown: "2027-05-10", plants: 40 }).id;
  const [motherStandId, fatherStandId] = [stand(one, 1), stand(two, 2)];
  garden.on("2027-05-12");
  const plan = { motherStandId, fatherStandId, lineName: "Stubble × Rook", setLow: 0.6, setHigh: 0.9, confidence: 0.9 };
  return garden.done("cross.plan", { ...plan, fruitsWanted: 4 });
}

describe("maize", () => {
  test("ears are covered by the early end of the forecast, and counted in days from then", () => {
    maize();
    const { window } = garden.sky().standsOf(2027)[0]!;
    const lead = 2;
    const daysBefore = (day: string, days: number) =>
      new Date(Date.parse(day) - days * 86_400_000).toISOString().slice(0, 10);
    garden.on(daysBefore(window.female.earliest, lead + 1));
    expect(stop("cover")).toBeUndefined();
    garden.on(daysBefore(window.female.earliest, lead));
    expect(stop("cover")).toBeDefined();
    const { evenings, last } = today().open[0]!;
    // Not the days from today, but those from when ears are likely to show.
    const likely = daysBefore(window.female.start, lead);
    const days = (Date.parse(last!.day) - Date.parse(likely)) / 86_400_000 + 1;
    expect(evenings!.possible).toBe(days * 6);
  });

  test("tassels are bagged once for all the ears, at the father's, and all of them are mixed", () => {
    const { id: crossId } = maize();
    garden.on("2027-07-28");
    const { ids } = garden.done("flower.cover", { crossId, flowers: 4, on: "2027-07-26" });
    const gather = stop("gather")!;
    expect([gather.part, gather.males, gather.flowers.length]).toEqual(["morning", 4, 4]);
    expect(today().walk?.order).toContain("B");
    const results = ids.map((id) => ({ id, result: "gathered" }));
    garden.done("flower.record", { crossId, males: 7, results });
    expect(garden.row("cross", 1)).toMatchObject({ males: 7, malesOn: "2027-07-28" });
    expect(stop("pollinate")!.males).toBe(7);
    expect(fathers()).toEqual([]);
  });
});

describe("a cross whose time has passed", () => {
  test("is not over by the forecast alone, says so once when it is, and leaves", () => {
    const { plan, mother, father } = twoMelons(garden);
    const { id, code } = garden.done("cross.plan", plan);
    const state = () => crossView(garden.sky(), code)!.state;
    const { last } = state();
    const plus = (day: string, days: number) =>
      new Date(Date.parse(day) + days * 86_400_000).toISOString().slice(0, 10);
    garden.on(plus(last!.day, 1));
    // Neither was seen in flower yet: it may be late.
    expect(state()).toMatchObject({ over: null, evenings: null });
    expect([today().open.length, today().over.length]).toEqual([1, 0]);
    for (const stand of [mother, father]) garden.done("stand.first-flower", { id: stand, firstFlower: "2027-07-01" });
    const seen = state().last!.day;
    const dayOver = plus(seen, 1);
    garden.on(dayOver);
    expect(state().over).toBe(dayOver);
    expect([today().open.length, today().over.length]).toEqual([0, 1]);
    garden.on(plus(dayOver, 14));
    expect(today().over).toHaveLength(1);
    garden.on(plus(dayOver, 15));
    expect(today().over).toEqual([]);
    garden.on(dayOver);
    garden.done("cross.adjust", { id, version: garden.version("cross", id), overOn: dayOver });
    expect([today().open.length, today().over.length]).toEqual([0, 0]);
  });

  test("no more flowers are asked for once the grower says so, while both are in flower", () => {
    const { plan } = twoMelons(garden);
    const { id, version } = { ...garden.done("cross.plan", plan), version: 1 };
    expect(stop("cover")).toBeDefined();
    garden.done("cross.adjust", { id, version, overOn: "2027-07-09" });
    expect(stop("cover")).toBeUndefined();
    expect(today().open).toEqual([]);
    garden.done("cross.adjust", { id, version: garden.version("cross", id), overOn: null });
    expect(stop("cover")).toBeDefined();
  });
});

describe("flowers past their time", () => {
  test("are asked after once, all together, and are no work any more", () => {
    const { plan } = twoMelons(garden);
    const one = garden.done("cross.plan", plan).id;
    const other = garden.done("cross.plan", {
      ...plan,
      motherStandId: plan.fatherStandId,
      fatherStandId: plan.motherStandId,
      lineName: "Other way",
    }).id;
    const ids = [one, other].flatMap(
      (crossId) => garden.done("flower.cover", { crossId, flowers: 2, on: "2027-07-05" }).ids,
    );
    expect(today().late.map(({ flowers }) => flowers.length)).toEqual([2, 2]);
    expect(stop("pollinate")).toBeUndefined();
    // Nobody is warned of what is at no flower of the day, and a device takes none of these along.
    expect(today().hazards).toEqual([]);
    expect(Object.values(today().ahead.crosses).flatMap(({ flowers }) => flowers)).toEqual([]);
    expect(garden.done("flower.missed", { flowerIds: ids }).message).toBe(
      "4 flowers of 2 crosses written down as missed",
    );
    expect(today().late).toEqual([]);
    expect(garden.row("flower", 1)).toMatchObject({ state: "unusable", fault: "limp", checkedOn: "2027-07-09" });
    const { ids: more } = garden.done("flower.cover", { crossId: one, flowers: 2, on: "2027-07-05" });
    const results = more.map((id) => ({ id, result: "pollinated" }));
    garden.done("flower.record", { crossId: one, on: "2027-07-06", results });
    // Looked at 6 to 10 days after: until three weeks past that it is work, then it is asked after.
    garden.on("2027-08-06");
    expect([stop("check")?.flowers.length, today().late]).toEqual([2, []]);
    garden.on("2027-08-07");
    expect([stop("check"), today().late.map(({ flowers }) => flowers.length)]).toEqual([undefined, [2]]);
    garden.done("flower.missed", { flowerIds: more });
    expect(garden.row("flower", 5)).toMatchObject({ state: "lost", lostWhy: "not seen to", fault: null });
    expect(garden.refused("flower.missed", { flowerIds: ids }).fields.flowerIds).toContain(
      "is unusable; it was not missed",
    );
  });
});

describe("a neighbour who is to be asked", () => {
  test("stands on Today until he has answered, and his letter names what he reaches", () => {
    twoMelons(garden);
    const source = {
      name: "the long field",
      kind: "field",
      species: "melon",
      plants: 900,
      presence: 1,
      distance: 90,
      bearing: 0,
    };
    const { id } = garden.done("source.add", source);
    expect(asked()).toEqual([]);
    garden.done("stand.remedy", { season: 2027, changes: [{ kind: "agree", sourceId: id }] });
    expect(asked()).toMatchObject([{ name: "the long field", season: 2027, askedOn: null }]);
    // Of a season that is over there is nothing to agree to.
    garden.on("2028-01-05");
    expect(asked()).toEqual([]);
    garden.on("2027-07-09");
    const letter = letterView(garden.sky(), id)!;
    expect(letter).toContain("In 2027 I grow for seed:");
    expect(letter).toMatch(/- Ashlar Gold \(Melon\), about \d+ m from yours, in flower \d+ Jun to \d+ Aug/);
    expect(letter.split("\n").filter((words) => words.startsWith("- "))).toHaveLength(2);
    expect(letterView(garden.sky(), "nobody")).toBeNull();
    // Six are named, of a seventh it is said that there is one more; what is not kept for seed is none of them.
    const lines = () => letterView(garden.sky(), id)!.split("\n");
    const named = () => lines().filter((words) => words.startsWith("- "));
    const melon = { species: "melon", school: "keep-pure", status: "open-pollinated" };
    const sow = (name: string, more: object = {}) => {
      const lineId = garden.done("line.add", { name, ...melon }).id;
      garden.done("stand.add", { lineId, bedId: 1, sown: "2027-05-14", plants: 6, ...more });
    };
    for (const name of ["Third", "Fourth", "Fifth", "Sixth"]) sow(name);
    sow("Eaten", { seedWanted: 0 });
    expect(named().map((words) => /more|Eaten/.test(words))).toEqual(Array.from({ length: 6 }, () => false));
    sow("Seventh");
    expect(named().at(-1)).toBe("- and 1 more");
    garden.done("source.ask", { id, version: garden.version("source", id), answer: "agreed" });
    expect(asked()).toEqual([]);
  });
});

test("own tasks that are due today are today's, not later", () => {
  garden.done("task.add", { title: "Empty the traps", due: "2027-07-09" });
  garden.done("task.add", { title: "Order fleece", due: "2027-07-10" });
  expect(today().later.map(({ title }) => title)).toEqual(["Order fleece"]);
});

describe("what is asked of no planting", () => {
  const leek = () => {
    const lineId = garden.line("Slatefoot", "leek");
    garden.done("lot.receive", { lineId, gathered: "2025-09-01", seeds: 50 });
    garden.on("2028-05-01");
    return lineId;
  };
  const regrown = (day: string) => {
    garden.on(day);
    return toRegrow().length;
  };

  test("left, it is asked again in the next season; put off, from its day on; never, not any more", () => {
    const lineId = leek();
    const asked = { lineId, act: "regrow" };
    const left = garden.done("deed.leave", { ...asked, how: "cannot" });
    expect([regrown("2028-05-01"), regrown("2028-05-20"), regrown("2029-05-01")]).toEqual([0, 0, 1]);
    garden.on("2028-05-01");
    undo(garden.db, left.entry!);
    const off = garden.done("deed.put-off", { ...asked, until: "2028-05-05" });
    expect([regrown("2028-05-04"), regrown("2028-05-05")]).toEqual([0, 1]);
    garden.on("2028-05-01");
    undo(garden.db, off.entry!);
    garden.done("deed.leave", { ...asked, how: "never" });
    expect([regrown("2028-05-01"), regrown("2029-05-01")]).toEqual([0, 0]);
  });

  test("stands in the calendar from the day on which it would be sown until its season is decided", () => {
    leek();
    // What flowers in its second year is sown ten days after the last frost, 20 May; a hundred and fifty days into the year it is decided.
    expect(calendarView(garden.sky(), null).events.filter(({ id }) => id.startsWith("regrow-"))).toMatchObject([
      { start: "2028-05-30", end: "2028-05-30" },
    ]);
  });

  test("is put off of one thing, that is there, and only for what is asked of it", () => {
    const lineId = leek();
    const refused = (input: object) =>
      Object.keys(garden.refused("deed.put-off", { until: "2028-05-20", ...input }).fields);
    expect(refused({ act: "regrow" })).toEqual(["standIds"]);
    expect(refused({ lineId: "0".repeat(32), act: "regrow" })).toEqual(["lineId"]);
    // Of a line nothing is staked, of a planting nothing is regrown.
    expect(refused({ lineId, act: "stake" })).toEqual(["act"]);
    const standId = garden.done("stand.add", { lineId, bedId: 1, sown: "2028-01-05", plants: 5 }).id;
    expect(refused({ standIds: [standId], act: "regrow" })).toEqual(["act"]);
    expect(refused({ lineId, act: "regrow", until: "2028-02-10" })).toEqual(["until"]);
  });
});

describe("lines whose seed grows old", () => {
  test("are to be sown again from weeks before their day in the first months of a season, unless something of them stands or is planned", () => {
    const seed = (lineId: string, gathered: string) => garden.done("lot.receive", { lineId, gathered, seeds: 50 });
    const [leek, pea, melon] = [
      garden.line("Slatefoot", "leek"),
      garden.line("Nettle", "pea"),
      garden.line("Lantern", "melon"),
    ];
    seed(leek, "2020-09-01");
    seed(leek, "2024-09-01");
    seed(pea, "2020-09-01");
    seed(melon, "2026-09-01");
    const names = (day: string) => {
      garden.on(day);
      return toRegrow().map(({ name, gathered }) => [name, gathered.slice(0, 4)]);
    };
    // The newest leek seed is over three years old, of 2 to 3; the pea over seven, of 3 to 5, and fewer would come of it.
    expect(names("2028-04-20")).toEqual([
      ["Slatefoot", "2024"],
      ["Nettle", "2020"],
    ]);
    expect([names("2028-05-30").length, names("2028-05-31").length]).toEqual([2, 0]);
    garden.on("2028-04-20");
    garden.done("stand.add", { lineId: pea, sown: "2028-03-20" });
    expect(names("2028-04-20")).toEqual([["Slatefoot", "2024"]]);
    // Seed of a cross is the next generation, however fresh.
    const cross = garden.done("line.add", {
      name: "Rook",
      species: "melon",
      school: "cross-and-fix",
      status: "breeding-line",
    });
    garden.on("2027-12-01");
    garden.done("lot.receive", { lineId: cross.id, gathered: "2027-12-01", seeds: 9, generation: 1 });
    garden.on("2028-04-20");
    expect(toRegrow().map(({ name, why }) => [name, why])).toEqual([
      ["Rook F1", "next"],
      ["Slatefoot", "old"],
    ]);
    garden.done("line.end", { id: leek, version: garden.version("line", leek), ending: "lost", on: "2028-01-31" });
    expect(names("2028-04-20")).toEqual([["Rook F1", "2027"]]);
  });
});

describe("a device that stands on another day", () => {
  test("looks ahead or back from the day it would stand on by itself, and back counts no flower covered later", () => {
    const { plan } = twoMelons(garden);
    garden.on("2027-07-05");
    const crossId = garden.done("cross.plan", plan).id;
    garden.on("2027-07-09");
    garden.done("flower.cover", { crossId, flowers: 2, on: "2027-07-09" });
    const look = (day: DeviceDay) => outlook(garden.db, day).look;
    // The garden's own day, which may be another than that of the clock's zone.
    const now = dayAt(new Date(), garden.sky().garden.timezone);
    expect([look(null), look("now"), look(now)]).toEqual([null, null, null]);
    expect([look("2001-07-09"), look("2098-07-09")]).toEqual(["back", "ahead"]);
    // A demo garden stands on a day of its own.
    garden.db.prepare("UPDATE garden SET demo = 1, asOf = '2098-07-20'").run();
    expect([look("2098-07-20"), look("2098-07-21"), look("2098-07-19")]).toEqual([null, "ahead", "back"]);
    const covered = (day: string) => {
      garden.on(day);
      return today().open[0]!.tally.covered;
    };
    expect([covered("2027-07-08"), covered("2027-07-09")]).toEqual([0, 2]);
    garden.on("2027-07-04");
    expect(today().open).toEqual([]);
  });

  test("takes no plants out of a family that was not sown yet", () => {
    const { plants } = family(garden);
    garden.done("plant.mark", { id: plants[3], mark: "out", reason: "sprawls" });
    const rogues = (day: string) => {
      garden.on(day);
      return today().tasks.filter(({ kind }) => kind === "rogue").length;
    };
    expect([rogues("2028-05-09"), rogues("2028-05-10")]).toEqual([0, 1]);
    // Nor out of one that the cold took: melons stand until 28 September, give or take.
    const { day, spread } = garden.sky().standsOf(2028)[0]!.window.kill!;
    expect(day).toBe("2028-09-28");
    const last = addDays(day, Math.round(2 * spread));
    expect([rogues(last), rogues(addDays(last, 1))]).toEqual([1, 0]);
  });
});
