import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { SPECIES } from "@/catalogue/catalogue";
import { NOTHING_ASKED } from "@/core/lists/listed";
import { undo } from "@/records/command";
import { family, type Plot, plot, twoMelons } from "@/records/tests/plot";
import { CHOICES } from "../choices";
import { crossesView, crossView } from "../crosses";
import { familyView } from "../family";
import { groundView } from "../ground";
import { guideView, speciesView } from "../guide";
import { linesView, lineView } from "../lines";
import { lotPage } from "../lot";
import { nurseryView } from "../nursery";
import { seasonView } from "../season";
import { drawerPage, seedView } from "../seed";
import { historyView, shedView } from "../shed";
import { todayView } from "../today";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const line = (name: string, more: object = {}) => garden.line(name, "melon", more);

describe("Today", () => {
  test("the soonest impossible stands first, within what is due", () => {
    const { plan } = twoMelons(garden);
    const crossId = garden.done("cross.plan", { ...plan, fruitsWanted: 1 }).id;
    const { ids } = garden.done("flower.cover", { crossId, flowers: 2, on: "2027-07-01" });
    garden.done("flower.record", {
      crossId,
      on: "2027-07-02",
      results: ids.map((id) => ({ id, result: "pollinated" })),
    });
    const second = garden.done("cross.plan", {
      ...plan,
      motherStandId: plan.fatherStandId,
      fatherStandId: plan.motherStandId,
      lineName: "Other way",
    }).id;
    garden.done("flower.cover", { crossId: second, flowers: 9, on: "2027-07-08" });
    const { tasks } = todayView(garden.sky());
    const left = tasks.filter((t) => t.part === "any-hour").map((t) => t.daysLeft);
    expect(left).toEqual([...left].sort((a, b) => a - b));
    expect([tasks[0]!.part, tasks.at(-1)!.part]).toEqual(["dawn", "evening"]);
  });

  test("plants marked out are a task until they are gone", () => {
    const { plants, stand } = family(garden);
    garden.done("plant.mark", { id: plants[3], mark: "out", reason: "sprawls" });
    const rogue = () => todayView(garden.sky()).tasks.find((t) => t.kind === "rogue");
    expect(rogue()).toMatchObject({ out: { standId: stand, plants: "4", count: 1 } });
    garden.done("plant.remove", { ids: [plants[3]] });
    expect(rogue()).toBeUndefined();
  });

  test("a first flower is looked for within its forecast only, and not beyond the fence", () => {
    const { mother } = twoMelons(garden);
    const looks = () =>
      todayView(garden.sky()).tasks.flatMap((t) =>
        t.kind === "stand" ? t.group.works.flatMap(({ act, stand }) => (act === "first-flower" ? [stand.id] : [])) : [],
      );
    expect(looks()).toContain(mother);
    garden.done("stand.first-flower", { id: mother, firstFlower: "2027-07-08" });
    expect(looks()).not.toContain(mother);
    const fence = garden.done("bed.add", { name: "theirs", x: 90, y: 0, width: 3, length: 3, outside: 1 }).id;
    const theirs = garden.done("stand.add", {
      lineId: line("theirs"),
      bedId: fence,
      sown: "2027-05-01",
      plants: 9,
      seedWanted: 0,
    }).id;
    expect(looks()).not.toContain(theirs);
    garden.on("2027-05-20");
    expect(looks()).toEqual([]);
  });

  test("a closed cross asks for nothing; an accepted smaller number is enough", () => {
    const { plan, row } = twoMelons(garden);
    const id = garden.done("cross.plan", { ...plan, fruitsWanted: 9 }).id;
    const version = () => row("cross", id).version;
    expect(todayView(garden.sky()).open[0]!.toDo.likely).toBeGreaterThan(20);
    garden.done("cross.adjust", { id, version: version(), fruitsWanted: 1, closed: 0 });
    expect(todayView(garden.sky()).open[0]!.toDo.likely).toBe(5);
    garden.done("cross.adjust", { id, version: version(), fruitsWanted: 1, closed: 1 });
    expect(todayView(garden.sky())).toMatchObject({ open: [] });
    expect(garden.refused("flower.cover", { crossId: id, flowers: 1 }).message).toContain("closed");
  });

  test("before the parents flower nothing is to be covered, and after the last useful evening neither", () => {
    const { plan } = twoMelons(garden);
    garden.done("cross.plan", plan);
    const covers = () =>
      todayView(garden.sky()).tasks.filter((t) => t.kind === "cross" && t.step.action === "cover").length;
    expect(covers()).toBe(1);
    garden.on("2027-06-20");
    expect(covers()).toBe(0);
    garden.on("2027-08-18");
    expect(covers()).toBe(0);
  });
});

