import { type Day, dayNumber, dayOf } from "../calendar/day";
import { type Climate, temperatureOn } from "../climate/climate";
import { heatOf } from "../climate/degreeDays";
import { nextFrost } from "../climate/season";
import { type FloweringFacts, LONGEST, middle, type Sowing } from "./facts";

/** A seedling that is younger, or has gathered less warmth, does not feel the cold of winter: days, °C·days. Working values. */
const JUVENILE = { days: 45, heat: 250 };

/** Stored roots are replanted about this long before the last frost, days. */
const REPLANT_BEFORE_FROST = 35;

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
    if ((temperature.min + temperature.max) / 2 <= facts.cold.below) cold++;
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
