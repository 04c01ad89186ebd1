import { upperTail } from "../numbers/binomial";
import { germinationsAfter, type Known } from "./alive";

/** One lot of a line: what is known of it, how far it aged and ages in a day, and how many seeds are left; null where not counted. */
export type LotLeft = { known: Known; aged: number; perDay: number; seeds: number | null };

/** What rests on a line's seed. */
export type LineLeft = {
  lots: LotLeft[];
  /** Plants with which the line goes on. */
  plants: number;
  /** Share of what germinates that becomes a plant, 0–1. */
  stays: number;
  /** Other lines that come from it. */
  rests: number;
};

/** What of a line's seed is at stake: the chance of raising enough plants this year, and a year later. */
export type Stake = { now: number; later: number; loss: number };

/** A lot is taken for so many seeds where nobody counted them. */
const UNCOUNTED = 100;
const YEAR = 365;

/** The germinations that a lot may have, as the middles of twelve parts of equal weight. */
const TWELFTHS = Array.from({ length: 12 }, (_, i) => (i + 0.5) / 12);

/**
 * The chance that one lot gives enough plants in so many days.
 * @example chanceFrom({ known: UNTESTED,
 *   aged: 0.2, perDay: 0, seeds: 200 }, { plants: 6, stays: 0.85 }, 0) // 1.00
 */
export function chanceFrom(lot: LotLeft, { plants, stays }: Pick<LineLeft, "plants" | "stays">, days: number): number {
  const shares = germinationsAfter(lot.known, lot.aged + lot.perDay * days, TWELFTHS);
  const seeds = lot.seeds ?? UNCOUNTED;
  return shares.reduce((sum, share) => sum + upperTail(seeds, share * stays, plants), 0) / shares.length;
}

/**
 * What a line stands to lose if it is not grown this year: the chance of raising enough plants of any of its lots now and
 * a year later. The loss is the difference, and counts once more for each line that rests on it.
 *
 * Lots are taken one by one as if they died apart from each other; lots of one species die alike, so with several the
 * chance is somewhat too high.
 * @example stakeOf({ lots: [], plants: 6, stays: 0.85, rests: 0 }) // { now: 0, later: 0, loss: 0 }
 */
export function stakeOf(line: LineLeft): Stake {
  const chance = (days: number) => 1 - line.lots.reduce((none, lot) => none * (1 - chanceFrom(lot, line, days)), 1);
  const now = chance(0);
  const later = chance(YEAR);
  return { now, later, loss: (now - later) * (1 + line.rests) };
}
