import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import type { Making } from "@/core/inheritance/ratios";
import { shareRange } from "@/core/numbers/betaRange";
import { isMeasured } from "@/core/traits/kinds";
import type { Db } from "@/db/open";
import { yardsticks } from "@/records/line/queries";
import type { LotRow } from "@/records/lot/queries";
import { seedlooksOf } from "@/records/seedlook/queries";
import { wordsOf } from "@/records/yardstick/rules";
import { makingOf, type RatiosOfWords, ratiosOfWords } from "./inheritance";

/** A word that seeds of a lot show: how many, and the share of all its seed, nine times in ten. */
export type SeedWord = { word: string; seeds: number; share: { low: number; high: number } };

/** What a lot's seeds show of themselves, where their kind's do. */
export type SeedWords = {
  /** What shows, in a sentence. */
  says: string;
  making: Making | null;
  marks: { id: Id; name: string; words: string[]; seen: SeedWord[]; ratios: RatiosOfWords | null }[];
};

export function seedWordsOf(db: Db, lot: LotRow): SeedWords | null {
  const { seedShows, xenia } = speciesById(lot.species);
  if (!seedShows) return null;
  const making = makingOf(db, lot, lot.generation, lot.species);
  const looks = seedlooksOf(db, lot.id);
  const marks = yardsticks(db, lot.lineId).filter((mark) => !isMeasured(mark) && mark.retiredOn === null);
  return {
    says: xenia ?? "",
    making,
    marks: marks.map((mark) => {
      const own = looks.filter(({ yardstickId }) => yardstickId === mark.id);
      const all = own.reduce((sum, { seeds }) => sum + seeds, 0);
      return {
        id: mark.id,
        name: mark.name,
        words: wordsOf(mark),
        seen: own.map(({ word, seeds }) => ({
          word,
          seeds,
          share: shareRange(seeds, all - seeds),
        })),
        ratios:
          making &&
          ratiosOfWords(
            mark,
            own.map(({ word, seeds }) => ({ word, count: seeds })),
            making,
          ),
      };
    }),
  };
}