describe("Ground", () => {
  test("judges by the level of care that the garden chose, and by a line's own purity", () => {
    twoMelons(garden);
    const first = () => groundView(garden.sky(), 2027, garden.code("stand", 1)).judged[0]!;
    expect(first()).toMatchObject({ limit: 0.01, thumb: { wanted: 400 } });
    for (const [care, metres, limit] of [
      ["relaxed", 200, 0.05],
      ["strict", 800, 0.002],
    ] as const) {
      garden.db.prepare("UPDATE garden SET care = ?").run(care);
      expect(first()).toMatchObject({ limit, thumb: { wanted: metres } });
    }
    garden.db.prepare("UPDATE line SET purity = 0.9 WHERE rowid = 1").run();
    expect(first().limit).toBeCloseTo(0.1);
  });

  test("speaks for the line's school", () => {
    twoMelons(garden);
    const words = () => groundView(garden.sky(), 2027, garden.code("stand", 1)).judged[0]?.words;
    expect(words()).toContain("stranger for a father, most of them Nettle Moon");
    garden.db.prepare("UPDATE line SET school = 'cross-and-fix' WHERE rowid = 1").run();
    expect(words()).toContain("Covered crosses are not touched");
    garden.db.prepare("UPDATE line SET school = 'let-it-mix' WHERE rowid = 1").run();
    expect(words()).toContain("Nothing you entered that crosses");
  });

  test("of several stands of a line the worst is listed, until a stand is chosen", () => {
    twoMelons(garden);
    garden.done("bed.add", { name: "C", x: 60, y: 0, width: 4, length: 4 });
    garden.done("stand.add", { lineId: 2, bedId: 3, sown: "2027-05-05", plants: 6 });
    const { judged, concern } = groundView(garden.sky(), 2027, null);
    expect(judged).toHaveLength(2);
    expect(concern).toBe(judged[0]!.standId);
    expect(groundView(garden.sky(), 2027, garden.code("stand", 1)).judged.map((j) => j.standId)).toEqual([
      garden.row("stand", 1).id,
    ]);
    expect(groundView(garden.sky(), 2027, "S27-999-9").chosen).toBeNull();
  });

  test("a hedge and a talk with the neighbour lower what comes from beyond the garden", () => {
    const lineId = line("Ashlar Gold", { species: "melon" });
    garden.done("stand.add", { lineId, bedId: 1, sown: "2027-05-01", plants: 6 });
    const melons = {
      name: "field",
      kind: "field",
      species: "melon",
      plants: 900,
      presence: 1,
      distance: 120,
      bearing: 90,
    };
    garden.done("source.add", melons);
    const share = () => groundView(garden.sky(), 2027, garden.code("stand", 1)).judged[0]!.likely;
    const open = share();
    expect(open).toBeGreaterThan(0.05);
    garden.done("barrier.add", {
      name: "hedge",
      kind: "hedge",
      path: [
        { x: 60, y: -50 },
        { x: 60, y: 50 },
      ],
    });
    const hedged = share();
    expect(hedged).toBeLessThan(open);
    garden.done("stand.remedy", { season: 2027, changes: [{ kind: "agree", sourceId: 1 }] });
    expect(share()).toBe(hedged);
    garden.done("source.ask", { id: 1, version: garden.version("source", 1), answer: "agreed" });
    expect(share()).toBeLessThan(hedged);
    expect(groundView(garden.sky(), 2027, garden.code("stand", 1)).judged[0]!.bySource[0]!.way.between).toEqual([
      "hedge",
    ]);
  });

  test("a neighbour's told days replace the reckoned ones", () => {
    const beans = {
      name: "beans",
      kind: "neighbour",
      species: "runner-bean",
      plants: 9,
      presence: 1,
      distance: 50,
      bearing: 0,
    };
    garden.done("source.add", { ...beans, flowersFrom: "08-01", flowersTo: "08-20" });
    garden.done("source.add", { ...beans, name: "more beans" });
    const { sources } = groundView(garden.sky(), 2027, null);
    expect(sources[0]!.window).toEqual({ start: "2027-08-01", end: "2027-08-20" });
    expect(sources[1]!.window.start).not.toBe("2027-08-01");
  });

  test("says whether a wind-pollinated crop stands in a block that its bed holds", () => {
    const lineId = line("Mixed orach", { species: "orach", school: "let-it-mix", status: "mix" });
    const planted = { lineId, bedId: 1, sown: "2027-04-10", plants: 30 };
    garden.done("stand.add", { ...planted, rowCount: 1, spacing: 0.3 });
    expect(groundView(garden.sky(), 2027, garden.code("stand", 1)).stand!.planting).toMatchObject({
      now: { rows: 1, fits: false },
      block: { rows: 5, perRow: 6, fits: true },
    });
  });

  test("whether plants are enough goes by those counted, else by those wanted, and is not said of neither", () => {
    const beans = {
      lineId: line("Kiln bean", { species: "common-bean" }),
      bedId: 1,
      sown: "2027-05-10",
      sowedSeeds: 40,
    };
    const enough = (told: object) => {
      const { id } = garden.done("stand.add", { ...beans, ...told });
      return groundView(garden.sky(), 2027, garden.code("stand", id)).stand!.enough?.plants ?? null;
    };
    expect([enough({}), enough({ wanted: 24 }), enough({ wanted: 24, plants: 7 })]).toEqual([null, 24, 7]);
  });

  test("of plants that are male or female, those counted tell how many father seed; half until then", () => {
    const spinach = line("Fenleaf", { species: "spinach" });
    const { id } = garden.done("stand.add", { lineId: spinach, bedId: 1, sown: "2027-04-10", plants: 30 });
    const males = () => groundView(garden.sky(), 2027, garden.code("stand", id)).stand!.enough!.males;
    expect(males()).toBe(0.5);
    garden.db.prepare("UPDATE stand SET males = 6, females = 18 WHERE id = ?").run(id);
    expect(males()).toBe(0.25);
  });

  test("a season without stands is empty and still listed", () => {
    const asked = groundView(garden.sky(), 2019, null);
    expect(asked.seasons).toEqual([...asked.seasons].sort((a, b) => b - a));
    expect(asked.seasons.at(-1)).toBe(2019);
    expect(groundView(garden.sky(), 2031, null)).toMatchObject({
      season: 2031,
      stands: [],
      judged: [],
      seasons: [2031, 2027],
    });
  });

  test("a leek sown in spring belongs to the next year", () => {
    const leek = line("Slatefoot", { species: "leek" });
    garden.done("stand.add", { lineId: leek, bedId: 1, sown: "2026-03-20", plants: 30 });
    // What is sown in that year, or ended before it, is not in its first.
    garden.done("stand.add", { lineId: line("Low Kiln", { species: "tomato" }), bedId: 2, sown: "2027-03-20" });
    const { id } = garden.done("stand.add", { lineId: leek, bedId: 2, sown: "2026-03-20", plants: 5 });
    garden.done("stand.end", { id, version: 1, on: "2027-07-01", ending: "lost" });
    expect(groundView(garden.sky(), 2026, null).stands).toMatchObject([{ lineName: "Slatefoot", firstYear: true }]);
    expect(seasonView(garden.sky(), 2026)).toMatchObject({
      stands: [],
      firstYear: [{ name: "Slatefoot", season: 2027 }],
    });
    const leeks = seasonView(garden.sky(), 2027).stands.filter(({ name }) => name === "Slatefoot");
    expect(leeks.map(({ group }) => group)).toEqual(["Allium ampeloprasum", "Allium ampeloprasum"]);
  });
});

