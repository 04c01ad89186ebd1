import { addDays } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { rankPlants } from "@/core/selection/ranking";
import { type Genome, offspring, pure, recessive, shown, type Trait } from "./genetics";
import type { Beds } from "./ground";
import type { Grower } from "./season";

// Forty genes. The parents differ in most; each holds some good ones, so that offspring can pass both.
const range = (from: number, to: number) => Array.from({ length: to - from }, (_, i) => from + i);
const RIPE: Trait = { loci: range(0, 12), atZero: 82, atOne: 130, noise: 3 };
const MASS: Trait = { loci: range(12, 22), atZero: 0.2, atOne: 1.95, noise: 0.09 };
const FLAVOUR: Trait = { loci: range(22, 31), atZero: 1.5, atOne: 9.2, noise: 0.7 };
const VINE: Trait = { loci: range(31, 39), atZero: 9, atOne: 1.5, noise: 0.7 };
const ORANGE = 39;
const GENES = 40;

const genome = (ones: number[]) => pure(range(0, GENES).map((i) => (ones.includes(i) ? 1 : 0)));
/** Late, large, fine, sprawling, orange. */
const ASHLAR = genome([...range(0, 10), ...range(12, 20), ...range(22, 29), ...range(31, 37), ORANGE]);
/** Early, small, bland, compact, white. */
const NETTLE = genome([10, 20, 29, 37]);

type Family = { stand: Id; plants: { id: Id; number: number; genome: Genome }[] };
type Yardsticks = { ripe: Id; mass: Id; flavour: Id; flesh: Id; vine: Id };

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** Lantern melon: a cross in 2021, F1 in 2022, to F5 in 2027 after a lost season. */
export class Melon {
  readonly ashlar: Id;
  readonly nettle: Id;
  lantern: Id = "";
  marks!: Yardsticks;

  constructor(
    readonly grower: Grower,
    readonly beds: Beds,
  ) {
    grower.on("2021-01-12");
    const line = (name: string, description: string) =>
      grower.record("line.add", {
        name,
        species: "melon",
        school: "keep-pure",
        status: "open-pollinated",
        origin: "seed swap in the valley",
        year: 2020,
        description,
      }).id;
    this.ashlar = line("Ashlar Gold", "Netted, late, orange flesh, fine flavour. Rarely ripe here before September.");
    this.nettle = line("Nettle Moon", "Small, white-fleshed, bland, but ripe before anything else. Compact vines.");
  }

  private lot(lineId: Id, day: string): Id {
    this.grower.on(day);
    return this.grower.record("lot.receive", { lineId, gathered: day, seeds: 260, note: "from the swap" }).id;
  }

  /** Scores a family on all yardsticks, as plants of these genes show them. */
  private score(family: Family, day: string): void {
    const { grower, marks } = this;
    grower.on(day);
    for (const { id, genome: genes } of family.plants) {
      grower.score(id, marks.ripe, Math.round(shown(genes, RIPE, grower.luck)));
      grower.score(id, marks.mass, Math.max(0.15, shown(genes, MASS, grower.luck)).toFixed(2));
      grower.score(id, marks.flavour, Math.round(clamp(shown(genes, FLAVOUR, grower.luck), 1, 9)));
      grower.score(
        id,
        marks.flesh,
        recessive(genes, ORANGE) ? "orange" : genes.one[ORANGE]! + genes.two[ORANGE]! ? "pale" : "white",
      );
    }
  }

  private scoreVines(family: Family, day: string): void {
    this.grower.on(day);
    for (const { id, genome: genes } of family.plants)
      this.grower.score(id, this.marks.vine, Math.round(clamp(shown(genes, VINE, this.grower.luck), 1, 9)));
  }

  private grow(lineId: Id, lot: Id, bed: string, sown: string, plants: number, make: () => Genome, up = 0.85): Family {
    const cameUp = Math.max(plants, Math.round((plants / 0.8) * up));
    const { stand, plants: ids } = this.grower.family(
      lineId,
      lot,
      this.beds[bed]!,
      sown,
      Math.ceil(plants / 0.75),
      cameUp,
      plants,
    );
    return { stand, plants: ids.map((id, i) => ({ id, number: i + 1, genome: make() })) };
  }

