import { bag, rub, shell, thresh } from "./dry";
import { ferment } from "./ferment";
import type { CleaningFacts, CleaningWay, WayStep } from "./way";
import { blender, rinse, scoop } from "./wet";

/** Ways of getting seed clean, in the order in which they are offered. */
const WAYS_OF_CLEANING = { thresh, bag, rub, shell, scoop, rinse, ferment, blender } satisfies Record<
  string,
  CleaningWay
>;
export type Way = keyof typeof WAYS_OF_CLEANING;
export const WAYS: Readonly<Record<Way, CleaningWay>> = WAYS_OF_CLEANING;
export const WAY_IDS = Object.keys(WAYS_OF_CLEANING) as Way[];

/** How a lot is cleaned: its way, and what that goes by. */
export type RunFacts = CleaningFacts & { way: Way };

/**
 * The steps of a way of cleaning, from fruit or heads to the plate it dries on.
 * @example stepsOf({ way: "scoop", warmth: 20, starter: false, goodSeed: "either", chaff: "winnow", hot: false })
 *   .map(({ act }) => act) // ["open", "spread"]
 */
export const stepsOf = (run: RunFacts): WayStep[] => WAYS[run.way].steps(run);
