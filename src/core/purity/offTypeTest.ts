import { offTypeBound, offTypeStandard } from "./offTypes";
import { type Standing, SURE } from "./standing";

/** Plants of a season that were looked at, and how many of them did not belong. */
export type SeasonCount = { season: number; plants: number; offTypes: number };

export type OffTypeTest = {
  standing: Standing;
  /** Share that is allowed, 0–1. */
  standard: number;
  /** The last two seasons, the newest first, each with how many the standard tolerates. */
  seasons: (SeasonCount & { maximum: number })[];
  /** The share is at most this, of both seasons together; 1 where nobody looked. */
  upper: number;
  /** So many more plants without an off-type would show it; null where it is shown, or where a season failed. */
  more: number | null;
  /** Seasons it takes yet, at least. */
  wants: number;
};

/** Nobody looks at more plants than this to know. */
const TOO_MANY = 1_000_000;

/** The fewest plants of which so few off-types show the standard. */
function plantsToShow(offTypes: number, standard: number): number {
  const shown = (plants: number) => offTypeBound({ offTypes, plants, confidence: SURE }).upper <= standard;
  let [low, high] = [offTypes, Math.max(8, 2 * offTypes)];
  while (high < TOO_MANY && !shown(high)) {
    low = high;
    high *= 2;
  }
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (shown(middle)) high = middle;
    else low = middle;
  }
  return high;
}

/**
 * Whether off-types keep a standard in two seasons running: neither season has more than the standard tolerates
 * (`offTypeStandard`), and of both together the share is shown to be no more than it (`offTypeBound`).
 * @param counts seasons in which plants were looked at, in any order
 * @param standard share of off-types that is allowed, above 0 and below 1
 * @example offTypeTest([{ season: 2026, plants: 30, offTypes: 0 }, { season: 2027, plants: 30, offTypes: 0 }], 0.05).standing // "holds"
 */
export function offTypeTest(counts: SeasonCount[], standard: number): OffTypeTest {
  const seasons = counts
    .filter(({ plants }) => plants > 0)
    .sort((a, b) => b.season - a.season)
    .slice(0, 2)
    .map((one) => ({ ...one, maximum: offTypeStandard({ plants: one.plants, standard, acceptance: SURE }).maximum }));
  const plants = seasons.reduce((sum, one) => sum + one.plants, 0);
  const offTypes = seasons.reduce((sum, one) => sum + one.offTypes, 0);
  const upper = plants > 0 ? offTypeBound({ offTypes, plants, confidence: SURE }).upper : 1;
  const failed = seasons.findIndex((one) => one.offTypes > one.maximum);
  const standing = failed >= 0 ? "fails" : seasons.length === 2 && upper <= standard ? "holds" : "open";
  return {
    standing,
    standard,
    seasons,
    upper,
    more: standing === "open" ? Math.max(0, plantsToShow(offTypes, standard) - plants) : null,
    // A season that failed is behind it once two newer ones stand.
    wants: standing === "holds" ? 0 : failed >= 0 ? 2 - failed : Math.max(1, 2 - seasons.length),
  };
}
