import { speciesById } from "@/catalogue/catalogue";
import { type SeedCount, seedsInLot } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import type { Db } from "@/db/open";
import { refuse } from "@/db/ops";
import type { Facts } from "../facts";
import { type LotInShort, lotById, lotsFor } from "./queries";

/** Seeds that left a lot: sown, tested, given away, put together with others. */
export const takenFrom = ({ sowedSeeds, testedSeeds, givenSeeds, bulkedSeeds }: LotInShort): number =>
  sowedSeeds + testedSeeds + givenSeeds + bulkedSeeds;

/** Seeds that a lot held when it was gathered; null where they were neither counted nor weighed. */
export const amountOf = ({ seeds, mass, species }: LotInShort): SeedCount | null =>
  seedsInLot(seeds, mass, speciesById(species).seedsPerGram);

/** Whether something may still be left of a lot. */
export const mayHoldSeed = (lot: LotInShort): boolean => {
  const amount = amountOf(lot);
  return amount === null || amount.high > takenFrom(lot);
};

/** The newest seed of a line that is not used up by a day, what was gathered of one stand first. */
export const newestLotFor = (db: Db, lineId: Id, standId: Id, by: string): LotInShort | undefined =>
  lotsFor(db, lineId, standId, by).find(mayHoldSeed);

/**
 * Refuses what takes more of a lot than there is, or reaches into its reserve.
 * @param own what the row under judgement takes; the lot's sums count it already
 * @param doing what is done with it: "sown"
 */
export function refuseBeyond({ db }: Facts, lotId: Id, own: number, field: string, doing: string): void {
  const lot = lotById(db, lotId);
  const amount = lot && amountOf(lot);
  // Seed of fruit that was brought in and never counted: nobody knows what is left.
  if (!lot || !amount) return;
  const left = amount.high - (takenFrom(lot) - own);
  if (own > left)
    refuse(
      field,
      `Lot ${lot.code} holds ${Math.max(0, left)} seeds more${amount.counted ? "" : " at the most, by its mass"}; ${own} can't be ${doing} from it.`,
    );
  if (lot.reserve !== null && own > left - lot.reserve)
    refuse(
      field,
      `Of the ${left} seeds that lot ${lot.code} still holds ${lot.reserve} are its reserve. Lower the reserve first if they are to be ${doing}.`,
    );
}