describe("Crosses", () => {
  test("offers own stands as parents, with kept plants, and knows pairs crossed before", () => {
    const { stand, plants } = family(garden);
    garden.done("plant.mark", { id: plants[0], mark: "keep", reason: "" });
    garden.done("plant.mark", { id: plants[1], mark: "watch", reason: "" });
    const view = crossesView(garden.sky(), 2028);
    const choices = CHOICES.parents(garden.sky(), 2028);
    expect(choices.parents.map((p) => p.id)).toEqual([stand]);
    expect(choices.chosen).toMatchObject([{ id: plants[0], number: 1 }]);
    expect(choices.knownPairs).toEqual([`${garden.row("line", 1).id}-${garden.row("line", 2).id}`]);
    expect(view.seasons).toEqual([2028, 2027]);
  });

  test("a pair crossed before keeps its line; another name makes another line", () => {
    const { plan, row } = twoMelons(garden);
    const first = garden.done("cross.plan", plan).id;
    const again = garden.done("cross.plan", { ...plan, lineName: undefined }).id;
    const other = garden.done("cross.plan", { ...plan, lineName: "Second try" }).id;
    expect(row("cross", again).lineId).toBe(row("cross", first).lineId);
    expect(row("cross", other).lineId).not.toBe(row("cross", first).lineId);
    expect(garden.refused("cross.plan", { ...plan, lineName: "Ashlar Gold" }).fields).toHaveProperty("lineName");
  });

  test("one cross shows flowers, protocol, lots and how the parents meet", () => {
    const { cross, lot } = family(garden);
    const view = crossView(garden.sky(), garden.code("cross", cross))!;
    expect(view).toMatchObject({
      protocol: { id: "separate-sex-emasculated" },
      lots: [{ id: lot }],
      meeting: { first: null },
    });
    expect(view.flowers.map((f) => f.state)).toEqual(["harvested", "harvested"]);
    // What may burst or be bitter is told at the table and at the meal.
    expect(view.hazards.map((h) => h.title)).toEqual(["Stings at dawn flowers"]);
    expect(crossView(garden.sky(), "X27-999-9")).toBeNull();
  });

  test("a list of flowers begins with its last stretch, however few are in it", () => {
    const { plan } = twoMelons(garden);
    const id = garden.done("cross.plan", plan).id;
    garden.done("flower.cover", { crossId: id, flowers: 40 });
    const cut = () => crossView(garden.sky(), garden.code("cross", id))!.cut;
    expect(cut()).toEqual({ from: 0, shown: 40, total: 40 });
    garden.done("flower.cover", { crossId: id, flowers: 1 });
    expect(cut()).toEqual({ from: 40, shown: 1, total: 41 });
  });

  test("seeds wanted are turned into fruits", () => {
    const { plan, row } = twoMelons(garden);
    const id = garden.done("cross.plan", { ...plan, fruitsWanted: undefined, seedsWanted: 900, seedsPerFruit: 250 }).id;
    expect(row("cross", id)).toMatchObject({ fruitsWanted: 4, seedsWanted: 900 });
    expect(garden.refused("cross.plan", { ...plan, seedsWanted: 900 }).fields).toHaveProperty("seedsPerFruit");
    expect(garden.refused("cross.plan", { ...plan, fruitsWanted: undefined }).fields).toHaveProperty("fruitsWanted");
  });
});

