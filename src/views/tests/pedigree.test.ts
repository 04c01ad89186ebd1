import { afterEach, beforeEach, describe, expect, test } from "vitest";
import type { Id } from "@/core/custody/id";
import { family, type Plot, plot, twoMelons } from "@/records/tests/plot";
import { descendedView } from "../descended";
import { kinView } from "../kinship";
import { pedigreeView } from "../pedigree";
import { pedigreeFile } from "../pedigreeFile";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

const shown = (of: Parameters<typeof pedigreeView>[1], whole = false) => {
  const view = pedigreeView(garden.sky(), of, whole);
  return {
    ...view,
    words: view.nodes.map(({ kind, title, under }) => `${kind}: ${title}; ${under}`),
    ways: view.links.map(({ role, how, label }) => `${role} ${how} ${label}`.trim()),
  };
};

/** A cross with its F1 family, and a lot selfed from one of its plants. */
function twoGenerations() {
  const made = family(garden);
  garden.on("2028-09-01");
  const saved = garden.done("lot.save", {
    standId: made.stand,
    plantIds: [made.plants[2]],
    kind: "self",
    gathered: "2028-09-01",
    seeds: 50,
  }).id;
  garden.on("2029-05-10");
  const sown = { lineId: made.lineId, bedId: 1, sown: "2029-05-10", family: 1 };
  const second = garden.done("stand.add", { ...sown, lotId: saved, sowedSeeds: 12, plants: 6 }).id;
  return { ...made, saved, second };
}

describe("where something comes from", () => {
  test("a line down from its two parents, with how inbred each is", () => {
    const { lineId, second } = twoGenerations();
    const { words, ways, nodes, folded } = shown({ lineId });
    expect(words).toEqual([
      "family: F1 2028; 5 plants, F 0.00",
      "family: F2 2029, of 3; 6 plants, F 0.50",
      "line: Ashlar Gold; received",
      "line: Nettle Moon; received",
    ]);
    expect(ways).toEqual(["mother sure", "father sure", "both sure plant 3"]);
    expect(folded).toBe(0);
    // Parents stand above their children.
    const [f1, f2, mother] = nodes;
    expect(mother!.y < f1!.y && f1!.y < f2!.y).toBe(true);
    expect(shown({ standId: second }).words).toHaveLength(4);
  });

  test("seed that was not sown yet, a lot by itself, and what a code names", () => {
    const { saved, second, lineId } = twoGenerations();
    garden.on("2029-09-01");
    const [plant] = garden.plants(second);
    const next = garden.done("lot.save", {
      standId: second,
      plantIds: [plant],
      kind: "self",
      gathered: "2029-09-01",
      seeds: 9,
    }).id;
    expect(shown({ lineId }).words[0]).toBe(`lot: Seed 2029, of 1; ${garden.code("lot", next)}, F3`);
    expect(shown({ lotId: saved }).words.map((one) => one.split(";")[0])).toEqual([
      "lot: Seed 2028, of 3",
      "family: F1 2028",
      "line: Ashlar Gold",
      "line: Nettle Moon",
    ]);
    const code = garden.code("lot", saved);
    expect(descendedView(garden.sky(), code, false)).toMatchObject({
      name: "Lantern F2",
      notation: "Ashlar Gold/Nettle Moon",
    });
    expect(descendedView(garden.sky(), garden.code("line", lineId), false)!.pedigree.nodes).toHaveLength(5);
    expect(descendedView(garden.sky(), "K99-001-X", false)).toBe(null);
  });

  test("open seed of what crosses is dashed, of what selfs it is not; two who may have been the mother are not sure", () => {
    for (const [species, how] of [
      ["carrot", "open"],
      ["lettuce", "sure"],
    ] as const) {
      garden.on("2027-04-01");
      const lineId = garden.done("line.add", {
        name: species,
        species,
        school: "keep-pure",
        status: "open-pollinated",
      }).id;
      const stand = garden.done("stand.add", { lineId, bedId: 1, sown: "2027-04-01", plants: 9 }).id;
      garden.on("2027-08-30");
      const lotId = garden.done("lot.save", { standId: stand, kind: "open", gathered: "2027-08-30", seeds: 900 }).id;
      garden.on("2028-04-01");
      garden.done("stand.add", { lineId, lotId, bedId: 1, sown: "2028-04-01", sowedSeeds: 40, plants: 12 });
      expect(shown({ lineId }).ways).toEqual([`both ${how} open`]);
    }
  });

  test("fathers whose pollen was mixed are each drawn with their share", () => {
    const { mother, plan } = twoMelons(garden);
    const moreFathers = [{ standId: mother }];
    const crossId = garden.done("cross.plan", { ...plan, moreFathers }).id;
    const { ids } = garden.done("flower.cover", { crossId, flowers: 1, on: "2027-07-01" });
    const results = (result: string) => ids.map((id) => ({ id, result }));
    garden.done("flower.record", { crossId, on: "2027-07-02", males: 1, results: results("pollinated") });
    garden.done("flower.record", { crossId, on: "2027-07-09", results: results("set") });
    garden.on("2027-08-25");
    const lotId = garden.done("cross.harvest", { crossId, fruits: 1, seeds: 40 }).id;
    expect(shown({ lotId }).ways).toEqual(["mother sure", "father maybe 5 in 10", "father maybe 5 in 10"]);
    garden.db.prepare("UPDATE candidate SET share = iif(rowid = (SELECT min(rowid) FROM candidate), 0.66, 0.34)").run();
    expect(shown({ lotId }).ways).toEqual(["mother sure", "father maybe 7 in 10", "father maybe 3 in 10"]);
  });

  test("a line of which no plant is on record, from the lines it was crossed from", () => {
    const text = "Late = Ashlar/Nettle//Moon";
    garden.done("line.pedigree", { species: "melon", text });
    const lineId = garden.db.prepare("SELECT id FROM line WHERE name = 'Late'").pluck().get() as Id;
    const { words, ways } = shown({ lineId });
    expect(words).toEqual([
      "line: Late; no plants on record",
      "line: Ashlar/Nettle; no plants on record",
      "line: Moon; no plants on record",
      "line: Ashlar; no plants on record",
      "line: Nettle; no plants on record",
    ]);
    expect(ways).toEqual(["mother sure", "father sure", "mother sure", "father sure"]);
    expect(
      shown({ lineId: garden.db.prepare("SELECT id FROM line WHERE name = 'Moon'").pluck().get() as Id }).nodes,
    ).toHaveLength(1);
  });

  test("many sisters are one, unless all are asked for", () => {
    const { lineId, stand, plants } = twoGenerations();
    garden.on("2029-05-11");
    for (const plant of plants.slice(0, 2).concat(plants.slice(3))) {
      const lotId = garden.done("lot.save", {
        standId: stand,
        plantIds: [plant],
        kind: "self",
        gathered: "2028-09-02",
        seeds: 20,
      }).id;
      garden.done("stand.add", { lineId, lotId, bedId: 1, sown: "2029-05-11", sowedSeeds: 5, family: 1, plants: 3 });
    }
    const { words, folded } = shown({ lineId });
    expect(words[1]).toBe("folded: F2 2029; 5 families");
    expect(folded).toBe(4);
    expect(shown({ lineId }, true).nodes).toHaveLength(8);
  });
});

