import type { Luck } from "../luck";

/** Of each locus the founders' genes a plant has, by number: first those of one chromosome set, then of the other. */
export type Genome = Int32Array;

const CHROMOSOMES = 10;
const LOCI = 60;
/** Morgan. */
const CHROMOSOME = 1;
const TRAITS = 3;

/** Correlation of what loci add to the traits, wanted ways. */
const TOGETHER = [
  [1, 0, 0],
  [0.3, Math.sqrt(1 - 0.09), 0],
  [-0.2, 0.2, Math.sqrt(1 - 0.08)],
];

/** Single looks at a plant's traits are so much inherited, in the population selection begins with. */
export const INHERITED = [0.2, 0.4, 0.6] as const;

export type Major = { locus: number; wanted: "dominant" | "recessive" };

/** A simulated species: where its loci lie, and what each founder's gene does. */
export class Species {
  /** Loci of each chromosome in their order, with where they lie. */
  private readonly chromosomes: { morgan: number; locus: number }[][];
  readonly majors: Major[];
  private readonly perGene: number[][];
  /** Whether a founder's gene is the one version of its locus. */
  private readonly version: boolean[] = [];
  private genes = 0;
  private readonly all: number;
  /** What each trait is scaled by. */
  private scale = [1, 1, 1];

  constructor(private readonly luck: Luck) {
    this.all = LOCI + 2;
    const loci = Array.from({ length: this.all }, (_, locus) => ({
      chromosome: locus < LOCI ? locus % CHROMOSOMES : luck.upTo(CHROMOSOMES),
      morgan: luck.even() * CHROMOSOME,
      locus,
    }));
    this.chromosomes = Array.from({ length: CHROMOSOMES }, (_, c) =>
      loci.filter(({ chromosome }) => chromosome === c).sort((a, b) => a.morgan - b.morgan),
    );
    this.majors = [
      { locus: LOCI, wanted: "dominant" },
      { locus: LOCI + 1, wanted: "recessive" },
    ];
    this.perGene = Array.from({ length: LOCI }, () => {
      const z = [luck.normal(), luck.normal(), luck.normal()];
      return TOGETHER.map((row) => row.reduce((sum, x, j) => sum + x * z[j]!, 0));
    });
  }

  /** A founder's set of genes, each the first version with a chance. */
  founderSet(first: (locus: number) => number): number[] {
    return Array.from({ length: this.all }, (_, locus) => {
      this.version.push(this.luck.yes(first(locus)));
      return this.genes++;
    });
  }

  plant(one: number[], other: number[]): Genome {
    return Int32Array.from([...one, ...other]);
  }

  has(gene: number): boolean {
    return this.version[gene]!;
  }

  /** One set of a plant's genes, crossed over as by chance (Haldane). */
  private gamete(plant: Genome): number[] {
    const made = new Array<number>(this.all);
    for (const loci of this.chromosomes) {
      let side = this.luck.upTo(2);
      let before = 0;
      for (const { morgan, locus } of loci) {
        if (this.luck.yes((1 - Math.exp(-2 * (morgan - before))) / 2)) side = 1 - side;
        before = morgan;
        made[locus] = plant[side * this.all + locus]!;
      }
    }
    return made;
  }

  child(mother: Genome, father: Genome): Genome {
    return this.plant(this.gamete(mother), this.gamete(father));
  }

  /** Share of loci at which a plant has two versions. */
  mixed(plant: Genome): number {
    let count = 0;
    for (let i = 0; i < LOCI; i++) if (this.has(plant[i]!) !== this.has(plant[this.all + i]!)) count++;
    return count / LOCI;
  }

  private raw(plant: Genome): number[] {
    const sums = new Array<number>(TRAITS).fill(0);
    for (let i = 0; i < LOCI; i++) {
      const copies = Number(this.has(plant[i]!)) + Number(this.has(plant[this.all + i]!));
      for (let t = 0; t < TRAITS; t++) sums[t]! += copies * this.perGene[i]![t]!;
    }
    return sums;
  }

  /** Scales traits so that what single looks at some plants differ by has variance 1, and so much of it is inherited. */
  scaleBy(plants: Genome[]): void {
    const raws = plants.map((plant) => this.raw(plant));
    this.scale = INHERITED.map((share, t) => {
      const values = raws.map((of) => of[t]!);
      const middle = values.reduce((a, b) => a + b, 0) / values.length;
      const variance = values.reduce((sum, x) => sum + (x - middle) ** 2, 0) / (values.length - 1);
      return Math.sqrt(share / variance);
    });
  }

  /** What a plant's genes add to each trait, in standard deviations of single looks. */
  worth(plant: Genome): number[] {
    return this.raw(plant).map((sum, t) => sum * this.scale[t]!);
  }

  /** Whether it shows what is wanted of a major gene. */
  shows(plant: Genome, { locus, wanted }: Major): boolean {
    const copies = Number(this.has(plant[locus]!)) + Number(this.has(plant[this.all + locus]!));
    return wanted === "dominant" ? copies > 0 : copies === 0;
  }

  /** Chance that a gene of the one and a gene of the other at a locus come from the same founder's gene. */
  kinship(one: Genome, other: Genome): number {
    let same = 0;
    for (let i = 0; i < LOCI; i++)
      for (const a of [one[i], one[this.all + i]]) for (const b of [other[i], other[this.all + i]]) if (a === b) same++;
    return same / (4 * LOCI);
  }
}
