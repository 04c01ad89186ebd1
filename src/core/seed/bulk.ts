import { effectiveSize } from "../inheritance/smallPopulation";

/** Gametes a parent leaves by chance vary as much as their mean, which is one on either side. */
const BY_CHANCE = 1;

/**
 * How many seeds to take of each lot so that their shares are as wanted and as many as can be.
 * @param lots seeds that can be taken of each, and the share each is to have; shares need not come to 1
 * @param most no more than so many in all
 * @returns seeds by lot; nothing of any where one with a share has none
 * @example bulked([{ left: 40, share: 1 }, { left: 100, share: 1 }]) // [40, 40]
 * @example bulked([{ left: 40, share: 2 }, { left: 100, share: 1 }], 30) // [20, 10]
 */
export function bulked(lots: { left: number; share: number }[], most = Number.POSITIVE_INFINITY): number[] {
  const sharing = lots.filter(({ share }) => share > 0);
  if (sharing.length === 0) return lots.map(() => 0);
  const all = sharing.reduce((sum, { share }) => sum + share, 0);
  const factor = Math.min(most / all, ...sharing.map(({ left, share }) => left / share));
  return lots.map(({ share }) => (share > 0 ? Math.floor(factor * share + 1e-9) : 0));
}

/**
 * As how many parents the mothers of a bulk count, whose seed is sown in such amounts and whose flowers take pollen at
 * random among them: `effective-size` by family variance, the mothers' as the amounts differ, the fathers' by chance.
 *
 * Source: Crow and Kimura 1970. Equal amounts leave the fathers' half alone to chance, so that n mothers count as (4n − 2)/3.
 * @param amounts seeds by mother
 * @param rows seed of each is sown apart, so that as many plants of each stand; else plants are drawn of the bulk by chance too
 * @throws RangeError for fewer than two mothers
 * @example mothersCount([10, 10, 10, 10, 10], true) // 6
 * @example mothersCount([10, 10, 10, 10, 10], false) // 4.5
 */
export function mothersCount(amounts: number[], rows: boolean): number {
  const own = amounts.filter((amount) => amount > 0);
  if (own.length < 2) throw new RangeError("Two mothers at least are put together.");
  const all = own.reduce((sum, amount) => sum + amount, 0);
  const n = own.length;
  const apart = own.reduce((sum, amount) => sum + ((n * amount) / all - 1) ** 2, 0) / n;
  const variance = apart + BY_CHANCE + (rows ? 0 : BY_CHANCE);
  return effectiveSize({ kind: "family-variance", plants: n, variance }).effectiveSize;
}
