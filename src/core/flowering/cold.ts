import { type Day, dayNumber, dayOf } from "../calendar/day";
import { type Climate, temperatureOn } from "../climate/climate";
import { heatOf } from "../climate/degreeDays";
import { nextFrost } from "../climate/season";
import type { Temperature } from "../climate/temperature";
import { type FloweringFacts, LONGEST, middle, type Sowing } from "./facts";

/** A seedling that is younger, or has gathered less warmth, does not feel the cold of winter: days, °C·days. Working values. */
const JUVENILE = { days: 45, heat: 250 };

/** Stored roots are replanted about this long before the last frost, days. */
const REPLANT_BEFORE_FROST = 35;

/**
 * How much of a day of cold a day gives that makes a plant flower: whole up to one mean temperature, nothing from another on, evenly
 * between. Where winters are mild a longer one does the same.
 * @example [5, 12, 14, 16, 20].map((mean) => coldOf({ min: mean, max: mean }, { below: 12, none: 16 })) // [1, 1, 0.5, 0, 0]
 */
export function coldOf({ min, max }: Temperature, { below, none }: { below: number; none: number }): number {
  return Math.min(1, Math.max(0, (none - (min + max) / 2) / (none - below)));
}

type Start = { from: number; notes: string[] };

/**
 * The day from which heat counts towards flowers: sowing, or the end of the cold for those that need it.
 * @example startOfHeat({ sown: "2027-05-01" }, { cold: null }) // { from: 20939, notes: [] }
 */
export function startOfHeat(sowing: Sowing, facts: FloweringFacts, climate: Climate): Start | null {
  const sown = dayNumber(sowing.sown);
  if (!facts.cold) return { from: sown, notes: [] };
  if (sowing.overwinter === "lifted" && sowing.plantedOut)
    return { from: dayNumber(sowing.plantedOut), notes: ["Stored cool, counted from replanting."] };
  const needed = middle(facts.cold.days);
  let cold = 0;
  let heat = 0;
  for (let day = sown; day < sown + LONGEST; day++) {
    const temperature = temperatureOn(climate, day);
    if (!temperature) return null;
    heat += heatOf(temperature, facts.heat.base, facts.heat.ceiling);
    if (day < sown + JUVENILE.days || heat < JUVENILE.heat) continue;
    cold += coldOf(temperature, facts.cold);
    if (cold >= needed) {
      const replanted = sowing.overwinter === "lifted" ? replantDay(dayOf(day), climate) : null;
      return {
        from: Math.max(day, replanted ?? 0),
        notes: replanted ? [`Replanting is taken as ${dayOf(replanted)}; say the day when it is done.`] : [],
      };
    }
  }
  return null;
}

/** About when stored roots go out again: some weeks before the last frost that follows a day. */
function replantDay(after: Day, climate: Climate): number | null {
  if (!climate.frosts) return null;
  return dayNumber(nextFrost(after, climate.frosts.last.day)) - REPLANT_BEFORE_FROST;
}
