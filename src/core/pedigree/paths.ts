import { groupBy } from "../lists/groupBy";
import { HALVES, type Individual, kinshipsOf } from "./pedigree";

/** A way in which two are kin: from the one up to a forebear of both and down to the other, and what it adds to their kinship. */
export type KinPath = { forebear: string; through: string[]; share: number };

export type Kin = {
  /** 0–1: how inbred their offspring would be. */
  kinship: number;
  /** The weightiest first. */
  paths: KinPath[];
  /** What is left to ways that are not told. */
  rest: number;
};

type Way = { ids: string[]; share: number };

/** So many ways up are followed from each of the two. */
const FOLLOWED = 3000;

/** Ways from one up to each of its forebears, itself first; the shorter ones before. A selfed one has all of its parent. */
function waysUp(byId: Map<string, Individual>, from: string): Way[] {
  const ways: Way[] = [{ ids: [from], share: 1 }];
  for (let i = 0; i < ways.length && ways.length < FOLLOWED; i++) {
    const { ids, share } = ways[i]!;
    const { mother, father, shares: [ofMother, ofFather] = HALVES } = byId.get(ids.at(-1)!)!;
    const further = (parent: string | null | undefined, part: number) =>
      parent && ways.push({ ids: [...ids, parent], share: share * part });
    if (mother && mother === father) further(mother, ofMother + ofFather);
    else {
      further(mother, ofMother);
      further(father, ofFather);
    }
  }
  return ways;
}

/**
 * How two individuals are kin, and by which paths: each runs up from the one to a forebear of both and down to the other
 * without passing anyone twice, and adds (½)ⁿ (1 + F)/2 of its n steps and its forebear's inbreeding F; the sum is their kinship.
 * Source: Wright 1922.
 * @param individuals parents before their children
 * @param most paths that are told
 * @throws RangeError for an id that is not among them, and for pedigrees that are not one
 * @example kinPaths([{ id: "A" }, { id: "B", mother: "A" }, { id: "C", mother: "A" }], "B", "C", 5).paths // [{ forebear: "A", through: ["B", "A", "C"], share: 0.125 }]
 */
export function kinPaths(individuals: Individual[], one: string, other: string, most: number): Kin {
  const kinshipOf = kinshipsOf(individuals);
  const kinship = kinshipOf(one, other);
  if (one === other) return { kinship, paths: [{ forebear: one, through: [one], share: kinship }], rest: 0 };
  const byId = new Map(individuals.map((individual) => [individual.id, individual]));
  const last = ({ ids }: Way) => ids.at(-1)!;
  const [ofOne, ofOther] = [groupBy(waysUp(byId, one), last), groupBy(waysUp(byId, other), last)];
  const paths: KinPath[] = [];
  for (const [forebear, ups] of ofOne) {
    const self = kinshipOf(forebear, forebear);
    for (const up of ups) {
      const passed = new Set(up.ids);
      for (const down of ofOther.get(forebear) ?? []) {
        if (down.ids.slice(0, -1).some((id) => passed.has(id))) continue;
        paths.push({
          forebear,
          through: [...up.ids, ...down.ids.slice(0, -1).reverse()],
          share: up.share * down.share * self,
        });
      }
    }
  }
  const told = paths.sort((a, b) => b.share - a.share).slice(0, most);
  return { kinship, paths: told, rest: Math.max(0, kinship - told.reduce((sum, { share }) => sum + share, 0)) };
}
