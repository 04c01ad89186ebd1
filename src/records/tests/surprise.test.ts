import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { hiddenOf, surpriseView } from "@/views/surprise";
import { standById } from "../stand/queries";
import { type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const line = (name: string, more: object = {}) => garden.line(name, "pepper", more);
const ask = { inheritance: null, like: [], unlike: [] };

/** Sweet peppers beside hot ones in 2027, saved open from two plants; a family of each in 2028. */
function twoFamilies() {
  garden.on("2027-03-10");
  const [sweet, hot] = [line("Sweet"), line("Hot", { harm: "hot" })];
  const sown = { sown: "2027-03-10", plants: 8 };
  const mother = garden.done("stand.add", { lineId: sweet, bedId: 1, family: 1, ...sown }).id;
  garden.done("stand.add", { lineId: hot, bedId: 1, ...sown });
  const mothers = garden.plants(mother);
  garden.on("2027-09-20");
  const saved = { standId: mother, kind: "open", gathered: "2027-09-20", seeds: 60 };
  const lots = [0, 1].map((n) => garden.done("lot.save", { ...saved, plantIds: [mothers[n]] }).id);
  garden.on("2028-03-10");
  const families = lots.map(
    (lotId) =>
      garden.done("stand.add", {
        lineId: sweet,
        lotId,
        bedId: 2,
        sown: "2028-03-10",
        sowedSeeds: 20,
        family: 1,
        plants: 12,
      }).id,
  );
  garden.on("2028-08-20");
  const [one, other] = families as [Id, Id];
  return { sweet, mother, lots, one, other, plants: garden.plants(one), others: garden.plants(other) };
}
const view = (standId: Id, number: number, more: object = {}) =>
  surpriseView(garden.sky(), garden.code("stand", standId), { number, ...ask, ...more })!;

describe("an odd plant is traced", () => {
  test("to what its mother's flowers met in the year its seed was made, and to the seed that is suspect too", () => {
    const { one, other, plants, others, mother, lots } = twoFamilies();
    garden.done("plant.remove", { ids: plants.slice(0, 2), reason: "hot" });
    garden.done("plant.remove", { ids: [others[0]], reason: "hot" });
    const told = view(one, 1, { inheritance: "dominant" });
    expect(told).toMatchObject({
      counted: { plants: 12, odd: 2 },
      made: { season: 2027, motherCode: garden.code("stand", mother), how: "open", doubt: null },
      sisters: [{ code: garden.code("stand", other), plants: 12, odd: 1 }],
      asked: { inheritance: "dominant" },
    });
    expect(told.suspects.map(({ name, harm, resembles }) => [name, harm, resembles])).toEqual([["Hot", "hot", null]]);
    const [first] = told.found.causes;
    expect(first).toMatchObject({ kind: "pollen", key: told.suspects[0]!.key });
    expect(told.atRisk.map(({ code, left }) => [code, left])).toEqual(lots.map((id) => [garden.code("lot", id), 40]));
    // What it looks like is asked in the address.
    const like = view(one, 1, { inheritance: "dominant", like: [told.suspects[0]!.key] });
    expect(like.found.causes[0]!.chance).toBeGreaterThan(first!.chance);
    expect(view(one, 1, { unlike: [told.suspects[0]!.key] }).suspects[0]!.resembles).toBe(false);
    expect(like.found.tests.map(({ key }) => key)).toEqual(expect.arrayContaining(["more", "sisters"]));
    // It is out: it can't be selfed any more. One that stands can.
    expect(like.found.tests.some(({ key }) => key === "self")).toBe(false);
    expect(view(one, 7).found.tests.some(({ key }) => key === "self")).toBe(true);
    expect(view(one, 7).counted).toEqual({ plants: 12, odd: 1 });
  });

  test("the line's own word says how its look is inherited, unless the grower says otherwise", () => {
    const { sweet, one, plants } = twoFamilies();
    garden.done("offkind.add", { lineId: sweet, name: "pale", inheritance: "recessive" });
    garden.done("plant.mark", { id: plants[4], mark: "out", reason: "pale" });
    expect(view(one, 5).asked.inheritance).toBe("recessive");
    expect(view(one, 5, { inheritance: "unknown" }).asked.inheritance).toBe("unknown");
    expect(surpriseView(garden.sky(), garden.code("stand", one), { number: 99, ...ask })).toBe(null);
  });

  test("what its mother carried unseen is as likely as the line was rogued, or as it is still mixed", () => {
    const { one, plants } = twoFamilies();
    garden.done("plant.remove", { ids: plants.slice(0, 2), reason: "pale" });
    const stand = standById(garden.db, one)!;
    // Two of the eight plants of before, and half a one of each for not knowing: q² = 2.5/9.
    const q = Math.sqrt(2.5 / 9);
    expect(hiddenOf(garden.db, stand)).toEqual({
      carrier: expect.closeTo((2 * q) / (1 + q), 10),
      share: expect.closeTo(q / 2, 10),
    });
    // Of an F4 a quarter is mixed: one place of three at least in 1 − ¾³.
    expect(hiddenOf(garden.db, { ...stand, generation: 4 })).toEqual({ carrier: 0.578125, share: 0.25 });
    expect(hiddenOf(garden.db, { ...stand, generation: 1 }).carrier).toBe(1);
  });

  test("a hidden recessive is of a grandparent by name; seed that is all used up is not suspect", () => {
    const { one, plants, lots, sweet } = twoFamilies();
    const [old, hot] = [line("Old"), garden.db.prepare("SELECT id FROM line WHERE name = 'Hot'").pluck().get()];
    garden.db.prepare("UPDATE line SET motherLineId = ?, fatherLineId = ? WHERE id = ?").run(old, hot, sweet);
    garden.done("plant.remove", { ids: plants.slice(0, 2), reason: "pale" });
    garden.db.prepare("UPDATE lot SET seeds = 20 WHERE id = ?").run(lots[1]);
    const told = view(one, 1, { inheritance: "dominant" });
    expect(told.atRisk.map(({ code }) => code)).toEqual([garden.code("lot", lots[0]!)]);
    expect(told.grandparents).toEqual(["Old", "Hot"]);
  });

  test("received seed can't be traced to any pollen", () => {
    garden.on("2027-03-10");
    const lineId = line("Bought");
    const standId = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-03-10", family: 1, plants: 6 }).id;
    expect(view(standId, 1)).toMatchObject({ made: null, suspects: [], atRisk: [] });
  });
});

describe("what was decided", () => {
  test("strange pollen in open seed counts on its lot, once; anything else does not", () => {
    const { one, plants, lots } = twoFamilies();
    const told = { plantId: plants[0], cause: "pollen", sourceName: "Hot", plants: 12, odd: 2 };
    garden.done("surprise.decide", told);
    expect(view(one, 1).decided).toMatchObject({ cause: "pollen", sourceName: "Hot", decidedOn: "2028-08-20" });
    expect(garden.refused("surprise.decide", told).fields.plantId).toContain("already");
    const counts = () => garden.db.prepare("SELECT lotId, plants, strange FROM offtype").all();
    expect(counts()).toEqual([{ lotId: lots[0], plants: 12, strange: 2 }]);
    garden.done("surprise.decide", { ...told, plantId: plants[1], cause: "slip", sourceName: "" });
    expect(counts()).toHaveLength(1);
    const { id, version } = view(one, 1).decided!;
    garden.done("surprise.drop", { id, version });
    expect(view(one, 1).decided).toBe(null);
  });

  test.each([
    [{ cause: "pollen", sourceName: "" }, "sourceName", "whose pollen"],
    [{ odd: 13 }, "odd", "12 plants"],
    [{ cause: "witchcraft" }, "cause", "choices"],
  ])("%j is refused", (more, field, words) => {
    const { plants } = twoFamilies();
    const told = { plantId: plants[0], cause: "slip", plants: 12, odd: 1, ...more };
    expect(garden.refused("surprise.decide", told).fields[field]).toContain(words);
  });
});
