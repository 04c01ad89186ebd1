import { binomialMasses, upperTail } from "../numbers/binomial";
import { leastFor, type RaisingStages, shareThrough } from "./sowing";

/** What becomes of the second seedling of a cell: all but the strongest go, or it is set into a cell that stayed empty. */
export type Surplus = "thinned" | "fills-gaps";

/** More cells than this nobody fills: the question is wrong then. */
const MOST_CELLS = 20_000;

/** At so many rates each an uncertain stage is looked at; both stages are uncertain apart. */
const STEPS = 40;

/** What is rarer changes no figure. */
const NEVER = 1e-12;

/**
 * How many cells to sow, with so many seeds in each, for enough plants: the smallest number that gives the target with
 * the chance asked for. A cell gives one plant at the most. Seeds come up one by one at the same rate; rates that were
 * counted are uncertain as in `sowingNumber`, what comes up and what stays each by itself.
 *
 * Source: binomial thinning under Jeffreys' prior.
 * @param input.target plants wanted, a whole number from 1
 * @param input.confidence 0–1, not its ends
 * @param input.up stages until a seed is up
 * @param input.stays stages from there to a plant in its place
 * @param input.perCell seeds in each cell, a whole number from 1
 * @returns cells, and seeds in all of them
 * @throws RangeError where not even twenty thousand cells would do
 * @example cellNumber({ target: 24, confidence: 0.9, up: [{ rate: 0.8 }], stays: [{ rate: 1 }], perCell: 2, surplus: "thinned" }) // { cells: 26, seeds: 52 }
 */
export function cellNumber(
  input: RaisingStages & { target: number; confidence: number; perCell: number; surplus: Surplus },
): { cells: number; seeds: number } {
  const { target, confidence, perCell, surplus } = input;
  const up = shareThrough(input.up, STEPS);
  const stays = shareThrough(input.stays, STEPS);

  /** The chance of so many seedlings, one to a cell, that the target is left of them. */
  const enough: number[] = [];
  const enoughOf = (seedlings: number): number => {
    enough[seedlings] ??= stays.reduce((sum, { rate, weight }) => sum + weight * upperTail(seedlings, rate, target), 0);
    return enough[seedlings];
  };

  /** The chance of each number of cells that hold a seedling, at one rate of coming up. */
  const filled = (cells: number, rate: number): number[] => {
    if (surplus === "thinned") return binomialMasses(cells, 1 - (1 - rate) ** perCell);
    const seedlings = binomialMasses(cells * perCell, rate);
    const full = seedlings.slice(cells).reduce((sum, chance) => sum + chance, 0);
    return [...seedlings.slice(0, cells), full];
  };

  const chance = (cells: number) =>
    up.reduce(
      (sum, { rate, weight }) =>
        sum +
        weight *
          filled(cells, rate).reduce(
            (of, mass, seedlings) => (seedlings < target || mass < NEVER ? of : of + mass * enoughOf(seedlings)),
            0,
          ),
      0,
    );
  const cells = leastFor(target, MOST_CELLS, (n) => chance(n) >= confidence);
  if (cells === null) throw new RangeError("at these rates not even twenty thousand cells would do");
  return { cells, seeds: cells * perCell };
}