describe("Nursery, Seed and Lines", () => {
  test("long lists are cut and can be walked through", () => {
    for (let i = 0; i < 130; i++) line(`line ${String(i).padStart(3, "0")}`);
    const stretch = (from: number | null) => linesView(garden.sky(), { ...NOTHING_ASKED, from }).list;
    expect(stretch(null)).toMatchObject({ cut: { from: 0, shown: 40, total: 130 } });
    expect(stretch(40).items[0]!.name).toBe("line 040");
    expect(stretch(120)).toMatchObject({ cut: { from: 120, shown: 10, total: 130 } });
    expect(stretch(9999).cut.from).toBe(0);
  });

  test("a family's lot, counts and beds are there; of a stand that is none there is nothing", () => {
    const { stand, lot } = family(garden);
    expect(familyView(garden.sky(), garden.code("stand", stand))).toMatchObject({
      lot: { id: lot, sowedSeeds: 10 },
      stand: { generation: 1 },
      plants: { length: 5 },
    });
    expect(familyView(garden.sky(), "X27-999-9")).toBeNull();
    expect(nurseryView(garden.sky()).list.items.map((f) => f.id)).toEqual([stand]);
  });

  test("families of one line in one bed are walked together, each named by its mother; those elsewhere are not", () => {
    const { lineId, stand, plants } = family(garden, 3);
    garden.on("2028-10-01");
    const told = { standId: stand, plantIds: plants.slice(1), kind: "self", gathered: "2028-09-20", seeds: 30 };
    const [first, second] = garden.done("lot.save", told).ids as [string, string];
    garden.on("2029-05-10");
    const row = (lotId: string, bedId: number) => {
      const sown = { lineId, lotId, bedId, sown: "2029-05-10", sowedSeeds: 4, plants: 2, family: 1 };
      return garden.code("stand", garden.done("stand.add", sown).id);
    };
    const [one, two, far] = [row(first, 1), row(second, 1), row(first, 2)];
    const benchOf = (code: string) =>
      familyView(garden.sky(), code)!.bench.map((part) => [
        part.code,
        part.mother,
        part.plants.map(({ number }) => number),
      ]);
    expect(benchOf(one)).toEqual([
      [one, 2, [1, 2]],
      [two, 3, [1, 2]],
    ]);
    expect(benchOf(two)).toEqual(benchOf(one));
    expect(benchOf(far)).toEqual([[far, 2, [1, 2]]]);
    // Scores of all that are walked are there; what is said of the family is its own.
    const yardstickId = garden.done("yardstick.add", { lineId, name: "Sweet", kind: "number", wanted: "high" }).id;
    const [mine, theirs] = familyView(garden.sky(), one)!.bench.map((part) => part.plants[0]!.id);
    garden.done("score.set", { plantId: mine, yardstickId, value: "9" });
    garden.done("score.set", { plantId: theirs, yardstickId, value: "15" });
    const { scores, yardsticks, plants: own } = familyView(garden.sky(), one)!;
    expect([mine, theirs].map((id) => scores[id!]![yardstickId]!.number)).toEqual([9, 15]);
    expect(yardsticks[0]).toMatchObject({ family: { mean: 9, count: 1 }, unscored: 1 });
    expect(own).toHaveLength(2);
  });

  test("what is left of a lot is what was not sown; by mass it is a range", () => {
    const { lot, lineId } = family(garden);
    expect(lotPage(garden.sky(), garden.code("lot", lot))!.lot).toMatchObject({
      left: { likely: 30 },
      sowings: 1,
      life: { state: "keeps" },
    });
    // Above it stand those of its own line that flower in this season, and no others.
    const bars = lotPage(garden.sky(), garden.code("lot", lot))!.band.bars.map(({ label }) => label);
    expect(bars).toEqual(["Lantern F1"]);
    const weighed = garden.done("lot.receive", { lineId, gathered: "2028-01-10", mass: 2 }).id;
    garden.done("stand.add", { lineId, lotId: weighed, sown: "2028-05-10", sowedSeeds: 60 });
    expect(lotPage(garden.sky(), garden.code("lot", weighed))!.lot.left).toMatchObject({
      low: 0,
      likely: 13,
      high: 36,
      counted: false,
    });
    expect(
      garden.refused("stand.add", { lineId, lotId: weighed, sown: "2028-05-10", sowedSeeds: 37 }).message,
    ).toContain("by its mass");
    expect(lotPage(garden.sky(), "X27-999-9")).toBeNull();
  });

  test("seed that keeps is told apart from what is under the limit and what is dead; what dies first stands first", () => {
    const leek = line("Slatefoot", { species: "leek" });
    for (const gathered of ["2027-02-01", "2026-01-01", "2025-01-01", "2018-09-01"])
      garden.done("lot.receive", { lineId: leek, gathered, seeds: 50 });
    const { lots, states } = drawerPage(garden.sky());
    expect(lots.map(({ life }) => life.state)).toEqual(["dead", "failing", "regrow", "keeps"]);
    expect(states).toEqual({ keeps: 1, regrow: 1, failing: 1, dead: 1 });
    expect(drawerPage(garden.sky(), { ...NOTHING_ASKED, show: "dead" }).lots.map(({ gathered }) => gathered)).toEqual([
      "2018-09-01",
    ]);
    expect(seedView(garden.sky()).total).toBe(4);
  });

  test("the ladder counts intercrossed seed as mixed again", () => {
    const { lineId, stand, plants, row } = family(garden);
    const [ring] = garden.done("cross.next-generation", {
      standId: stand,
      plantIds: plants.slice(0, 2),
      how: "intercross",
      fruitsEach: 1,
    }).ids;
    garden.on("2028-07-20");
    const { ids } = garden.done("flower.cover", { crossId: ring, flowers: 1, on: "2028-07-15" });
    garden.done("flower.record", { crossId: ring, on: "2028-07-16", results: [{ id: ids[0], result: "pollinated" }] });
    garden.on("2028-09-20");
    garden.done("flower.record", { crossId: ring, on: "2028-07-25", results: [{ id: ids[0], result: "set" }] });
    const lot = garden.done("cross.harvest", { crossId: ring, fruits: 1, seeds: 80 }).id;
    expect(row("lot", lot)).toMatchObject({ kind: "intercross", generation: 2 });
    garden.on("2029-05-10");
    const next = garden.done("stand.add", { lineId, lotId: lot, sown: "2029-05-10", sowedSeeds: 20, family: 1 }).id;
    garden.on("2029-10-01");
    const saved = garden.done("lot.save", { standId: next, kind: "self", gathered: "2029-10-01", seeds: 60 }).id;
    garden.on("2030-05-10");
    garden.done("stand.add", { lineId, lotId: saved, sown: "2030-05-10", sowedSeeds: 20, family: 1 });
    const rungs = lineView(garden.sky(), garden.code("line", lineId))!.rungs;
    expect(rungs.map((r) => [r.generation, r.mixed])).toEqual([
      [1, { low: 1, likely: 1, high: 1 }],
      [2, { low: 0.5, likely: 0.5, high: 0.5 }],
      [3, { low: 0.25, likely: 0.25, high: 0.25 }],
    ]);
    expect(rungs[2]!.shares).toEqual([0, 1]);
  });

  test("a line kept pure has no ladder of mixedness", () => {
    twoMelons(garden);
    expect(lineView(garden.sky(), garden.code("line", 1))!.rungs).toMatchObject([
      { generation: null, mixed: null, grown: 6 },
    ]);
    expect(lineView(garden.sky(), "X27-999-9")).toBeNull();
  });

  test("words and yes-or-no are shown as the share that is as wanted", () => {
    const { lineId, plants } = family(garden);
    const flesh = garden.done("yardstick.add", {
      lineId,
      name: "Flesh",
      kind: "category",
      categories: "orange, white",
      wanted: "category",
      targetWord: "orange",
    }).id;
    const bitter = garden.done("yardstick.add", { lineId, name: "Bitter", kind: "yes-no", wanted: "no" }).id;
    plants.forEach((plantId, i) => {
      garden.done("score.set", { plantId, yardstickId: flesh, value: i < 2 ? "orange" : "white" });
      garden.done("score.set", { plantId, yardstickId: bitter, value: i < 1 ? "y" : "n" });
    });
    expect(lineView(garden.sky(), garden.code("line", lineId))!.ladders.map((l) => l.shares)).toMatchObject([
      [{ generation: 1, count: 5, wanted: 2 }],
      [{ generation: 1, count: 5, wanted: 4 }],
    ]);
  });
});

