import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { familyView } from "@/views/family";
import { tastingView } from "@/views/tasting";
import { todayView } from "@/views/today";
import { type Plot, plot } from "./plot";

let garden: Plot;
let lineId: Id;
let standId: Id;
let plants: Id[];
let taste: Id;
beforeEach(() => {
  garden = plot();
  garden.on("2027-05-01");
  ({ lineId, standId, plants } = grown("melon"));
  taste = scale("Flavour");
  garden.on("2027-08-20");
});
afterEach(() => garden.close());

function grown(species: string) {
  const line = garden.done("line.add", { name: `of ${species}`, species, school: "cross-and-fix", status: "mix" }).id;
  const stand = garden.done("stand.add", { lineId: line, sown: "2027-05-01", sowedSeeds: 9, plants: 6, family: 1 }).id;
  const ids = garden.plants(stand);
  return { lineId: line, standId: stand, plants: ids };
}
const scale = (name: string, more: object = {}) =>
  garden.done("yardstick.add", {
    lineId,
    name,
    kind: "scale",
    lowEnd: "bland",
    highEnd: "fine",
    wanted: "high",
    ...more,
  }).id;
const setUp = (more: object = {}) =>
  garden.done("tasting.add", { standId, yardstickId: taste, tasters: 3, plantIds: plants.slice(0, 4), ...more }).id;
const view = (of: Id | null = null, taster: number | null = null) =>
  tastingView(garden.sky(), garden.code("stand", standId), { of, taster })!;
const codeOf = (tastingId: Id, plant: number) =>
  garden.db
    .prepare("SELECT code FROM serving WHERE tastingId = ? AND plantId = ?")
    .pluck()
    .get(tastingId, plants[plant - 1]) as string;
const bite = (tastingId: Id, taster: number, plant: number, said: object) =>
  garden.done("tasting.bite", { tastingId, taster, code: codeOf(tastingId, plant), ...said });
const scores = (plant: number) => {
  const found = familyView(garden.sky(), garden.code("stand", standId))!.scores[plants[plant - 1]!]?.[taste];
  return found && { number: found.number, looks: found.looks };
};

