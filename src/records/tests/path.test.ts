import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { readCode } from "@/core/custody/code";
import type { Id } from "@/core/custody/id";
import { familyView } from "@/views/family";
import { groundView } from "@/views/ground";
import { lineView } from "@/views/lines";
import { todayView } from "@/views/today";
import { waysOut } from "@/views/waysOut";
import { undo } from "../command";
import { family, type Plot, plot, twoMelons } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

describe("from a cross to chosen seedlings", () => {
  test("each thing is made with a code that reads, and generations count up", () => {
    const { row, cross, lot, lineId, stand, plants } = family(garden);
    for (const [table, id] of [
      ["cross", cross],
      ["lot", lot],
      ["line", lineId],
      ["stand", stand],
    ] as const)
      expect(readCode(row(table, id).code as string)).toMatchObject({ ok: true });
    expect(row("lot", lot)).toMatchObject({ generation: 1, kind: "cross", seeds: 40, crossId: cross });
    expect(row("stand", stand)).toMatchObject({ generation: 1, season: 2028, plants: 5 });
    expect(row("line", lineId)).toMatchObject({ school: "cross-and-fix", status: "breeding-line" });
    garden.done("plant.mark", { id: plants[0], mark: "keep", reason: "" });
    garden.done("plant.mark", { id: plants[2], mark: "seed-parent", reason: "best" });
    const selfs = garden.done("cross.next-generation", {
      standId: stand,
      plantIds: [plants[0], plants[2]],
      how: "self",
      fruitsEach: 1,
    }).ids;
    expect(selfs.map((id) => row("cross", id))).toMatchObject([
      { kind: "self", generation: 2, lineId },
      { kind: "self", generation: 2, lineId },
    ]);
    const ring = garden.done("cross.next-generation", {
      standId: stand,
      plantIds: plants.slice(0, 3),
      how: "intercross",
      fruitsEach: 1,
    }).ids;
    expect(ring.map((id) => [row("cross", id).motherPlantId, row("cross", id).fatherPlantId])).toEqual([
      [plants[0], plants[1]],
      [plants[1], plants[2]],
      [plants[2], plants[0]],
    ]);
    garden.on("2028-10-01");
    const saved = garden.done("lot.save", {
      standId: stand,
      plantIds: [plants[0]],
      kind: "self",
      gathered: "2028-10-01",
      seeds: 30,
    }).id;
    expect(row("lot", saved)).toMatchObject({ generation: 2, motherPlantId: plants[0], kind: "self" });
  });

  test("Today follows the flowers: tie tonight, pollinate at dawn, look after a week, bring in when ripe", () => {
    const { plan } = twoMelons(garden);
    const cross = garden.done("cross.plan", plan).id;
    const steps = () =>
      todayView(garden.sky()).tasks.flatMap((t) =>
        t.kind === "cross" ? [`${t.part} ${t.step.action} ${t.flowers.length}`] : [],
      );
    expect(steps()).toEqual(["evening cover 0"]);
    const { ids } = garden.done("flower.cover", { crossId: cross, flowers: 9 });
    expect(steps()).toEqual([]);
    garden.on("2027-07-10");
    expect(steps()).toEqual(["dawn pollinate 9"]);
    garden.done("flower.record", {
      crossId: cross,
      males: 2,
      results: ids.map((id, i) => ({ id, result: i === 0 ? "found-open" : "pollinated" })),
    });
    expect(steps()).toEqual(["evening cover 0"]);
    garden.on("2027-07-17");
    expect(steps()).toContain("any-hour check 8");
    garden.done("flower.record", { crossId: cross, results: ids.slice(1, 4).map((id) => ({ id, result: "set" })) });
    garden.on("2027-08-19");
    expect(steps()).toContain("any-hour harvest 3");
    const [state] = todayView(garden.sky()).open;
    expect(state).toMatchObject({ tally: { set: 3, waiting: 5, lost: 1, covered: 0 }, toDo: { likely: 0 } });
  });

  test("the nursery shows the parents beside what stands; the ladder counts", () => {
    const { lineId, stand, plants, mother } = family(garden);
    const mass = garden.done("yardstick.add", { lineId, name: "Mass", kind: "number", unit: "kg", wanted: "high" }).id;
    plants.forEach(
      (id, i) => void garden.done("score.set", { plantId: id, yardstickId: mass, value: String(1 + i / 10) }),
    );
    garden.done("plant.remove", { ids: [plants[4]], reason: "split" });
    const motherLine = garden.db.prepare("SELECT lineId FROM stand WHERE id = ?").pluck().get(mother) as string;
    const check = garden.done("stand.add", {
      lineId: motherLine,
      bedId: 2,
      sown: "2028-05-10",
      plants: 2,
      family: 1,
    }).id;
    const [first] = garden.db.prepare("SELECT id FROM plant WHERE standId = ?").pluck().all(check) as string[];
    garden.done("score.set", { plantId: first, yardstickId: mass, value: "1.6" });
    const view = familyView(garden.sky(), garden.code("stand", stand))!;
    expect(view.yardsticks[0]).toMatchObject({
      family: { count: 4, mean: 1.15 },
      parents: [{ line: "Ashlar Gold", season: "this season", summary: { mean: 1.6 } }, { summary: null }],
    });
    const line = lineView(garden.sky(), garden.code("line", lineId))!;
    expect(line.rungs).toMatchObject([{ generation: 1, grown: 5, removed: 1, chosen: 0, mixed: { likely: 1 } }]);
    expect(line.ladders[0]!.points).toMatchObject([{ generation: 1, summary: { count: 5 } }]);
  });

  test("an applied way out ends the clash it was offered for, and undo brings it back", () => {
    const { mother } = twoMelons(garden);
    const judged = () =>
      groundView(garden.sky(), 2027, garden.code("stand", mother)).judged.find((j) => j.standId === mother);
    const before = judged()!;
    expect(before).toMatchObject({ level: "over", thumb: { metres: 22, wanted: 400, met: false } });
    const offered = () => {
      const { askWays } = groundView(garden.sky(), 2027, garden.code("stand", mother));
      return askWays ? waysOut(garden.db, askWays).remedies.filter((r) => r.enough) : [];
    };
    const ways = offered();
    // Each goes with what it was reckoned with, so that what was changed meanwhile is not written over.
    for (const { standId, version } of ways.flatMap((way) => way.changes as { standId: Id; version: Id }[]))
      expect(version).toBe(garden.version("stand", standId));
    expect(ways.length).toBeGreaterThan(2);
    for (const { key, title, after } of ways) {
      const { changes } = offered().find((way) => way.key === key)!;
      const { entry } = garden.done("stand.remedy", { season: 2027, changes });
      expect(judged()?.likely ?? 0, title).toBeCloseTo(after.likely, 9);
      expect(judged()?.level, title).not.toBe("over");
      expect(undo(garden.db, entry).ok).toBe(true);
      expect(judged()!.likely, title).toBeCloseTo(before.likely, 9);
    }
  });
});

