import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { NOTHING_ASKED } from "@/core/lists/listed";
import { family, type Plot, plot } from "@/records/tests/plot";
import { cardView } from "../card";
import { compareView } from "../compare";
import { crossView } from "../crosses";
import { speciesView } from "../guide";
import { lotPage } from "../lot";
import { matingOf } from "../mating";
import { nurseryView } from "../nursery";
import { tastingView } from "../tasting";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const ownLine = () => garden.line("Own", "lettuce");

describe("what is told of a garden, and no more", () => {
  test("a cross offers the plants of its mother that stand", () => {
    const { stand, plants } = family(garden);
    garden.on("2028-07-10");
    const how = { standId: stand, plantIds: [plants[0]], how: "self", fruitsEach: 1 };
    const [crossId] = garden.done("cross.next-generation", how).ids;
    garden.done("plant.remove", { ids: [plants[3]], reason: "sick" });
    const view = crossView(garden.sky(), garden.code("cross", crossId!))!;
    expect(view.plants.map(({ number }) => number)).toEqual([1, 2, 3, 5]);
  });

  test("pairs stand from the least inbred on", () => {
    const { stand, plants, lineId } = family(garden);
    garden.on("2028-09-01");
    const saved = { standId: stand, plantIds: [plants[0]], kind: "self", gathered: "2028-09-01", seeds: 20 };
    const lotId = garden.done("lot.save", saved).id;
    garden.on("2029-05-10");
    const sown = { lineId, lotId, bedId: 1, sown: "2029-05-10", sowedSeeds: 8, family: 1, plants: 3 };
    const selfed = garden.plants(garden.done("stand.add", sown).id);
    const parents = [...selfed, ...plants.slice(1, 3)].map((plantId) => ({ plantId, share: 0.2 }));
    const { pairs, inbreeding, selfed: alone } = matingOf(garden.db, { parents, crosses: 5 });
    const each = pairs.map((pair) => pair.inbreeding);
    expect(each).toEqual([...each].sort((a, b) => a - b));
    expect(each[0]).toBeLessThan(each.at(-1)!);
    expect(inbreeding).toBeLessThan(alone);
  });

  test("a species' band shows what grows of it alone", () => {
    family(garden);
    garden.on("2028-06-01");
    const bean = garden.done("line.add", {
      name: "Own bean",
      species: "common-bean",
      school: "keep-pure",
      status: "open-pollinated",
    }).id;
    garden.done("stand.add", { lineId: bean, bedId: 2, sown: "2028-05-20", plants: 9 });
    const rows = (id: string) => JSON.stringify(speciesView(garden.sky(), id)!.band);
    expect(rows("melon")).not.toContain("Own bean");
    expect(rows("common-bean")).toContain("Own bean");
    expect(rows("common-bean")).not.toContain("Lantern");
  });

  test("families are found by their lot's code and their bed; by anything else they are not", () => {
    const { stand, lot } = family(garden);
    const found = (words: string) =>
      nurseryView(garden.sky(), { ...NOTHING_ASKED, words }).list.items.map(({ code }) => code);
    const code = garden.code("stand", stand);
    for (const words of [code, garden.code("lot", lot), "Lantern F1", "2028"])
      expect(found(words), words).toEqual([code]);
    expect(found("undefined")).toEqual([]);
    expect(found("null")).toEqual([]);
  });

  test("a tasting offers the family's plants, and of its sisters those that are kept, of no other family", () => {
    const { stand, lineId, lot, plants } = family(garden);
    garden.on("2028-05-12");
    const sown = { bedId: 2, sown: "2028-05-12", sowedSeeds: 6, family: 1, plants: 3 };
    const sister = garden.plants(garden.done("stand.add", { ...sown, lineId, lotId: lot }).id);
    const other = garden.done("line.add", { name: "Else", species: "melon", school: "keep-pure", status: "mix" }).id;
    const stranger = garden.plants(garden.done("stand.add", { ...sown, lineId: other }).id);
    garden.done("plant.mark", { id: sister[1], mark: "keep", reason: "fine" });
    garden.done("plant.mark", { id: stranger[0], mark: "keep", reason: "fine" });
    garden.on("2028-08-20");
    const offered = tastingView(garden.sky(), garden.code("stand", stand), { of: null, taster: null })!.plants.map(
      ({ id }) => id,
    );
    expect(offered).toEqual([...plants, sister[1]]);
  });
});