  private firstFlower(families: Family[], day: string): void {
    this.grower.on(day);
    for (const { stand } of families) this.grower.record("stand.first-flower", { id: stand, firstFlower: day });
  }

  /** The parents again each season, four plants of each, as something to measure by. */
  private parents(season: number, lots: { ashlar: Id; nettle: Id }): Family[] {
    const sown = `${season}-05-04`;
    const both = [
      this.grow(this.ashlar, lots.ashlar, "H", sown, 4, () => ASHLAR),
      this.grow(this.nettle, lots.nettle, "H", sown, 4, () => NETTLE),
    ];
    for (const { stand } of both) this.grower.change(stand, { seedWanted: 0 });
    this.firstFlower(both.slice(0, 1), `${season}-07-09`);
    this.firstFlower(both.slice(1), `${season}-07-01`);
    for (const family of both) {
      this.scoreVines(family, `${season}-07-20`);
      this.score(family, `${season}-09-20`);
    }
    return both;
  }

  private yardsticks(): void {
    const add = (input: object) => this.grower.record("yardstick.add", { lineId: this.lantern, ...input }).id;
    this.marks = {
      ripe: add({ name: "First ripe fruit", kind: "date", wanted: "target", target: 98, weight: 3 }),
      mass: add({ name: "Fruit mass", kind: "number", unit: "kg", wanted: "target", target: 1, weight: 2 }),
      flavour: add({
        name: "Flavour",
        kind: "scale",
        lowEnd: "water",
        highEnd: "as Ashlar Gold at its best",
        wanted: "high",
        weight: 3,
      }),
      flesh: add({
        name: "Flesh",
        kind: "category",
        categories: "orange, pale, white",
        wanted: "category",
        targetWord: "orange",
        weight: 2,
      }),
      vine: add({
        name: "Compact vine",
        kind: "scale",
        lowEnd: "over 3 m, sprawling",
        highEnd: "under 1 m",
        wanted: "high",
        weight: 1,
      }),
    };
  }

  /** The best plants of some families by the application's own ranking. */
  private best(
    families: Family[],
    count: number,
    perFamily: number,
  ): { family: Family; plant: Family["plants"][number] }[] {
    const { db } = this.grower;
    const marks = db.prepare("SELECT * FROM yardstick WHERE lineId = ?").all(this.lantern) as Parameters<
      typeof rankPlants
    >[1];
    const all = families.flatMap((family) => family.plants.map((plant) => ({ family, plant })));
    const scores = db.prepare("SELECT yardstickId, number, word FROM score WHERE plantId = ?");
    const ranked = rankPlants(
      all.map(({ plant }) => ({
        id: plant.id,
        scores: Object.fromEntries(
          (scores.all(plant.id) as { yardstickId: Id; number: number | null; word: string | null }[]).map((s) => [
            s.yardstickId,
            s,
          ]),
        ),
      })),
      marks,
    );
    const taken = new Map<Family, number>();
    return ranked
      .map((r) => all.find((a) => a.plant.id === r.id)!)
      .filter(({ family }) => {
        const already = taken.get(family) ?? 0;
        taken.set(family, already + 1);
        return already < perFamily;
      })
      .slice(0, count);
  }

  /** Selfs chosen plants by hand and harvests a lot of each. */
  private selfed(
    chosen: { family: Family; plant: Family["plants"][number] }[],
    evening: string,
    marked: string,
    seeds: number,
  ) {
    const { grower } = this;
    return chosen.map(({ family, plant }) => {
      grower.on(marked);
      grower.record("plant.mark", { id: plant.id, mark: "seed-parent", reason: "among the best on all counts" });
      grower.on(evening);
      const [cross] = grower.record("cross.next-generation", {
        standId: family.stand,
        plantIds: [plant.id],
        how: "self",
        fruitsEach: 2,
      }).ids;
      return { lot: grower.fulfil(cross!, evening, 1, 48, seeds), genome: plant.genome };
    });
  }