describe("how two are kin", () => {
  test("by whom, in words, and as a file", () => {
    const { stand, second, mother } = twoGenerations();
    const told = (oneId: Id, otherId: Id, oneNumber: number | null = null, otherNumber: number | null = null) =>
      kinView(garden.db, { oneId, otherId, oneNumber, otherNumber });
    const kin = (...of: Parameters<typeof told>) => {
      const found = told(...of);
      if ("unknown" in found) throw new Error(found.unknown);
      return found;
    };
    // An F1 plant and the selfed offspring of its sister: of each of two parents' plants an eighth.
    expect(kin(stand, second).paths.map(({ through, share }) => `${share} ${through.join(" – ")}`)).toEqual([
      "0.125 F1 2028 – Ashlar Gold 2027 – F1 2028 plant 3 – F2 2029",
      "0.125 F1 2028 – Nettle Moon 2027 – F1 2028 plant 3 – F2 2029",
    ]);
    expect(kin(stand, second).kinship).toBeCloseTo(0.25, 10);
    // Its own parent: half of what is selfed from a plant that is not inbred is twice the same.
    expect(kin(stand, second, 3).kinship).toBeCloseTo(0.5, 10);
    expect(kin(second, stand, null, 3).paths.map(({ share, through }) => [share, through.length])).toEqual([[0.5, 2]]);
    expect(kin(stand, second, 2).kinship).toBeCloseTo(0.25, 10);
    // Two plants of one family, and any two of it; one of them and any other.
    expect([kin(stand, stand, 1, 2), kin(stand, stand), kin(stand, stand, 1)].map(({ kinship }) => kinship)).toEqual([
      0.25, 0.25, 0.25,
    ]);
    expect(told(stand, stand, 2, 2)).toEqual({ unknown: "That is one plant, 2." });
    expect(told(stand, second, 99)).toEqual({ unknown: `There is no plant 99 in ${garden.code("stand", stand)}.` });
    // A parent's plant and its grandchild, two ways: by itself ¼, and by what the parent's plants have of one line.
    expect(kin(mother, second).kinship).toBeCloseTo(kin(second, mother).kinship, 12);
    const csv = pedigreeFile(garden.sky(), garden.code("stand", second))!;
    expect(csv.replace("\uFEFF", "").trim().split("\r\n").at(-1)).toBe(
      `"${garden.code("stand", second)}, another",${garden.code("stand", stand)} plant 3,${garden.code("stand", stand)} plant 3,0.5`,
    );
    expect(pedigreeFile(garden.sky(), "K99-001-X")).toBe(null);
  });
});
