import { afterEach, beforeEach, describe, expect, test } from "vitest";
import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import { seeded } from "@/core/numbers/chance";
import { kinshipsOf } from "@/core/pedigree/pedigree";
import { kinView } from "@/views/kinship";
import { forebears, foundersInWords, individualOf } from "../line/pedigree";
import { type Plot, plot } from "./plot";

let garden: Plot;
beforeEach(() => {
  garden = plot();
  garden.on("2027-10-01");
});
afterEach(() => garden.close());

const line = (species: string, status = "open-pollinated") =>
  garden.done("line.add", { name: `${species} ${status}`, species, school: "cross-and-fix", status }).id!;
const sow = (lineId: Id, lotId: Id | null = null) =>
  garden.done("stand.add", { lineId, lotId, sown: "2027-05-01", sowedSeeds: 4, plants: 4 }).id!;
/** Of any two plants of a stand, and of one of them with itself. */
function kin(standId: Id): [between: number, itself: number] {
  const any = { standId, plantId: null };
  const of = kinshipsOf(forebears(garden.db, [any], "left"));
  return [of(individualOf(any), individualOf(any, true)), of(individualOf(any), individualOf(any))];
}

test.each<[string, string, [number, number]]>([
  // A pure line is one plant; children of two pure lines are full sibs, not inbred themselves.
  ["tomato", "open-pollinated", [1, 1]],
  ["tomato", "f1-hybrid", [0.5, 0.5]],
  ["squash", "f1-hybrid", [0.5, 0.5]],
  ["pepper", "open-pollinated", [0.25, 0.5]],
  ["carrot", "open-pollinated", [0.125, 0.5]],
  ["tomato", "mix", [0, 1]],
  ["carrot", "mix", [0, 0.5]],
])("plants of a received %s, %s, are as near as they are taken to be", (name, status, expected) => {
  expect(kin(sow(line(name === "squash" ? "pepo-squash" : name, status)))).toEqual(expected);
});

test("plants of a bought hybrid meet in two lines that are called after it", () => {
  const hybrid = line("tomato", "f1-hybrid");
  const [oneId, otherId] = [sow(hybrid), sow(hybrid)];
  const told = kinView(garden.db, { oneId, otherId, oneNumber: null, otherNumber: null });
  const through = "paths" in told ? told.paths.map((path) => path.through.join(", ")) : [];
  expect(through.some((path) => path.includes("mother of tomato f1-hybrid"))).toBe(true);
  expect(through.some((path) => path.includes("father of tomato f1-hybrid"))).toBe(true);
  expect(through.join()).not.toContain("a line");
});

test("an F1 whose parents are told is their child", () => {
  const [mother, father] = [line("tomato"), line("tomato", "breeding-line")];
  const told = line("tomato", "f1-hybrid");
  garden.db.prepare("UPDATE line SET motherLineId = ?, fatherLineId = ? WHERE id = ?").run(mother, father, told);
  const hybrid = sow(told);
  const parent = sow(mother);
  const of = kinshipsOf(
    forebears(
      garden.db,
      [
        { standId: hybrid, plantId: null },
        { standId: parent, plantId: null },
      ],
      "left",
    ),
  );
  expect(of(`stand ${hybrid}`, `stand ${parent}`)).toBe(0.5);
});

/** Open seed of a stand of four, or of one of its plants, grown on: two of the next stand, and one with itself. */
function grownOn(species: string, { status = "f1-hybrid", ofPlant = false, kind = "open", strangers = 0 }) {
  garden.on("2027-10-01");
  const lineId = line(species, status);
  const told = { lineId, sown: "2027-05-01", sowedSeeds: 4, plants: 4 };
  const standId = garden.done("stand.add", { ...told, family: 1 }).id;
  const plantIds = ofPlant ? garden.plants(standId).slice(0, 1) : [];
  const [lotId] = garden.done("lot.save", { standId, kind: "open", plantIds, gathered: "2027-09-20", seeds: 20 }).ids;
  if (kind === "intercross") {
    const rate = { setLow: 0.7, setHigh: 0.9, confidence: 0.5, fruitsWanted: 2 };
    garden.on("2027-07-09");
    const crossId = garden.done("cross.plan", { motherStandId: standId, fatherStandId: standId, ...rate }).id;
    garden.db.prepare("UPDATE lot SET kind = ?, crossId = ? WHERE id = ?").run(kind, crossId, lotId);
  }
  garden.on("2028-06-01");
  const next = garden.done("stand.add", { ...told, lotId, sown: "2028-05-01" }).id;
  const any = { standId: next, plantId: null };
  const of = kinshipsOf(forebears(garden.db, [any], { fathers: () => ({ own: 1 - strangers, kin: {} }) }));
  return [of(individualOf(any), individualOf(any, true)), of(individualOf(any), individualOf(any))];
}