  private rogue(family: Family, numbers: number[], day: string, reason: string): void {
    this.grower.on(day);
    const ids = family.plants.filter((p) => numbers.includes(p.number)).map((p) => p.id);
    this.grower.record("plant.remove", { ids, reason, on: day });
    family.plants = family.plants.filter((p) => !numbers.includes(p.number));
  }

  /** 2021 to 2026. Returns the reserve of F5 seed. */
  history(): { lots: { lot: Id; genome: Genome }[]; parentLots: { ashlar: Id; nettle: Id } } {
    const { grower, ashlar, nettle } = this;
    const { luck } = grower;
    const parentLots = { ashlar: this.lot(ashlar, "2021-01-15"), nettle: this.lot(nettle, "2021-01-16") };
    const first = [
      this.grow(ashlar, parentLots.ashlar, "C", "2021-05-02", 6, () => ASHLAR),
      this.grow(nettle, parentLots.nettle, "C", "2021-05-16", 6, () => NETTLE),
    ];
    this.firstFlower(first, "2021-07-08");
    grower.on("2021-07-10");
    const cross = grower.record("cross.plan", {
      motherStandId: first[0]!.stand,
      fatherStandId: first[1]!.stand,
      lineName: "Lantern melon",
      fruitsWanted: 3,
      setLow: 0.25,
      setHigh: 0.55,
      confidence: 0.9,
    }).id;
    const f1Lot = grower.fulfil(cross, "2021-07-10", 2, 50, 220);
    this.lantern = grower.db.prepare("SELECT lineId FROM cross WHERE id = ?").pluck().get(cross) as Id;
    const version = grower.db.prepare("SELECT version FROM line WHERE id = ?").pluck().get(this.lantern);
    grower.record("line.change", {
      id: this.lantern,
      version,
      description: "Aim: ripe by mid-August here, 0.8 to 1.2 kg, orange flesh, no bitterness, vines that stay compact.",
    });
    this.yardsticks();

    const f1 = this.grow(this.lantern, f1Lot, "C", "2022-05-05", 6, () => offspring(ASHLAR, NETTLE, luck));
    this.firstFlower([f1], "2022-07-05");
    this.scoreVines(f1, "2022-07-20");
    const f2Lots = this.selfed(
      f1.plants.slice(0, 3).map((plant) => ({ family: f1, plant })),
      "2022-07-08",
      "2022-07-08",
      230,
    );
    this.score(f1, "2022-09-15");
    this.parents(2022, parentLots);

    const f2 = this.grow(this.lantern, f2Lots[0]!.lot, "C", "2023-05-04", 48, () =>
      offspring(f2Lots[0]!.genome, f2Lots[0]!.genome, luck),
    );
    this.rogue(f2, [7, 19, 33], "2023-06-20", "stunted, mildewed early");
    this.firstFlower([f2], "2023-07-03");
    this.scoreVines(f2, "2023-07-15");
    this.score(f2, "2023-09-12");
    let lots = this.selfed(this.best([f2], 5, 5), "2023-07-06", "2023-09-12", 210);
    this.parents(2023, parentLots);

    for (const season of [2024, 2025]) {
      const families = lots.map(({ lot, genome: mother }) =>
        this.grow(this.lantern, lot, "C", `${season}-05-05`, 12, () => offspring(mother, mother, luck)),
      );
      this.rogue(families[0]!, [11], `${season}-06-25`, "dwarf, off-type");
      this.firstFlower(families, `${season}-07-04`);
      for (const family of families) {
        this.scoreVines(family, `${season}-07-18`);
        this.score(family, `${season}-09-14`);
      }
      lots = this.selfed(this.best(families, 4, 2), `${season}-07-07`, `${season}-09-14`, 200);
      this.parents(season, parentLots);
    }
    this.lostSeason(lots[0]!.lot);
    return { lots, parentLots };
  }

