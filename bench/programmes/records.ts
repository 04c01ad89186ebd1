import type { Id } from "@/core/custody/id";
import { ended } from "@/core/lists/ended";
import { kinshipsOf } from "@/core/pedigree/pedigree";
import { plot } from "@/records/tests/plot";
import { kinOf } from "@/views/kin";
import { type FamilyWorth, familyWorth } from "@/views/worth";
import { type Kind, PLANTS, ROWS, type Seen, WANTED, WEIGHTS } from "./world";

const FIRST = 2030;
const SPECIES: Record<Kind, string> = { selfer: "tomato", rows: "pepo-squash", bulk: "pepo-squash" };
const TRAITS = ["Mass", "Sweetness", "Days"];
/** What a grower who knows such traits chooses of the words low, middling and high. */
const HERITABILITIES = [0.15, 0.4, 0.65];
const GENES = ["Colour", "Leaf"];
/** Figures as a grower reads them off: around ten, two places. */
const read = (value: number) => (10 + value).toFixed(2);

/** A plant as the records know it, by its place among the season's. */
type Numbered = { standId: Id; plantId: Id };

/** A programme written down as it goes, by the commands a grower presses, and what is said of it. */
export class Records {
  private readonly garden = plot();
  private readonly lineId: Id;
  private readonly known: Id[] = [];
  private readonly marks: Id[];
  private readonly bedId: Id;
  /** What the season's seed came in: one lot for all, or one for each row. */
  private lots: (Id | null)[];
  private year = FIRST;
  private plants: Numbered[] = [];
  private checks: Numbered[][] = [];
  private stands: Id[] = [];

  constructor(
    private readonly kind: Kind,
    words: boolean,
  ) {
    const { garden } = this;
    garden.on(`${FIRST - 2}-03-01`);
    this.bedId = garden.done("bed.add", { name: "Trial", x: 60, y: 0, width: 10, length: 6 }).id;
    const species = SPECIES[kind];
    this.known = ["Ash", "Birch"].map((name) => garden.line(name, species));
    if (kind === "selfer") {
      const [lineId, lot] = this.crossed();
      this.lineId = lineId;
      this.lots = [lot];
    } else {
      this.lineId = garden.line("Hope", species, { status: "mix" });
      this.lots = [null];
    }
    this.marks = [
      ...TRAITS.map((name, t) => ({
        name,
        kind: "number",
        wanted: WANTED[t]! > 0 ? "high" : "low",
        weight: WEIGHTS.traits[t]!,
        ...(words ? { inherited: HERITABILITIES[t]! } : {}),
      })),
      ...GENES.map((name, g) => ({
        ...{ name, kind: "category", categories: "right, wrong", wanted: "category", targetWord: "right" },
        weight: WEIGHTS.genes[g]!,
      })),
    ].map((told) => garden.done("yardstick.add", { lineId: this.lineId, ...told }).id);
  }

  /** The two known lines crossed, and seed of the F1. */
  private crossed(): [Id, Id] {
    const { garden } = this;
    const [motherStandId, fatherStandId] = this.known.map(
      (lineId) => garden.done("stand.add", { lineId, sown: `${FIRST - 2}-03-10`, plants: 4 }).id,
    );
    garden.on(`${FIRST - 2}-07-01`);
    const plan = {
      motherStandId,
      fatherStandId,
      lineName: "Hope",
      fruitsWanted: 1,
      setLow: 0.3,
      setHigh: 0.7,
      confidence: 0.9,
    };
    const crossId = garden.done("cross.plan", plan).id;
    const { ids } = garden.done("flower.cover", { crossId, flowers: 2, on: `${FIRST - 2}-07-01` });
    const results = (result: string) => ids.map((id) => ({ id, result }));
    garden.on(`${FIRST - 2}-07-02`);
    garden.done("flower.record", { crossId, on: `${FIRST - 2}-07-02`, males: 2, results: results("pollinated") });
    garden.on(`${FIRST - 2}-07-12`);
    garden.done("flower.record", { crossId, on: `${FIRST - 2}-07-12`, males: 2, results: results("set") });
    garden.on(`${FIRST - 2}-09-01`);
    const lot = garden.done("cross.harvest", { crossId, fruits: 2, seeds: 60 }).id;
    const { lineId } = garden.row("lot", lot) as { lineId: Id };
    garden.on(`${FIRST - 1}-03-10`);
    const f1 = { lineId, lotId: lot, sown: `${FIRST - 1}-03-10`, sowedSeeds: 4, plants: 4 };
    const standId = garden.done("stand.add", f1).id;
    garden.on(`${FIRST - 1}-09-01`);
    const saved = { standId, kind: "open", gathered: `${FIRST - 1}-09-01`, seeds: 200 };
    return [lineId, garden.done("lot.save", saved).id];
  }