test("open seed of what selfs is selfed, whatever stood beside it", () => {
  // Selfed of a plant that is not inbred: F ½, itself ¾, and its sisters as near as half of that.
  expect(grownOn("tomato", { ofPlant: true })[1]).toBe(0.75);
});

/** Kinship of two draws from four half sibs of a received line: the same one in a quarter, with itself ½; else ⅛. */
const STAND = (1 / 4) * (1 / 2) + (3 / 4) * (1 / 8);
const { outcrossing } = speciesById("carrot");
const SELFED = 1 - (outcrossing.low + outcrossing.high) / 2;

// Kinship of the mothers of two seeds, of a mother and a draw from the stand, and of two draws.
test.each<[string, Parameters<typeof grownOn>[1], [number, number, number], { selfed?: number; strangers?: number }]>([
  ["of the whole stand", {}, [STAND, STAND, STAND], {}],
  ["with strangers", { strangers: 0.25 }, [STAND, STAND, STAND], { strangers: 0.25 }],
  // Of one plant: with itself ½, with another of the stand ⅛.
  ["of one plant", { ofPlant: true }, [1 / 2, 1 / 8, STAND], {}],
  // By hand nothing is selfed, and nobody's strangers come to it.
  ["by hand", { kind: "intercross", strangers: 0.5 }, [STAND, STAND, STAND], { selfed: 0 }],
])("seed of carrots that crossed among themselves, %s", (_, how, [mm, mf, ff], { selfed = SELFED, strangers = 0 }) => {
  const [between, itself] = grownOn("carrot", { status: "open-pollinated", ...how });
  const crossed = (1 - selfed) * (1 - strangers);
  const ofFathers = selfed ** 2 * mm + 2 * selfed * crossed * mf + crossed ** 2 * ff;
  expect(between).toBeCloseTo((mm + 2 * (selfed * mm + crossed * mf) + ofFathers) / 4, 12);
  // What the mother set by herself is inbred by half, the rest as its parents are kin.
  expect(itself).toBeCloseTo((1 + selfed / 2 + crossed * mf) / 2, 12);
});

describe("seed of one or another", () => {
  /** F2 seed of a bought tomato, and F3 seed of one plant of it. */
  function twoLots() {
    const lineId = line("tomato", "f1-hybrid");
    const told = { lineId, sowedSeeds: 4, family: 1, plants: 4 };
    const saved = { kind: "open", gathered: "2027-09-20", seeds: 20 };
    const hybrid = garden.done("stand.add", { ...told, sown: "2027-05-01" }).id;
    const f2 = garden.done("lot.save", { ...saved, standId: hybrid }).id;
    garden.on("2028-10-01");
    const second = garden.done("stand.add", { ...told, lotId: f2, sown: "2028-05-01" }).id;
    const [mother, other] = garden.plants(second) as [Id, Id];
    const of = { ...saved, standId: second, gathered: "2028-09-20" };
    const [f3, f3b] = [mother, other].map((plantId) => garden.done("lot.save", { ...of, plantIds: [plantId] }).id) as [
      Id,
      Id,
    ];
    const grown = (lotId: Id) => garden.done("stand.add", { ...told, lotId, sown: "2028-09-30" }).id;
    return { lineId, second, mother, other, f2, f3, f3b, grown };
  }

  test("put together in shares: a plant of it is of any of them, as inbred as they are on the mean", () => {
    const { f2, f3, grown } = twoLots();
    const lots = [f2, f3].map((lotId) => ({ lotId, seeds: 10 }));
    const bulk = garden.done("lot.bulk", { lots }).id;
    garden.db.prepare("UPDATE part SET share = iif(fromId = ?, 0.3, 0.7) WHERE lotId = ?").run(f2, bulk);
    const [between, itself] = kin(grown(bulk));
    expect(itself).toBeCloseTo(0.3 * 0.75 + 0.7 * 0.875, 12);
    // Of the F2 both ½; an F2 and an F3 plant ½, as the mother of the one is of the other's seed; two sisters of the F3 ¾.
    expect(between).toBeCloseTo(0.3 ** 2 * 0.5 + 2 * 0.3 * 0.7 * 0.5 + 0.7 ** 2 * 0.75, 12);
  });

  test("of one of two mothers, nobody knows which", () => {
    const { second, mother, other, f3, grown } = twoLots();
    garden.db.prepare("UPDATE lot SET motherStandId = NULL, motherPlantId = NULL WHERE id = ?").run(f3);
    const candidates = [mother, other].map((plantId, i) => ({ standId: second, plantId, share: i ? 0.25 : 0.75 }));
    garden.done("candidate.set", { of: "lot", id: f3, role: "mother", candidates });
    const [between, itself] = kin(grown(f3));
    expect(itself).toBeCloseTo(0.875, 12);
    // Of one mother ¾, of two sisters ½.
    expect(between).toBeCloseTo((0.75 ** 2 + 0.25 ** 2) * 0.75 + 2 * 0.75 * 0.25 * 0.5, 12);
  });
});

