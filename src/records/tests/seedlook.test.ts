import { afterEach, beforeEach, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { genotypesView } from "@/views/genotypes";
import { lotPage } from "@/views/lot";
import { type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

/** Six peas selfed from a bought hybrid on 20 July, the yardstick of their seed leaves, and what shelling pods of one gives. */
function peas() {
  const { done } = garden;
  const line = { name: "Mill pea", species: "pea", school: "cross-and-fix", status: "f1-hybrid" };
  const lineId = done("line.add", line).id;
  const hybrid = done("stand.add", { lineId, sown: "2026-04-01", plants: 4 }).id;
  const seed = { standId: hybrid, kind: "open", gathered: "2026-07-20", seeds: 30 };
  const sown = { lineId, lotId: done("lot.save", seed).id, sown: "2027-04-01", sowedSeeds: 8 };
  const standId = done("stand.add", { ...sown, family: 1, plants: 6 }).id;
  const told = { lineId, name: "Seed leaf", kind: "category", categories: "yellow, green", wanted: "category" };
  const mark = done("yardstick.add", { ...told, targetWord: "green" }).id;
  const plants = garden.plants(standId);
  garden.on("2027-07-20");
  const shelled = (number: number | null, seeds: number, more: object = {}): Id => {
    const of = number === null ? {} : { plantIds: [plants[number - 1]] };
    return done("lot.save", { standId, ...of, kind: "self", gathered: "2027-07-20", seeds, ...more }).id;
  };
  const counts = (yellow: number, green: number) => [
    { word: "yellow", seeds: yellow },
    { word: "green", seeds: green },
  ];
  const count = (lotId: Id, yellow: number, green: number) =>
    done("seedlook.count", { lotId, yardstickId: mark, counts: counts(yellow, green) });
  const page = (lotId: Id) => lotPage(garden.sky(), garden.code("lot", lotId))!.seedWords;
  const carriers = () => {
    const view = genotypesView(garden.db, { standId, yardstickId: mark });
    if (view.kind !== "known") throw new Error(view.kind);
    return { ...view, of: (number: number) => view.plants.find((one) => one.number === number)!.loci[0]! };
  };
  return { lineId, standId, mark, plants, shelled, counts, count, page, carriers };
}

test("counted seeds divide by the usual ratios before they are sown; a count replaces the one before", () => {
  const { mark, shelled, count, page } = peas();
  const lot = shelled(3, 41);
  expect(page(lot)).toMatchObject({
    making: { kind: "selfed", times: 1 },
    marks: [{ id: mark, seen: [], ratios: null }],
  });
  count(lot, 4, 3);
  expect(page(lot)!.marks[0]!.ratios).toBe(null);
  const { entry, message } = count(lot, 30, 10);
  expect(message).toBe(`Seeds of lot ${garden.code("lot", lot)}: 30 yellow, 10 green`);
  const { seen, ratios } = page(lot)!.marks[0]!;
  // Jeffreys' range of 10 in 40, from the quantiles of Beta(10.5, 30.5).
  expect(seen.map(({ word, seeds }) => [word, seeds])).toEqual([
    ["yellow", 30],
    ["green", 10],
  ]);
  expect(seen[1]!.share.low).toBeCloseTo(0.15239, 5);
  expect(seen[1]!.share.high).toBeCloseTo(0.37349, 5);
  expect(ratios!.ratios.fits[0]).toMatchObject({ ratio: [3, 1], test: { chiSquare: 0 } });
  // A third of what shows yellow is pure; one green is had of eleven.
  expect(ratios!.hidden).toMatchObject({ shown: "yellow", hidden: "green", one: 11 });
  garden.undone(entry);
  expect(page(lot)!.marks[0]!.seen.map(({ seeds }) => seeds)).toEqual([4, 3]);
  count(lot, 0, 0);
  expect(page(lot)!.marks[0]!.seen).toEqual([]);
});

test("a pod tells what its mother carries, by a father that is known too", () => {
  const { lineId, mark, shelled, count, carriers, plants, standId } = peas();
  garden.done("locus.define", { yardstickId: mark, way: "dominant", words: ["yellow", "green"], error: 0 });
  const pod = shelled(3, 20);
  count(pod, 15, 5);
  count(shelled(1, 12), 12, 0);
  expect(carriers()).toMatchObject({ seen: 0, seeds: 32 });
  expect(carriers().of(3)[1]).toBeCloseTo(1, 9);
  // Of an F2 half carry both; a dozen selfed seeds without green leave ¾¹² of them.
  expect(carriers().of(1)[0]).toBeCloseTo(1 / (1 + 2 * 0.75 ** 12), 9);
  expect(carriers().of(2)[1]).toBeCloseTo(0.5, 9);
  // What grows of her pod knows it too.
  const grown = { lineId, lotId: pod, sown: "2028-04-01", sowedSeeds: 4, family: 1, plants: 3 };
  garden.on("2028-07-20");
  const next = genotypesView(garden.db, { standId: garden.done("stand.add", grown).id, yardstickId: mark });
  expect(next.kind === "known" && next.plants[0]!.loci[0]!.map((chance) => Number(chance.toFixed(9)))).toEqual([
    0.25, 0.5, 0.25,
  ]);
  garden.on("2027-07-20");
  const plan = { motherStandId: standId, motherPlantId: plants[4], fatherStandId: standId, fatherPlantId: plants[2] };
  const set = { setLow: 0.3, setHigh: 0.5, confidence: 0.9, fruitsWanted: 1 };
  const crossId = garden.done("cross.plan", { ...plan, ...set }).id;
  const { ids } = garden.done("flower.cover", { crossId, flowers: 1, on: "2027-06-10" });
  const all = (result: string, on: string) =>
    garden.done("flower.record", { crossId, on, results: ids.map((id) => ({ id, result })) });
  all("pollinated", "2027-06-11");
  all("set", "2027-06-20");
  count(garden.done("cross.harvest", { crossId, fruits: 1, seeds: 8 }).id, 4, 4);
  // Half of eight from a father that carries both: ¼ · ½⁸ if it is green itself, ½ · (¾ · ¼)⁴ if it carries both too.
  const [green, both] = [0.5 ** 8 / 4, (3 / 16) ** 4 / 2];
  expect(carriers().of(5)[0]).toBe(0);
  expect(carriers().of(5)[2]).toBeCloseTo(green / (green + both), 9);
});

test("seed of a whole stand says nothing of one plant, and seeds that can't be so are named by their lot", () => {
  const { mark, shelled, count, plants, standId } = peas();
  garden.done("locus.define", { yardstickId: mark, way: "dominant", words: ["yellow", "green"], error: 0 });
  count(shelled(null, 50, { kind: "open" }), 20, 30);
  const told = () => genotypesView(garden.db, { standId, yardstickId: mark });
  expect(told()).toMatchObject({ kind: "known", seeds: 0 });
  // What another plant's pod shows is no part of it.
  count(shelled(1, 8), 8, 0);
  const lot = shelled(2, 9);
  count(lot, 6, 3);
  garden.done("score.set", { plantId: plants[1], yardstickId: mark, value: "green" });
  expect(told()).toEqual({
    kind: "contradiction",
    plants: [{ code: garden.code("stand", standId), number: 2, shows: "green" }],
    lots: [{ code: garden.code("lot", lot), shows: "3 green, 6 yellow" }],
  });
});

test.each<[object, string, string]>([
  [{ counts: [{ word: "blue", seeds: 3 }] }, "counts", "“blue” is no word of Seed leaf"],
  [
    {
      counts: [
        { word: "yellow", seeds: 30 },
        { word: "green", seeds: 11 },
      ],
    },
    "counts",
    "41 seeds; lot",
  ],
  [{ counts: [] }, "counts", "at least"],
  [{ counts: [{ word: "yellow", seeds: 1.5 }] }, "counts.0.seeds", "whole"],
  [
    {
      counts: [
        { word: "yellow", seeds: 1 },
        { word: "yellow", seeds: 2 },
      ],
    },
    "counts.1",
    "duplicate",
  ],
  [{ lotId: "01900000-0000-7000-8000-000000000000" }, "lotId", "does not exist"],
])("a count of %j is refused beside %s", (more, field, words) => {
  const { mark, shelled, counts } = peas();
  const told = { lotId: shelled(3, 40), yardstickId: mark, counts: counts(1, 1), ...more };
  expect(garden.refused("seedlook.count", told).fields[field]).toContain(words);
});

test("seed whose coat is its mother's is not counted, nor by a yardstick of another line", () => {
  const { mark, counts, lineId } = peas();
  const line = { name: "Rust", species: "common-bean", school: "keep-pure", status: "open-pollinated" };
  const beans = garden.done("line.add", line).id;
  const sown = { lineId: beans, sown: "2027-05-01", plants: 6 };
  const standId = garden.done("stand.add", sown).id;
  garden.on("2027-09-20");
  const lotId = garden.done("lot.save", { standId, kind: "open", gathered: "2027-09-20", seeds: 40 }).id;
  const told = { lotId, yardstickId: mark, counts: counts(1, 1) };
  expect(garden.refused("seedlook.count", told).fields.lotId).toContain("shows nothing of its own");
  expect(lotPage(garden.sky(), garden.code("lot", lotId))!.seedWords).toBe(null);
  const others = garden.done("line.add", { ...line, name: "Late pea", species: "pea" }).id;
  const of = garden.done("stand.add", { ...sown, lineId: others }).id;
  const peaLot = garden.done("lot.save", { standId: of, kind: "open", gathered: "2027-09-20", seeds: 40 }).id;
  expect(garden.refused("seedlook.count", { ...told, lotId: peaLot }).fields.yardstickId).toContain("Late pea");
  expect(lineId).not.toBe(others);
});