describe("what is held against what", () => {
  test("emergence against other seed that was sown within a week of it", () => {
    garden.on("2027-03-01");
    const lineId = ownLine();
    const sow = (sown: string, cameUp: number) => {
      garden.on("2027-03-01");
      const lotId = garden.done("lot.receive", { lineId, gathered: "2027-02-01", seeds: 90 }).id;
      garden.on(sown);
      const stand = garden.done("stand.add", { lineId, lotId, bedId: 1, sown, sowedSeeds: 50 }).id;
      const counts = { sown, sowedSeeds: 50, flowers: "open", seedWanted: 1, bedId: 1 };
      garden.done("stand.change", { id: stand, version: 1, ...counts, cameUp });
      return { code: garden.code("lot", lotId), stand: garden.code("stand", stand) };
    };
    const [own, near] = [sow("2027-04-02", 40), sow("2027-04-09", 20)];
    sow("2027-04-10", 30);
    garden.on("2027-06-01");
    const [told] = lotPage(garden.sky(), own.code)!.emergence;
    expect(told).toMatchObject({ seeds: 50, up: 40 });
    expect(told!.beside.map(({ code, share }) => [code, share])).toEqual([[near.stand, 0.4]]);
    expect(told!.beside[0]!.better).toBeGreaterThan(0.99);
  });

  test("ends of a row are its two ends, and what stands last", () => {
    const { lineId, lot } = family(garden);
    const sown = { sown: "2028-05-10", sowedSeeds: 20, family: 1, plants: 12, rowCount: 3 };
    const stand = garden.done("stand.add", { lineId, lotId: lot, bedId: 2, ...sown }).id;
    garden.on("2028-07-01");
    const mark = garden.done("yardstick.add", { lineId, name: "Mass", kind: "number", unit: "g", wanted: "high" }).id;
    const plants = garden.plants(stand);
    for (const [i, plantId] of plants.entries())
      garden.done("score.set", { plantId, yardstickId: mark, value: String(100 + (i % 3)) });
    // Rows of four: 1 and 4, 5 and 8, 9 and 12 stand at ends; those are kept.
    for (const n of [0, 3, 4, 7, 8, 11]) garden.done("plant.mark", { id: plants[n], mark: "keep", reason: "edge" });
    const { leanings } = compareView(garden.sky(), garden.code("stand", stand), { x: null, y: null, plants: [] })!;
    const edge = leanings.list.find(({ name }) => name === "end of a row")!;
    expect(edge).toMatchObject({ chosen: 1, all: 0.5 });
  });
});

test("a card says what was taken out, who may be the mother, and shares as whole hundredths", () => {
  garden.on("2027-05-08");
  const lineId = ownLine();
  const stand = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-05-08", family: 1, plants: 6 }).id;
  garden.on("2027-08-20");
  const lotId = garden.done("lot.save", { standId: stand, kind: "open", gathered: "2027-08-20", seeds: 100 }).id;
  const card = () => cardView(garden.sky(), garden.code("lot", lotId))!;
  expect(card()).toContain("no plant was taken out");
  expect(card()).toMatch(/of 100 in 2027 \(\d+ to \d+\), by an estimate/);
  expect(card()).toContain("none that was known of flowered with it");
  garden.done("plant.remove", { ids: [garden.plants(stand)[0]], reason: "bolted", on: "2027-05-20" });
  garden.done("candidate.set", {
    of: "lot",
    id: lotId,
    role: "mother",
    candidates: [{ standId: stand, share: 0.667 }, { share: 0.333 }],
  });
  expect(card()).toContain("1 plants taken out");
  expect(card()).not.toContain("after first flower");
  expect(card()).toContain("mother Own 67 %, mother a stranger 33 %");
});