test("where nobody counted the plants, nothing is said of open pollen", () => {
  const lineId = line("carrot");
  const standId = garden.done("stand.add", { lineId, sown: "2027-05-01", sowedSeeds: 4 }).id;
  const lotId = garden.done("lot.save", { standId, kind: "open", gathered: "2027-09-20", seeds: 20 }).id;
  garden.on("2028-06-01");
  const next = garden.done("stand.add", { lineId, lotId, sown: "2028-05-01", sowedSeeds: 4 }).id;
  const any = { standId: next, plantId: null };
  const of = kinshipsOf(forebears(garden.db, [any], { fathers: () => ({ own: 1, kin: {} }) }));
  expect(of(individualOf(any), individualOf(any))).toBe(0.5);
});

test("what is taken for granted is said", () => {
  expect(foundersInWords("tomato", "f1-hybrid")).toContain("full sibs of two pure lines");
  expect(foundersInWords("tomato", "breeding-line")).toContain("one pure line");
  expect(foundersInWords("tomato", "mix")).toContain("not related, each a pure line");
  expect(foundersInWords("carrot", "mix")).toMatch(/not related$/);
  expect(foundersInWords("pepper", "open-pollinated")).toContain("full sibs");
  expect(foundersInWords("carrot", "wild")).toContain("half sibs");
});

test("whoever names an F1 of a kind that is often male-sterile is told so", () => {
  const add = (species: string, school: string) =>
    garden.done("line.add", { name: `${species} ${school}`, species, school, status: "f1-hybrid" }).warnings;
  expect(add("onion", "cross-and-fix")).toEqual([expect.stringContaining("often male-sterile")]);
  expect(add("onion", "keep-pure")).toHaveLength(2);
  expect(add("tomato", "cross-and-fix")).toEqual([]);
});

test("seed of several mothers of one stand that is put together knows them still", () => {
  const lineId = line("carrot", "open-pollinated");
  garden.on("2030-05-01");
  const told = { lineId, sown: "2030-05-01", sowedSeeds: 12, plants: 12, family: 1 };
  const standId = garden.done("stand.add", told).id;
  garden.on("2030-09-20");
  const saved = { standId, kind: "open", gathered: "2030-09-20", seeds: 60 };
  const lots = garden
    .plants(standId)
    .slice(0, 3)
    .map((plantId) => garden.done("lot.save", { ...saved, plantIds: [plantId] }).ids[0]!);
  const bulk = garden.done("lot.bulk", { lots: lots.map((lotId) => ({ lotId, seeds: 20 })) }).id;
  garden.on("2031-05-01");
  const sown = (lotId: Id) =>
    garden.done("stand.add", { lineId, lotId, sown: "2031-05-01", sowedSeeds: 4, plants: 4, family: 1 }).id;
  const plants = [...lots, bulk].map((lotId) => {
    const id = sown(lotId);
    return garden
      .plants(id)
      .slice(0, 2)
      .map((plantId) => ({ standId: id, plantId }));
  });
  const of = kinshipsOf(forebears(garden.db, plants.flat(), { fathers: () => ({ own: 1, kin: {} }) }));
  const between = (a: number, b: number) =>
    of(individualOf(plants[a]![0]!), individualOf(plants[b]![a === b ? 1 : 0]!));
  // Two seeds are of one mother in a third of cases: as two plants of one row; else as plants of two rows.
  const [own, other] = [between(0, 0), (between(0, 1) + between(0, 2) + between(1, 2)) / 3];
  expect(between(3, 3)).toBeCloseTo(own / 3 + (2 * other) / 3, 9);
  expect(between(3, 3)).toBeGreaterThan(other + 0.02);
});