describe("what is refused, with nothing written", () => {
  test.each<[string, object, string]>([
    ["garden.change", { name: "x", latitude: 91, version: 2 }, "latitude"],
    [
      "garden.change",
      {
        name: "x",
        latitude: 1,
        longitude: 0,
        timezone: "UTC",
        units: "metric",
        lastFrost: "02-30",
        firstFrost: "10-01",
        version: 2,
      },
      "lastFrost",
    ],
    ["garden.change", { firstFrost: "", version: 2 }, "firstFrost"],
    ["garden.change", { lastFrost: "", firstFrost: "", version: 2 }, "lastFrost"],
    ["garden.change", { latitude: -44.9, version: 2 }, "lastFrost"],
    ["bed.add", { name: "C", x: 0, y: 0, width: 0, length: 3 }, "width"],
    ["line.add", { name: "", species: "melon", school: "keep-pure", status: "mix" }, "name"],
    ["line.add", { name: "x".repeat(10_000), species: "melon", school: "keep-pure", status: "mix" }, "name"],
    ["line.add", { name: "x", species: "mandrake", school: "keep-pure", status: "mix" }, "species"],
    ["stand.add", { lineId: 1, sown: "2027-02-30" }, "sown"],
    ["stand.add", { lineId: 99, sown: "2027-05-01" }, "lineId"],
    ["stand.add", { lineId: 1, bedId: 99, sown: "2027-05-01" }, "bedId"],
    [
      "stand.change",
      { id: 1, version: 1, sown: "2027-05-01", firstFlower: "2027-04-30", flowers: "open", seedWanted: 1 },
      "firstFlower",
    ],
    [
      "stand.change",
      { id: 1, version: 1, sown: "2027-05-01", firstFlower: "2027-07-10", flowers: "open", seedWanted: 1 },
      "firstFlower",
    ],
    [
      "stand.change",
      { id: 1, version: 1, sown: "2027-05-01", sowedSeeds: 5, cameUp: 6, flowers: "open", seedWanted: 1 },
      "cameUp",
    ],
    [
      "stand.change",
      { id: 1, version: 1, sown: "2027-05-01", sowedSeeds: 9, cameUp: 6, plants: 7, flowers: "open", seedWanted: 1 },
      "plants",
    ],
    ["lot.receive", { lineId: 1, gathered: "2027-01-01" }, "seeds"],
    ["lot.receive", { lineId: 1, gathered: "2027-12-01", seeds: 5 }, "gathered"],
    ["lot.save", { standId: 1, kind: "open", gathered: "2027-04-01", seeds: 5 }, "gathered"],
  ])("%s %j by its field %s", (name, input, field) => {
    twoMelons(garden);
    expect(garden.refused(name, input).fields[field]).toMatch(/\w/);
  });

  test("a father of another species, a plant that can't be selfed, and a method that does not serve", () => {
    const { plan } = twoMelons(garden);
    const other = garden.done("line.add", {
      name: "P",
      species: "pepper",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    const stand = garden.done("stand.add", { lineId: other, sown: "2027-03-10", plants: 4 }).id;
    expect(garden.refused("cross.plan", { ...plan, fatherStandId: stand }).fields.fatherStandId).toContain(
      "do not cross",
    );
    const spinach = garden.done("line.add", {
      name: "Spin",
      species: "spinach",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    const stands = garden.done("stand.add", { lineId: spinach, sown: "2027-03-10", family: 1, plants: 4 }).id;
    const plantId = garden.db.prepare("SELECT id FROM plant WHERE standId = ?").pluck().get(stands);
    const itself = { motherStandId: stands, fatherStandId: stands, motherPlantId: plantId, fatherPlantId: plantId };
    expect(garden.refused("cross.plan", { ...plan, ...itself }).fields.motherStandId).toContain("plants of their own");
    expect(garden.refused("cross.plan", { ...plan, method: "wind-ears" }).fields).toHaveProperty("method");
    expect(garden.refused("cross.plan", { ...plan, lineName: undefined }).fields).toHaveProperty("lineName");
    expect(garden.refused("cross.plan", { ...plan, setHigh: 0.2 }).fields).toHaveProperty("setHigh");
  });

  test("flowerings that miss each other are planned with a warning of how many days", () => {
    const { plan } = twoMelons(garden);
    const late = garden.done("stand.add", { lineId: 2, sown: "2027-07-08", plants: 4 }).id;
    expect(garden.done("cross.plan", { ...plan, fatherStandId: late }).warnings[0]).toContain(
      "miss each other by 31 days",
    );
  });

  test("a plant that was removed, or marked out, is no parent", () => {
    const { stand, plants } = family(garden);
    garden.done("plant.remove", { ids: [plants[0]], reason: "split" });
    garden.done("plant.mark", { id: plants[1], mark: "out", reason: "late" });
    for (const plant of [plants[0], plants[1]])
      expect(
        garden.refused("cross.next-generation", { standId: stand, plantIds: [plant], how: "self", fruitsEach: 1 })
          .fields,
      ).toHaveProperty("motherPlantId");
    garden.on("2028-10-01");
    expect(
      garden.refused("lot.save", {
        standId: stand,
        plantIds: [plants[0]],
        kind: "self",
        gathered: "2028-10-01",
        seeds: 3,
      }).fields,
    ).toHaveProperty("plantIds");
    expect(garden.refused("plant.mark", { id: plants[2], mark: "out", reason: "" }).fields).toHaveProperty("reason");
  });

  test("a lot sown past its count, before it was gathered, or as another line", () => {
    const { lot, lineId } = family(garden);
    expect(
      garden.refused("stand.add", { lineId, lotId: lot, sown: "2028-05-11", sowedSeeds: 31 }).fields.sowedSeeds,
    ).toContain("30");
    expect(
      garden.refused("stand.add", { lineId, lotId: lot, sown: "2027-05-11", sowedSeeds: 3 }).fields,
    ).toHaveProperty("sown");
    expect(
      garden.refused("stand.add", { lineId: 1, lotId: lot, sown: "2028-05-11", sowedSeeds: 3 }).fields,
    ).toHaveProperty("lotId");
    garden.done("stand.add", { lineId, lotId: lot, sown: "2028-05-11", sowedSeeds: 30 });
  });

  test("flowers out of order: too early, limp by now, already open, more fruit than set", () => {
    const { plan } = twoMelons(garden);
    const crossId = garden.done("cross.plan", plan).id;
    const { ids } = garden.done("flower.cover", { crossId, flowers: 2, on: "2027-07-07" });
    const record = (result: string, on: string) => ({ crossId, on, results: [{ id: ids[0], result }] });
    expect(garden.refused("flower.record", record("pollinated", "2027-07-07")).fields.on).toContain("morning after");
    expect(garden.refused("flower.record", record("pollinated", "2027-07-09")).fields.on).toContain("limp");
    expect(garden.refused("flower.record", record("set", "2027-07-08")).fields).toHaveProperty("results");
    garden.done("flower.record", record("found-open", "2027-07-08"));
    expect(garden.refused("flower.record", record("pollinated", "2027-07-08")).fields).toHaveProperty("results");
    expect(garden.refused("cross.harvest", { crossId, fruits: 1, seeds: 10 }).fields).toHaveProperty("fruits");
    expect(garden.refused("flower.cover", { crossId, flowers: 1, on: "2027-07-10" }).fields).toHaveProperty("on");
  });

  test.each([
    ["scale", { lowEnd: "a", highEnd: "b" }, ["0", "10", "4.5", "x"], ["9"]],
    ["number", {}, ["x", "1e9", "0x10", "1,250", "1.250", "1 5", "Infinity"], ["1,5", "-2", "0,125", ".5", "12500"]],
    ["yes-no", {}, ["maybe"], ["y", "No", "1"]],
    ["date", {}, ["2027-01-01", "2029-01-01", "2028-02-30", "92", "300"], ["2028-05-10", "44", "2028-08-09", "91"]],
    ["category", { categories: "orange, oval, white", targetWord: "white" }, ["o", "red"], ["or", "White"]],
  ])("a %s takes only what it means", (kind, more, bad, good) => {
    const { lineId, plants } = family(garden);
    const wanted = { category: "category", "yes-no": "yes" }[kind as string] ?? "high";
    const yardstickId = garden.done("yardstick.add", { lineId, name: "Y", kind, wanted, ...more }).id;
    garden.on("2028-08-09");
    for (const value of bad)
      expect(garden.refused("score.set", { plantId: plants[0], yardstickId, value }).fields).toHaveProperty("value");
    for (const value of good) garden.done("score.set", { plantId: plants[0], yardstickId, value });
    expect(garden.db.prepare("SELECT count(*) FROM score").pluck().get()).toBe(1);
  });
});

test("a second one of a name is told of the first, and both stay", () => {
  twoMelons(garden);
  expect(garden.done("bed.add", { name: "A", x: 0, y: 0, width: 2, length: 3 }).warnings[0]).toContain(
    "named A already",
  );
  const line = garden.done("line.add", { name: "Ashlar Gold", species: "melon", school: "keep-pure", status: "mix" });
  expect(line.warnings).toEqual([`There is a line of that name and species already: ${garden.code("line", 1)}.`]);
});

test("seed of a line that was never crossed is not counted in generations, by hand or open", () => {
  const { plan, mother, row } = twoMelons(garden);
  const within = garden.done("cross.plan", { ...plan, fatherStandId: mother, lineName: undefined });
  expect(row("cross", within.id)).toMatchObject({ kind: "intercross", generation: null });
  garden.on("2027-09-20");
  const saved = garden.done("lot.save", { standId: mother, kind: "open", gathered: "2027-09-20", mass: 5 });
  expect(row("lot", saved.id)).toMatchObject({ generation: null });
});

test("an F1 hybrid kept as if pure is warned about, and its seed is an F2", () => {
  const line = garden.done("line.add", { name: "Bought", species: "pepper", school: "keep-pure", status: "f1-hybrid" });
  expect(line.warnings[0]).toContain("does not come true");
  const stand = garden.done("stand.add", { lineId: line.id, sown: "2027-03-01", plants: 3 });
  expect(stand.warnings).toHaveLength(1);
  garden.on("2027-09-20");
  const lot = garden.done("lot.save", { standId: stand.id, kind: "open", gathered: "2027-09-20", seeds: 50 });
  expect(lot.warnings).toHaveLength(1);
  expect(garden.db.prepare("SELECT generation FROM lot").pluck().get()).toBe(2);
});

test("taken out after first flower is kept and flagged as late", () => {
  const { stand, plants } = family(garden);
  garden.on("2028-07-10");
  garden.done("stand.first-flower", { id: stand, firstFlower: "2028-07-01" });
  expect(garden.done("plant.remove", { ids: [plants[0]], on: "2028-06-30", reason: "dwarf" }).warnings).toEqual([]);
  expect(garden.done("plant.remove", { ids: [plants[1]], reason: "dwarf" }).warnings[0]).toContain(
    "After first flower",
  );
});
