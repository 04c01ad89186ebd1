import { genotypesOf } from "../inheritance/genotypes";
import { wayOf } from "../inheritance/ways";
import type { Individual } from "../pedigree/pedigree";

/** A trait of one gene: which form is wanted, how much it weighs, and who was seen to show what is wanted. */
export type GeneWanted = {
  id: string;
  /** Whether what is wanted hides the other form or is hidden by it; unknown where nobody can say. */
  want: "dominant" | "recessive" | "unknown";
  weight: number;
  seen: { plant: string; wanted: boolean }[];
};

/** What a plant may give of a gene: it breeds true for what is wanted now, or can still give it; chances, 0–1. */
export type GeneChances = { now: number; later: number };

/** A plant is put down wrongly so often. Working value. */
const SLIP = 0.01;

/**
 * What plants carry of a trait of one gene: by genotype chances over the pedigree, kin among them; where nobody knows which form
 * hides the other, the mean of both.
 * @param individuals single plants, parents first, founders carrying either form as likely
 * @example geneChances([{ id: "A", inbreeding: 1 }, { id: "B", inbreeding: 1 }, { id: "F1", mother: "A", father: "B" }, { id: "p", mother: "F1", father: "F1" }],
 *   { id: "g", want: "recessive", weight: 1, seen: [{ plant: "p", wanted: true }] }, ["p"])[0].now // 0.983
 */
export function geneChances(individuals: Individual[], gene: GeneWanted, plants: string[]): GeneChances[] {
  if (gene.want !== "unknown") return chancesBy(individuals, gene, gene.want, plants);
  const [one, other] = (["dominant", "recessive"] as const).map((want) => chancesBy(individuals, gene, want, plants));
  return one!.map(({ now, later }, i) => ({ now: (now + other![i]!.now) / 2, later: (later + other![i]!.later) / 2 }));
}

function chancesBy(
  individuals: Individual[],
  { seen }: GeneWanted,
  want: "dominant" | "recessive",
  plants: string[],
): GeneChances[] {
  const shows = new Map(seen.map(({ plant, wanted }) => [plant, wanted]));
  try {
    const found = genotypesOf(
      individuals,
      { way: wayOf("dominant"), classes: 2, recombination: 0.5, error: SLIP, frequency: 0.5 },
      // The first class shows the dominant form.
      seen.map(({ plant, wanted }) => ({
        id: plant,
        shows: wanted === (want === "dominant") ? 0 : 1,
      })),
    );
    if ("contradicts" in found) return plants.map((plant) => asSeen(shows.get(plant)));
    return plants.map((plant) => {
      const [both, mixed, neither] = found.get(plant)!.loci[0]!;
      const now = want === "dominant" ? both : neither;
      return { now, later: now + mixed };
    });
  } catch (failure) {
    // Kin too interwoven to be reckoned: what each shows by itself.
    if (!(failure instanceof RangeError)) throw failure;
    return plants.map((plant) => asSeen(shows.get(plant)));
  }
}

/** Without kin: a plant that shows what is wanted can give it, one that does not may. */
const asSeen = (wanted: boolean | undefined): GeneChances =>
  wanted === undefined ? { now: 0.25, later: 0.75 } : wanted ? { now: 0.5, later: 1 } : { now: 0, later: 0.5 };

/** A plant that must still divide for what is wanted costs so much of its weight, against one that can't give it at all. Working value. */
const STILL_TO_DIVIDE = 0.15;

/** A gene that is lost costs as much as so many standard deviations on a trait of its weight. Working value. */
const LOST = 4;
/** Where plants cross among themselves each copy that is not wanted goes on into all: it costs so much. Working value. */
const EACH_COPY = 2;

/** What is still to come: generations that are selfed or that cross among themselves, in which to choose, or none. */
export type Ahead = "selfed" | "crossed" | "none";

/**
 * What genes that are not as wanted take off each plant's index. Of what is selfed: much where a plant can't give what is wanted,
 * little where its offspring can still be chosen for it, all of it once there is no generation left to choose in. Of what crosses
 * among itself: by the copies that are not wanted.
 * @param chances of each gene each plant's
 * @param weights of all traits together
 * @example handicaps([{ weight: 1 }], [[{ now: 0, later: 1 }]], 2, "selfed") // [0.075]
 * @example handicaps([{ weight: 1 }], [[{ now: 0, later: 1 }]], 2, "crossed") // [1]
 */
export const handicaps = (
  genes: Pick<GeneWanted, "weight">[],
  chances: GeneChances[][],
  weights: number,
  ahead: Ahead,
): number[] =>
  (chances[0] ?? []).map((_, plant) =>
    genes.reduce((sum, { weight }, g) => {
      const { now, later } = chances[g]![plant]!;
      const [open, lost] = [later - now, 1 - later];
      const costs =
        ahead === "crossed"
          ? EACH_COPY * (open + 2 * lost)
          : LOST * lost + (ahead === "selfed" ? STILL_TO_DIVIDE : LOST) * open;
      return sum + (weight / Math.max(1e-9, weights)) * costs;
    }, 0),
  );