describe("a tasting", () => {
  test("stands on Today until it is closed, with how much of it was tasted", () => {
    const open = () => todayView(garden.sky()).tasks.flatMap((task) => (task.kind === "tasting" ? [task.tasting] : []));
    expect(open()).toEqual([]);
    const id = setUp();
    bite(id, 1, 1, { number: 8 });
    bite(id, 2, 3, { bitter: true });
    expect(open()).toMatchObject([
      { id, yardstick: "Flavour", heldOn: "2027-08-20", tasters: 3, servings: 4, tasted: 2 },
    ]);
    garden.on("2027-08-19");
    expect(open()).toEqual([]);
    garden.on("2027-08-21");
    garden.done("tasting.close", { id, version: garden.version("tasting", id) });
    expect(open()).toEqual([]);
  });

  test("is blind: a taster's sheet has codes and own bites, in an order of its own, and nothing of plants or others", () => {
    const id = setUp();
    bite(id, 1, 1, { number: 8 });
    const [one, two] = [view(id, 1), view(id, 2)];
    expect(one.sheet!.codes.find(({ code }) => code === codeOf(id, 1))).toEqual({
      code: codeOf(id, 1),
      number: 8,
      bitter: false,
      foundBitter: false,
    });
    expect(two.sheet!.codes.every(({ number }) => number === null)).toBe(true);
    const order = (of: typeof one) => of.sheet!.codes.map(({ code }) => code);
    expect([...order(one)].sort()).toEqual([...order(two)].sort());
    expect(order(one)).not.toEqual(order(two));
    expect(one.of).toMatchObject({ served: [], orders: [] });
    expect(view(id).of!.orders[1]).toEqual(order(two));
    // There is no fourth taster.
    expect(view(id, 4).sheet).toBeNull();
    expect(view(id, 0).sheet).toBeNull();
  });

  test("becomes one look at each plant, tasters' levels set aside, and goes back with its undo", () => {
    garden.on("2027-08-19");
    garden.done("score.set", { plantId: plants[0], yardstickId: taste, value: "5" });
    garden.on("2027-08-20");
    const id = setUp({ tasters: 2 });
    // The second is two steps harder. The fourth plant only the harder one tasted: 3 there is 4 of the mean.
    for (const [plant, number] of [
      [1, 8],
      [2, 6],
      [3, 7],
    ] as const) {
      bite(id, 1, plant, { number });
      bite(id, 2, plant, { number: number - 2 });
    }
    bite(id, 2, 4, { number: 3 });
    const { entry } = garden.done("tasting.close", { id, version: garden.version("tasting", id) });
    expect(scores(1)).toEqual({ number: 6, looks: 2 });
    expect(scores(2)).toEqual({ number: 5, looks: 1 });
    expect(scores(4)).toEqual({ number: 4, looks: 1 });
    expect(scores(5)).toBeUndefined();
    expect(view().tastings).toMatchObject([{ id, closedOn: "2027-08-20", progress: [3, 4] }]);
    expect(view(id).of!.served.map(({ plant }) => plant)).toEqual([1, 3, 2, 4]);
    expect(garden.refused("tasting.bite", { tastingId: id, taster: 1, code: codeOf(id, 1), number: 9 }).message).toBe(
      "That tasting is over.",
    );
    garden.undone(entry);
    expect(scores(2)).toBeUndefined();
    expect(scores(1)).toEqual({ number: 5, looks: 1 });
    bite(id, 1, 1, { number: 9 });
  });

  test("a third look of the same day is the third", () => {
    garden.done("score.set", { plantId: plants[0], yardstickId: taste, value: "5" });
    for (const number of [7, 9]) {
      const id = setUp({ tasters: 1 });
      bite(id, 1, 1, { number });
      garden.done("tasting.close", { id, version: garden.version("tasting", id) });
    }
    expect(scores(1)).toEqual({ number: 7, looks: 3 });
  });

  test("what one finds bitter all others are warned of; what is said again is set right", () => {
    const id = setUp();
    bite(id, 2, 3, { number: 6 });
    bite(id, 2, 3, { bitter: true });
    const code = codeOf(id, 3);
    expect(view(id, 1).sheet!.codes.find((one) => one.code === code)).toMatchObject({
      number: null,
      bitter: false,
      foundBitter: true,
    });
    expect(view(id, 2).sheet!.codes.find((one) => one.code === code)).toMatchObject({ number: null, bitter: true });
    expect(view(id).of!.served.find((one) => one.code === code)).toMatchObject({
      bites: 1,
      bitter: 1,
      plant: 3,
      found: null,
    });
    bite(id, 2, 3, { number: 4 });
    expect(view(id, 1).sheet!.codes.find((one) => one.code === code)!.foundBitter).toBe(false);
  });

  test("called off, nothing is left of it", () => {
    const id = setUp();
    bite(id, 1, 1, { number: 3 });
    garden.done("tasting.drop", { id, version: garden.version("tasting", id) });
    for (const table of ["tasting", "serving", "bite"])
      expect(garden.db.prepare(`SELECT count(*) FROM ${table}`).pluck().get(), table).toBe(0);
  });

  test.each<[string, string, () => object]>([
    ["Choose two at least", "plantIds", () => ({ plantIds: plants.slice(0, 1) })],
    ["is of another line", "plantIds", () => ({ plantIds: [plants[0], grown("tomato").plants[0]] })],
    ["Choose a scale of 1 to 9", "yardstickId", () => ({ yardstickId: scale("Mass", { kind: "number" }) })],
    ["still to come", "heldOn", () => ({ heldOn: "2027-08-21" })],
    ["40", "tasters", () => ({ tasters: 41 })],
  ])("is refused: %s", (words, field, input) => {
    const more = input();
    const { fields } = garden.refused("tasting.add", {
      standId,
      yardstickId: taste,
      tasters: 2,
      plantIds: plants,
      ...more,
    });
    expect(fields[field]).toContain(words);
  });

  test("what is poisonous is not tasted, and the page says so", () => {
    ({ lineId, standId, plants } = grown("foxglove"));
    taste = scale("Flavour");
    expect(
      garden.refused("tasting.add", { standId, yardstickId: taste, tasters: 2, plantIds: plants }).fields.standId,
    ).toContain("is not tasted: it is poisonous");
    expect(view().poisonous).toBe(true);
    expect(view().bitterPoisons).toBe(false);
  });

  test("bites that can't be", () => {
    const id = setUp();
    const code = codeOf(id, 1);
    const refused = (said: object) =>
      garden.refused("tasting.bite", { tastingId: id, taster: 1, code, ...said }).fields;
    expect(refused({}).number).toContain("Give 1 to 9");
    expect(refused({ taster: 4, number: 5 }).taster).toBe("There are 3 tasters.");
    expect(refused({ code: "000", number: 5 }).code).toBe("Nothing is served under that code.");
    expect(refused({ number: 10 }).number).toBeDefined();
    expect(garden.refused("tasting.close", { id, version: garden.version("tasting", id) }).fields.id).toBe(
      "Nobody has tasted anything yet.",
    );
  });

  test("plants to choose from are the family's own and the kept ones of its sisters", () => {
    const sister = garden.done("stand.add", { lineId, sown: "2027-05-01", sowedSeeds: 5, plants: 2, family: 1 }).id;
    const [kept] = garden.plants(sister);
    expect(view().plants).toHaveLength(6);
    garden.done("plant.mark", { id: kept, mark: "keep" });
    expect(view().plants.map(({ id }) => id)).toEqual([...plants, kept]);
    expect(view().scales.map(({ name }) => name)).toEqual(["Flavour"]);
    expect(view().bitterPoisons).toBe(true);
  });
});
