import type { Chance } from "./random";

/** A plant's two sets of genes, each locus 0 or 1; unlinked. */
export type Genome = { one: number[]; two: number[] };

/** A trait made by many genes of equal effect: its value with all genes 0 and with all genes 1, and the spread of chance. */
export type Trait = { loci: number[]; atZero: number; atOne: number; noise: number };

export const pure = (alleles: number[]): Genome => ({ one: alleles, two: alleles });

const gamete = (plant: Genome, luck: Chance): number[] =>
  plant.one.map((allele, i) => (luck.yes(0.5) ? allele : plant.two[i]!));

export const offspring = (mother: Genome, father: Genome, luck: Chance): Genome => ({
  one: gamete(mother, luck),
  two: gamete(father, luck),
});

/** What a plant shows: additive genes plus chance. */
export function shown(plant: Genome, trait: Trait, luck: Chance): number {
  const ones = trait.loci.reduce((sum, locus) => sum + plant.one[locus]! + plant.two[locus]!, 0);
  const share = ones / (2 * trait.loci.length);
  return luck.normal(trait.atZero + (trait.atOne - trait.atZero) * share, trait.noise);
}

/** Whether a plant carries gene 1 twice: a recessive shows. */
export const recessive = (plant: Genome, locus: number): boolean => plant.one[locus] === 1 && plant.two[locus] === 1;