describe("ten rows of six in one block, each sown from the seed of one plant of the row before", () => {
  const ROWS = 10;
  const EACH = 6;
  /** The records of three generations, every row's pollen shared by all ten. */
  function block() {
    const lineId = line("carrot", "open-pollinated");
    const seasons: Id[][] = [];
    let lots: (Id | null)[] = new Array<Id | null>(ROWS).fill(null);
    for (let generation = 0; generation < 4; generation++) {
      garden.on(`${2030 + generation}-05-01`);
      const told = { lineId, sown: `${2030 + generation}-05-01`, sowedSeeds: EACH, plants: EACH, family: 1 };
      const rows = lots.map((lotId) => garden.done("stand.add", { ...told, ...(lotId ? { lotId } : {}) }).id);
      seasons.push(rows);
      garden.on(`${2030 + generation}-09-20`);
      lots = rows.map(
        (standId) =>
          garden.done("lot.save", {
            standId,
            kind: "open",
            plantIds: [garden.plants(standId)[0]],
            gathered: `${2030 + generation}-09-20`,
            seeds: 60,
          }).ids[0]!,
      );
    }
    const all = (id: Id) => seasons.find((rows) => rows.includes(id))!;
    const fathers = ({ id }: { id: Id }) => ({
      own: 1 / ROWS,
      kin: Object.fromEntries(all(id).flatMap((other) => (other === id ? [] : [[other, 1 / ROWS]]))),
    });
    return { seasons, fathers };
  }

  test("inbreeding and kinship between rows are those of genes dropped through all sixty", () => {
    const { seasons, fathers } = block();
    // Genes dropped by themselves: ten mothers a generation, fathers any other of sixty, or the mother as often as carrots self.
    const random = seeded(8);
    const drops = 3000;
    const dropped = seasons.slice(1).map(() => ({ inbred: 0, between: 0 }));
    for (let d = 0; d < drops; d++) {
      let next = 0;
      // Received half sibs of one plant: each has one of its two genes, and one of its own.
      let plants: (readonly [number, number])[] = Array.from({ length: ROWS * EACH }, () => [
        random() < 0.5 ? -1 : -2,
        next++,
      ]);
      const either = (pair: readonly [number, number]) => pair[random() < 0.5 ? 0 : 1];
      for (const found of dropped) {
        const before = plants;
        plants = Array.from({ length: ROWS * EACH }, (_, i) => {
          const own = Math.floor(i / EACH) * EACH;
          const other = Math.floor(random() * (before.length - 1));
          const mother = before[own]!;
          const father = random() < SELFED ? mother : before[other >= own ? other + 1 : other]!;
          return [either(mother), either(father)] as const;
        });
        found.inbred += plants.filter(([a, b]) => a === b).length / plants.length / drops;
        let same = 0;
        for (let k = 0; k < 60; k++) {
          const [one, other] = [Math.floor(random() * ROWS), Math.floor(random() * (ROWS - 1))];
          const second = other >= one ? other + 1 : other;
          const of = (row: number) => either(plants[row * EACH + Math.floor(random() * EACH)]!);
          same += Number(of(one) === of(second)) / 60;
        }
        found.between += same / drops;
      }
    }
    for (const [g, rows] of seasons.slice(1).entries()) {
      const some = rows.slice(0, 3).map((standId) => ({ standId, plantId: garden.plants(standId)[1]! }));
      const of = kinshipsOf(forebears(garden.db, some, { fathers }));
      const [a, b] = some.map((one) => individualOf(one)) as [string, string];
      expect(Math.abs(2 * of(a, a) - 1 - dropped[g]!.inbred)).toBeLessThan(0.01);
      expect(Math.abs(of(a, b) - dropped[g]!.between)).toBeLessThan(0.01);
    }
  });
});
