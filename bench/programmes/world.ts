import { Luck } from "../luck";
import { type Genome, INHERITED, Species } from "./genome";

/** A selfer from a cross of two pure lines, or what crosses, in rows by mother or as a bulk. */
export type Kind = "selfer" | "rows" | "bulk";

export type Plant = { genome: Genome; row: number; at: number; foreign: boolean };
/** What is seen of a plant: three measured traits and whether it shows what is wanted of two genes. */
export type Seen = { traits: number[]; genes: boolean[] };

export const PLANTS = 48;
/** Rows that a season's plants stand in, by what is kept. */
export const ROWS: Record<Kind, number> = { selfer: 4, rows: 8, bulk: 4 };
/** More is wanted of the first two traits, less of the third; weights of the traits and of the genes. */
export const WANTED = [1, 1, -1];
export const WEIGHTS = { traits: [2, 1, 1], genes: [2, 2] };
/** Share of open seed that another plant fathers, and of that how much is foreign. */
const CROSSED: Record<Kind, number> = { selfer: 0.02, rows: 0.93, bulk: 0.93 };
const FOREIGN = 0.01;
/** What full inbreeding takes off the first trait of what crosses, in its standard deviations. */
const DEPRESSION = 1.5;
/** Standard deviations: a season, a row's own answer to it and its place, the bed's slope from end to end. */
const YEAR = 1;
const ANSWER = 0.3;
const ROW = 0.3;
const SLOPE = 0.5;

/** A garden whose truth is known. */
export class World {
  readonly luck: Luck;
  readonly species: Species;
  readonly parents: Genome[];
  /** Plants of the first season, before any was chosen. */
  readonly first: Plant[];
  private readonly foreigners: Genome[];
  private readonly begun: { worth: number[]; mixed: number };
  /** Standard deviation of the weighed sum as single looks at the first population show it. */
  private readonly spread: number;

  constructor(
    readonly kind: Kind,
    seed: number,
  ) {
    this.luck = new Luck(seed);
    const { luck } = this;
    this.species = new Species(luck);
    const { species } = this;
    const set = (first: (locus: number) => number) => species.founderSet(first);
    const pure = (first: (locus: number) => number): Genome => {
      const one = set(first);
      return species.plant(one, one);
    };
    // Foreign plants have neither of what is wanted of the genes.
    const [dominant, recessive] = species.majors.map(({ locus }) => locus);
    const strange = (locus: number) => (locus === dominant ? 0 : locus === recessive ? 1 : 0.5);
    this.foreigners = Array.from({ length: 6 }, () => pure(strange));
    if (kind === "selfer") {
      const one = pure((locus) => (locus === dominant ? 1 : locus === recessive ? 1 : 0.5));
      const other = pure((locus) => (locus === dominant ? 0 : locus === recessive ? 0 : 0.5));
      this.parents = [one, other];
    } else
      this.parents = Array.from({ length: 24 }, () =>
        species.plant(
          set(() => 0.5),
          set(() => 0.5),
        ),
      );
    const drawn = () => this.begin();
    const base = Array.from({ length: 600 }, drawn);
    species.scaleBy(base);
    const worths = base.map((plant) => species.worth(plant));
    this.begun = {
      worth: [0, 1, 2].map((t) => worths.reduce((sum, w) => sum + w[t]!, 0) / worths.length),
      mixed: base.reduce((sum, plant) => sum + species.mixed(plant), 0) / base.length,
    };
    const sums = worths.map((worth) =>
      this.weighed(worth.map((x, t) => x + Math.sqrt(1 - INHERITED[t]!) * luck.normal())),
    );
    const middle = sums.reduce((a, b) => a + b, 0) / sums.length;
    this.spread = Math.sqrt(sums.reduce((sum, x) => sum + (x - middle) ** 2, 0) / (sums.length - 1));
    this.first = this.placed(Array.from({ length: PLANTS }, () => ({ genome: drawn(), foreign: false })));
  }

  private weighed(traits: number[]): number {
    return traits.reduce((sum, x, t) => sum + WANTED[t]! * WEIGHTS.traits[t]! * x, 0);
  }

