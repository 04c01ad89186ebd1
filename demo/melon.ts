import { addDays } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { type Genome, offspring } from "./genetics";
import { type Family, MelonField } from "./melonField";
import { ASHLAR, NETTLE } from "./melonTraits";

/** Lantern melon: a cross in 2021, F1 in 2022, to F5 in 2027 after a lost season. */
export class Melon extends MelonField {
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
    grower.record("offkind.add", {
      lineId: this.lantern,
      name: "dwarf, off-type",
      look: "Leaves half as large as its sisters', shoots that stop; seen by the fifth leaf.",
      inheritance: "unknown",
    });
    grower.record("locus.define", {
      yardstickId: this.marks.flesh,
      way: "between",
      words: ["orange", "pale", "white"],
      error: 0.02,
    });

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
    this.tasteAgain(f2, "2023-09-14");
    grower.change(f2.stand, { rowCount: 4 });
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
    this.grower.record("loss.add", { lineId: this.lantern, reason: "rotted in the cold wet weeks; no seed this year" });
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
    grower.record("cross.males", { crossId: sib, step: "cover", males: 11 });
    grower.record("flower.cover", { crossId: self, flowers: 2 });
  }
}
