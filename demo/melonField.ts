import type { Id } from "@/core/custody/id";
import { rankPlants } from "@/core/selection/ranking";
import { type Genome, recessive, shown } from "./genetics";
import type { Beds } from "./ground";
import { ASHLAR, FLAVOUR, MASS, NETTLE, ORANGE, RIPE, VINE } from "./melonTraits";
import type { Grower } from "./season";

export type Family = { stand: Id; plants: { id: Id; number: number; genome: Genome }[] };
type Yardsticks = { ripe: Id; mass: Id; flavour: Id; flesh: Id; vine: Id };

const clamp = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** What is done with melons in any season: sown, scored, selfed, rogued. */
export class MelonField {
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

  protected lot(lineId: Id, day: string): Id {
    this.grower.on(day);
    return this.grower.record("lot.receive", { lineId, gathered: day, seeds: 260, note: "from the swap" }).id;
  }

  /** Scores a family on all yardsticks, as plants of these genes show them. */
  protected score(family: Family, day: string): void {
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

  /** A second look at flavour two days later by the same tongue, which is off by one now and then. */
  protected tasteAgain(family: Family, day: string): void {
    const { grower, marks } = this;
    grower.on(day);
    for (const [i, { id }] of family.plants.entries()) {
      const first = grower.db
        .prepare("SELECT number FROM score WHERE plantId = ? AND yardstickId = ?")
        .pluck()
        .get(id, marks.flavour) as number;
      const value = String(clamp(first + ((i * 5) % 3) - 1, 1, 9));
      grower.record("score.set", { plantId: id, yardstickId: marks.flavour, value, again: true });
    }
  }

  protected scoreVines(family: Family, day: string): void {
    this.grower.on(day);
    for (const { id, genome: genes } of family.plants)
      this.grower.score(id, this.marks.vine, Math.round(clamp(shown(genes, VINE, this.grower.luck), 1, 9)));
  }

  private grown = 0;

  protected grow(
    lineId: Id,
    lot: Id,
    bed: string,
    sown: string,
    plants: number,
    make: () => Genome,
    up = 0.85,
  ): Family {
    const seeds = Math.ceil(plants / 0.75);
    // Families differ a little, by no draw of luck, so that the years stay as they are.
    const more = (this.grown++ % 4) - 1;
    const cameUp = Math.min(seeds, Math.max(plants, Math.round((plants / 0.8) * up) + more));
    const { stand, plants: ids } = this.grower.family(lineId, lot, this.beds[bed]!, sown, seeds, cameUp, plants);
    return { stand, plants: ids.map((id, i) => ({ id, number: i + 1, genome: make() })) };
  }

  protected firstFlower(families: Family[], day: string): void {
    this.grower.on(day);
    for (const { stand } of families) this.grower.record("stand.first-flower", { id: stand, firstFlower: day });
  }

  /** The parents again each season, four plants of each, as something to measure by. */
  protected parents(season: number, lots: { ashlar: Id; nettle: Id }): Family[] {
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

  protected yardsticks(): void {
    const add = (input: object) => this.grower.record("yardstick.add", { lineId: this.lantern, ...input }).id;
    this.marks = {
      ripe: add({ name: "First ripe fruit", kind: "date", wanted: "target", target: 98, weight: 3, stage: "fruit" }),
      mass: add({
        name: "Fruit mass",
        kind: "number",
        unit: "kg",
        wanted: "range",
        low: 0.8,
        high: 1.2,
        weight: 2,
        stage: "fruit",
      }),
      flavour: add({
        name: "Flavour",
        kind: "scale",
        lowEnd: "water",
        highEnd: "as Ashlar Gold at its best",
        wanted: "high",
        weight: 3,
        floor: 3,
        stage: "harvest",
      }),
      flesh: add({
        name: "Flesh",
        kind: "category",
        categories: "orange, pale, white",
        wanted: "category",
        targetWord: "orange",
        weight: 2,
        stage: "harvest",
      }),
      vine: add({
        name: "Compact vine",
        kind: "scale",
        lowEnd: "over 3 m, sprawling",
        highEnd: "under 1 m",
        wanted: "high",
        weight: 1,
        stage: "leaf",
      }),
    };
  }

  /** The best plants of some families by the application's own ranking. */
  protected best(
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
  protected selfed(
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

  protected rogue(family: Family, numbers: number[], day: string, reason: string): void {
    this.grower.on(day);
    const ids = family.plants.filter((p) => numbers.includes(p.number)).map((p) => p.id);
    this.grower.record("plant.remove", { ids, reason, on: day });
    family.plants = family.plants.filter((p) => !numbers.includes(p.number));
  }
}