  /** 2026: a cold wet spring. Five seedlings came up and rotted before they flowered. */
  private lostSeason(lot: Id): void {
    const { stand, plants } = this.grower.family(this.lantern, lot, this.beds.C!, "2026-05-06", 40, 5, 5);
    this.grower.on("2026-06-18");
    this.grower.record("plant.remove", { ids: plants, reason: "rotted in the cold wet weeks; no seed this year" });
    this.grower.change(stand, { seedWanted: 0 });
  }

  /** 2027 to the as-of day: F5 from the reserve, in flower, with crosses under way. */
  thisSeason({ lots, parentLots }: ReturnType<Melon["history"]>): void {
    const { grower } = this;
    const { luck } = grower;
    const families = lots.map(({ lot, genome: mother }) =>
      this.grow(this.lantern, lot, "C", "2027-05-04", 12, () => offspring(mother, mother, luck)),
    );
    const nettle = this.grow(this.nettle, parentLots.nettle, "H", "2027-04-20", 4, () => NETTLE);
    const ashlar = this.grow(this.ashlar, parentLots.ashlar, "H", "2027-05-04", 4, () => ASHLAR);
    for (const { stand } of [nettle, ashlar]) this.grower.change(stand, { seedWanted: 0 });
    this.firstFlower([nettle], "2027-05-29");
    this.rogue(families[2]!, [9], "2027-06-22", "dwarf, off-type");
    this.firstFlower(families, "2027-06-29");
    for (const family of families) this.scoreVines(family, "2027-07-04");
    grower.on("2027-07-01");
    const mark = (family: number, number: number, how: string, reason: string) =>
      grower.record("plant.mark", {
        id: families[family]!.plants.find((p) => p.number === number)!.id,
        mark: how,
        reason,
      });
    mark(0, 4, "seed-parent", "most compact, clean leaves");
    mark(1, 7, "seed-parent", "first to flower of its family");
    mark(1, 2, "keep", "clean, well branched");
    mark(3, 5, "keep", "strong in the cold week of June");
    mark(2, 3, "watch", "mildew on two leaves");
    mark(3, 10, "out", "sprawls past its neighbours");
    this.crossesUnderWay(families, nettle);
  }

  private crossesUnderWay(families: Family[], nettle: Family): void {
    const { grower } = this;
    const plant = (family: number, number: number) => families[family]!.plants.find((p) => p.number === number)!.id;
    const rates = { setLow: 0.25, setHigh: 0.55, confidence: 0.9 };
    const plan = (input: object) => grower.record("cross.plan", { ...rates, ...input }).id;
    const sib = plan({
      motherStandId: families[0]!.stand,
      motherPlantId: plant(0, 4),
      fatherStandId: families[1]!.stand,
      fatherPlantId: plant(1, 7),
      fruitsWanted: 9,
    });
    const self = plan({
      motherStandId: families[1]!.stand,
      motherPlantId: plant(1, 2),
      fatherStandId: families[1]!.stand,
      fatherPlantId: plant(1, 2),
      fruitsWanted: 3,
    });
    const back = plan({
      motherStandId: families[3]!.stand,
      motherPlantId: plant(3, 5),
      fatherStandId: nettle.stand,
      lineName: "Lantern back to Nettle Moon",
      fruitsWanted: 2,
    });
    grower.pollinate(sib, "2027-07-01", 4);
    grower.pollinate(self, "2027-07-01", 3);
    for (const evening of ["2027-07-02", "2027-07-04", "2027-07-05"]) grower.pollinate(sib, evening, 3);
    grower.pollinate(back, "2027-07-05", 2);
    grower.on(addDays("2027-07-01", 7));
    grower.look(sib, "2027-07-09", 0.55);
    grower.on("2027-07-08");
    grower.record("flower.cover", { crossId: sib, flowers: 5 });
    grower.record("flower.cover", { crossId: self, flowers: 2 });
  }
}