  /** A plant of the population that selection begins with. */
  private begin(): Genome {
    const { luck, species, parents } = this;
    const any = () => parents[luck.upTo(parents.length)]!;
    if (this.kind !== "selfer") return species.child(any(), any());
    const f1 = species.child(parents[0]!, parents[1]!);
    return species.child(f1, f1);
  }

  placed(plants: { genome: Genome; foreign: boolean }[]): Plant[] {
    const perRow = plants.length / ROWS[this.kind];
    return plants.map((plant, i) => ({ ...plant, row: Math.floor(i / perRow), at: i % perRow }));
  }

  /** Seed of a mother who stood among others, left open. */
  seedOf(mother: Plant, among: Plant[]): { genome: Genome; foreign: boolean } {
    const { luck, species } = this;
    if (!luck.yes(CROSSED[this.kind]))
      return { genome: species.child(mother.genome, mother.genome), foreign: mother.foreign };
    if (luck.yes(FOREIGN)) {
      const father = this.foreigners[luck.upTo(this.foreigners.length)]!;
      return { genome: species.child(mother.genome, father), foreign: true };
    }
    const father = among[luck.upTo(among.length)]!;
    return { genome: species.child(mother.genome, father.genome), foreign: mother.foreign || father.foreign };
  }

  /** What a genome adds to each trait, what inbreeding takes off it included, from the first population's mean. */
  worth(genome: Genome): number[] {
    const worth = this.species.worth(genome).map((x, t) => x - this.begun.worth[t]!);
    if (this.kind !== "selfer") worth[0]! -= DEPRESSION * (1 - this.species.mixed(genome) / this.begun.mixed);
    return worth;
  }

  /** The weighed sum of traits, in standard deviations of what single looks at the first population differ by. */
  index(genome: Genome): number {
    return this.weighed(this.worth(genome)) / this.spread;
  }

  /** How a season shows plants, and known lines of four beside them. */
  season(plants: Plant[], known: Genome[]): { seen: Seen[]; checks: Seen[][] } {
    const { luck, species, kind } = this;
    const drawn = (spread: number) => WANTED.map(() => spread * luck.normal());
    const [year, slope] = [drawn(YEAR), drawn(SLOPE)];
    const rows = Array.from({ length: ROWS[kind] }, () => ({ own: drawn(ANSWER), place: drawn(ROW) }));
    const perRow = plants.length / ROWS[kind];
    const look = (genome: Genome, own: number[], row: number, at: number): Seen => ({
      traits: this.worth(genome).map(
        (x, t) =>
          x +
          year[t]! +
          own[t]! +
          rows[row]!.place[t]! +
          slope[t]! * (at / perRow - 0.5) +
          Math.sqrt(1 - INHERITED[t]!) * luck.normal(),
      ),
      genes: species.majors.map((major) => species.shows(genome, major)),
    });
    return {
      seen: plants.map(({ genome, row, at }) => look(genome, rows[row]!.own, row, at)),
      checks: known.map((genome, k) => {
        const own = drawn(ANSWER);
        // Of each known line four: one at the end of every row, or of every other.
        return Array.from({ length: 4 }, (_, i) => look(genome, own, (i * ROWS[kind]) / 4, perRow + k));
      }),
    };
  }

  /**
   * Off-types among 500 offspring: wrong in a gene, foreign, or off the line's mean in a trait by over one standard deviation of
   * what the first population shows, by its genes.
   */
  offTypes(offspring: { genome: Genome; foreign: boolean }[]): number {
    const worths = offspring.map(({ genome }) => this.species.worth(genome));
    const middle = [0, 1, 2].map((t) => {
      const sorted = worths.map((w) => w[t]!).sort((a, b) => a - b);
      return sorted[Math.floor(sorted.length / 2)]!;
    });
    const off = offspring.filter(
      ({ genome, foreign }, i) =>
        foreign ||
        this.species.majors.some((major) => !this.species.shows(genome, major)) ||
        worths[i]!.some((x, t) => Math.abs(x - middle[t]!) > 1),
    );
    return off.length / offspring.length;
  }
}