describe("Guide and Shed", () => {
  test("the guide tells which species are grown, and of one its protocol, kin and cautions", () => {
    twoMelons(garden);
    expect(guideView(garden.sky())).toMatchObject({
      grown: ["melon"],
      species: SPECIES.map(({ id, name }) => ({ id, name })),
    });
    expect(speciesView(garden.sky(), "melon")).toMatchObject({
      protocols: [{ id: "separate-sex-emasculated" }, { id: "separate-sex" }, { id: "separate-sex-selfed" }],
      kin: [],
    });
    expect(speciesView(garden.sky(), "spinach")!.protocols.map((p) => p.id)).toEqual(["separate-plants"]);
    const relatives = (id: string) => speciesView(garden.sky(), id)!.relatives.map((r) => `${r.name}: ${r.degree}`);
    expect(relatives("moschata-squash")).toContain("Argyrosperma squash: sometimes");
    expect(relatives("argyrosperma-squash")).toContain("Moschata squash: sometimes");
    expect(relatives("carrot")).toEqual(["Wild carrot: freely"]);
    expect(speciesView(garden.sky(), "mandrake")).toBeNull();
  });

  test("the history pages backwards and shows what was undone", () => {
    for (let i = 0; i < 110; i++) line(`line ${i}`);
    const look = (asked: object = {}) => historyView(garden.sky(), { before: null, words: "", day: "", ...asked });
    const all = (asked: object = {}) => look(asked).days.flatMap(({ rows }) => rows.flatMap(({ entries }) => entries));
    const first = look();
    expect(all()).toHaveLength(100);
    expect(first).toMatchObject({ garden: { name: garden.sky().garden.name }, band: { today: garden.sky().today } });
    const second = all({ before: first.older });
    expect(look({ before: first.older }).older).toBeNull();
    expect(all().at(-1)!.clock > second[0]!.clock).toBe(true);
    const [newest] = all();
    undo(garden.db, newest!.id);
    expect(all().slice(0, 2)).toMatchObject([
      { undoes: newest!.id, undone: false, summary: "Undone: Line line 109 added" },
      { undone: true },
    ]);
  });

  test("several plants are marked at once, and a line's usual reasons are offered, the last one first", () => {
    const { plants, stand } = family(garden);
    const look = () => familyView(garden.sky(), garden.code("stand", stand))!;
    expect(look().reasons).toEqual([]);
    garden.done("plant.remove", { ids: [plants[0]], reason: "bitter" });
    garden.done("plant.marks", { ids: [plants[1], plants[2]], mark: "out", reason: "round leaf" });
    expect(look().reasons).toEqual(["round leaf", "bitter"]);
    garden.done("plant.remove", { ids: [plants[3]], reason: "bitter" });
    expect(look().reasons).toEqual(["bitter", "round leaf"]);
    const { entry } = garden.done("plant.marks", { ids: [plants[1], plants[4]], mark: "keep" });
    const marks = () => look().plants.map(({ mark, reason }) => [mark, reason]);
    expect(marks()).toEqual([
      ["out", "bitter"],
      ["keep", ""],
      ["out", "round leaf"],
      ["out", "bitter"],
      ["keep", ""],
    ]);
    undo(garden.db, entry!);
    expect(marks()[1]).toEqual(["out", "round leaf"]);
    expect(marks()[4]).toEqual(["none", ""]);
  });

  test("the history is looked through by words, by a tag's code, and by day; a day's scores of a family are one row", () => {
    const { plants, stand, lineId } = family(garden);
    const yardstickId = garden.done("yardstick.add", { lineId, name: "Bitter", kind: "yes-no", wanted: "no" }).id;
    const look = (asked: object) => historyView(garden.sky(), { before: null, words: "", day: "", ...asked });
    const told = (asked: object) =>
      look(asked).days.flatMap(({ rows }) => rows.flatMap(({ entries }) => entries.map(({ summary }) => summary)));
    garden.done("bed.add", { name: "Käferwiese", x: 0, y: 90, width: 2, length: 2 });
    for (const plantId of plants.slice(0, 3)) garden.done("score.set", { plantId, yardstickId, value: "n" });
    expect(told({ words: "käfer added" })).toEqual(["Bed Käferwiese added"]);
    expect(told({ words: "käfer removed" })).toEqual([]);
    const code = garden.code("stand", stand);
    // By its code without hyphens: what its summary names, and what touched its row.
    const ofStand = told({ words: code.replaceAll("-", "") });
    expect(ofStand.length).toBeGreaterThan(0);
    const [{ day, rows }] = look({ words: `${code} plant` }).days as [ReturnType<typeof look>["days"][number]];
    expect(rows).toMatchObject([{ code }]);
    expect(rows[0]!.entries).toHaveLength(3);
    expect(look({ day }).days.map((one) => one.day)).toEqual([day]);
    expect(look({ day: "1 Jan 1999" }).days).toEqual([]);
    expect(look({ day: "soon" }).day).toBeNull();
  });

  test("the shed counts what is kept", () => {
    family(garden);
    const counts = Object.fromEntries(shedView(garden.sky()).counts.map((c) => [c.name, c.count]));
    expect(counts).toMatchObject({ lines: 3, stands: 3, plants: 5, crosses: 1, "seed lots": 1 });
  });
});