  /** A season's plants in their rows, with those of the known lines among them, and what was seen of all. */
  season(seen: Seen[], checks: Seen[][]): void {
    const { garden, lots, kind } = this;
    const sown = `${this.year}-04-10`;
    garden.on(sown);
    const perRow = PLANTS / ROWS[kind];
    const rowsOf = ROWS[kind] / lots.length;
    const checksOf = (row: number) =>
      checks.flatMap((of, k) => of.flatMap((_, i) => ((i * ROWS[kind]) / 4 === row ? [{ k, i }] : [])));
    this.checks = checks.map(() => []);
    this.plants = [];
    this.stands = lots.map((lotId, l) => {
      const rows = Array.from({ length: rowsOf }, (_, r) => l * rowsOf + r);
      const among = Math.max(...rows.map((row) => checksOf(row).length));
      const count = rowsOf * (perRow + among);
      const told = { lineId: this.lineId, ...(lotId ? { lotId } : {}), bedId: this.bedId, sown, sowedSeeds: count };
      const standId = garden.done("stand.add", { ...told, plants: count, family: 1, rowCount: rowsOf }).id;
      const ids = garden.plants(standId);
      for (const [r, row] of rows.entries()) {
        const here = ids.slice(r * (perRow + among), (r + 1) * (perRow + among));
        this.plants.push(...here.slice(0, perRow).map((plantId) => ({ standId, plantId })));
        for (const [n, { k }] of checksOf(row).entries()) this.checks[k]!.push({ standId, plantId: here[perRow + n]! });
      }
      return standId;
    });
    for (const [k, of] of this.checks.entries())
      garden.done("plant.check", { ids: of.map(({ plantId }) => plantId), checkOfId: this.known[k]! });
    garden.on(`${this.year}-08-20`);
    const all = [
      ...this.plants.map((plant, i) => [plant, seen[i]!] as const),
      ...this.checks.flatMap((of, k) => of.map((plant, i) => [plant, checks[k]![i]!] as const)),
    ];
    for (const [{ plantId }, { traits, genes }] of all) {
      for (const [t, value] of traits.entries())
        garden.done("score.set", { plantId, yardstickId: this.marks[t]!, value: read(value) });
      for (const [g, right] of genes.entries())
        garden.done("score.set", {
          plantId,
          yardstickId: this.marks[TRAITS.length + g]!,
          value: right ? "right" : "wrong",
        });
    }
  }

  /** What is said of who is really better, all rows together. */
  worth(best: number): FamilyWorth {
    const asked = { standId: this.stands[0]!, best, open: this.kind !== "selfer", across: this.stands.length > 1 };
    return ended(familyWorth(this.garden.db, asked));
  }

  /** Where the season's plants of some ids stand among them. */
  placesOf(ids: Id[]): number[] {
    const at = new Map(this.plants.map(({ plantId }, i) => [plantId, i]));
    return ids.map((id) => at.get(id)!);
  }

  traitId(trait: number): Id {
    return this.marks[trait]!;
  }

  /** Kinship of some pairs of the season's plants as it is taken to be. */
  kinships(pairs: (readonly [number, number])[]): number[] {
    const { tree, at } = kinOf(this.garden.db, this.plants);
    const of = kinshipsOf(tree);
    return pairs.map(([a, b]) => of(tree[at(this.plants[a]!)]!.id, tree[at(this.plants[b]!)]!.id));
  }

  /** Seed of the kept, each its own row's next year, or together. */
  keep(kept: number[]): void {
    const { garden } = this;
    const gathered = `${this.year}-09-20`;
    garden.on(gathered);
    const lots = kept.map((i) => {
      const { standId, plantId } = this.plants[i]!;
      return garden.done("lot.save", { standId, kind: "open", plantIds: [plantId], gathered, seeds: 100 }).ids[0]!;
    });
    if (this.kind === "bulk") {
      const each = PLANTS / kept.length;
      this.lots = [garden.done("lot.bulk", { lots: lots.map((lotId) => ({ lotId, seeds: Math.ceil(each) + 2 })) }).id];
    } else this.lots = lots;
    this.year++;
  }

  close(): void {
    this.garden.close();
  }
}
