import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { compareView } from "@/views/compare";
import { family, type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

describe("by which ratio a family's words are inherited", () => {
  const shape = (colour: string, n: number) => Array.from({ length: n }, () => colour);

  test("selfed families are held against the ratios of their generation, crosses back against one to one, others against none", () => {
    const made = family(garden);
    const { lineId, stand, plants } = made;
    garden.on("2028-07-20");
    const flesh = garden.done("yardstick.add", {
      lineId,
      name: "Flesh",
      kind: "category",
      categories: "orange, white",
      wanted: "none",
    }).id;
    const code = (id: Id) => garden.code("stand", id);
    const told = (id: Id) => compareView(garden.sky(), code(id), { x: null, y: null, plants: [] })!.inheritance;
    // The F1 of two lines divides by no ratio.
    expect(told(stand)).toMatchObject({ making: null, traits: [], xenia: null });
    garden.on("2028-09-10");
    const lot = garden.done("lot.save", {
      standId: stand,
      plantIds: [plants[0]],
      kind: "self",
      gathered: "2028-09-10",
      seeds: 90,
    }).id;
    garden.on("2029-05-10");
    const f2 = garden.done("stand.add", {
      lineId,
      lotId: lot,
      sown: "2029-05-10",
      sowedSeeds: 60,
      plants: 40,
      family: 1,
    }).id;
    const ids = garden.plants(f2);
    garden.on("2029-08-10");
    for (const [i, value] of [...shape("orange", 30), ...shape("white", 10)].entries())
      garden.done("score.set", { plantId: ids[i], yardstickId: flesh, value });
    const { making, traits } = told(f2);
    expect(making).toEqual({ kind: "selfed", times: 1 });
    expect(traits[0]).toMatchObject({
      name: "Flesh",
      classes: [
        { word: "orange", count: 30 },
        { word: "white", count: 10 },
      ],
    });
    // Two in three carry white; 13 selfed or 6 testcrossed; 1 − 0.75ⁿ is 0.95 from 11 on, and five are had of 34.
    expect(traits[0]!.hidden).toEqual({
      shown: "orange",
      hidden: "white",
      carriers: expect.closeTo(2 / 3, 9),
      selfed: 13,
      testcrossed: 6,
      one: 11,
      five: 34,
    });
    expect(traits[0]!.ratios.fits[0]).toMatchObject({ ratio: [3, 1], test: { chiSquare: 0 } });
    const other = garden.done("lot.save", {
      standId: f2,
      plantIds: [ids[0]],
      kind: "open",
      gathered: "2029-08-10",
      seeds: 9,
    }).id;
    const open = garden.done("stand.add", {
      lineId,
      lotId: other,
      sown: "2029-08-10",
      sowedSeeds: 9,
      plants: 9,
      family: 1,
    }).id;
    const wild = garden.plants(open);
    for (const [n, plantId] of wild.entries())
      garden.done("score.set", { plantId, yardstickId: flesh, value: n < 6 ? "orange" : "white" });
    // Enough plants of two words, but of pollen from anyone: no ratio is asked of them.
    expect(told(open)).toMatchObject({ making: null, traits: [] });
  });

  test("an F1 crossed back to its parent, either way round, divides as a backcross", () => {
    const made = family(garden);
    const again = garden.row("stand", made.father).lineId as Id;
    const parent = garden.done("stand.add", { lineId: again, bedId: 2, sown: "2028-05-10", plants: 6 }).id;
    const stranger = garden.done("line.add", {
      name: "Third",
      species: "melon",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    const third = garden.done("stand.add", { lineId: stranger, bedId: 2, sown: "2028-05-10", plants: 6 }).id;
    const seedOf = (mother: Id, father: Id, name: string) => {
      garden.on("2028-07-20");
      const cross = garden.done("cross.plan", {
        ...made.plan,
        motherStandId: mother,
        fatherStandId: father,
        lineName: name,
      }).id;
      const { ids } = garden.done("flower.cover", { crossId: cross, flowers: 2, on: "2028-07-10" });
      const all = (result: string, on: string) =>
        garden.done("flower.record", { crossId: cross, on, males: 2, results: ids.map((id) => ({ id, result })) });
      all("pollinated", "2028-07-11");
      all("set", "2028-07-20");
      garden.on("2028-09-10");
      const lot = garden.done("cross.harvest", { crossId: cross, fruits: 2, seeds: 40 }).id;
      garden.on("2029-05-10");
      const { lineId } = garden.row("lot", lot) as { lineId: Id };
      const stand = garden.done("stand.add", {
        lineId,
        lotId: lot,
        sown: "2029-05-10",
        sowedSeeds: 9,
        plants: 8,
        family: 1,
      }).id;
      return compareView(garden.sky(), garden.code("stand", stand), { x: null, y: null, plants: [] })!.inheritance
        .making;
    };
    expect(seedOf(made.stand, parent, "Back")).toEqual({ kind: "backcross" });
    expect(seedOf(parent, made.stand, "Back again")).toEqual({ kind: "backcross" });
    expect(seedOf(made.stand, third, "Three ways")).toBeNull();
  });
});
