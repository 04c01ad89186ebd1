import { addDays, type Day } from "../calendar/day";
import type { Climate } from "../climate/climate";
import { plantingOut } from "../climate/plantingOut";
import { inSeason, seasonSpan } from "../climate/season";
import type { FloweringFacts, Window } from "./facts";
import { flowering } from "./forecast";

/** Days by which a crop whose sowing nobody told may be earlier or later. Working value. */
const UNKNOWN_SOWING = 14;

/**
 * When a crop that somebody else grows is likely to shed pollen in a season: sown when growers there usually sow it
 * (tender ones so as to go out when frost is over, or at the last frost in their place, hardy ones six weeks before it,
 * second-year ones the summer before), the range two
 * weeks wider for not knowing the day. Where frost is not known, sown in the season's fourth month.
 * @example typicalFlowering(ANNUAL, 2027, climate({ daily: [] })).start // "2027-05-27"
 */
export function typicalFlowering(facts: FloweringFacts, season: number, climate: Climate): Window {
  const { male } = flowering({ sown: usualSowing(facts, season, climate) }, facts, climate);
  return {
    ...male,
    earliest: addDays(male.earliest, -UNKNOWN_SOWING),
    latest: addDays(male.latest, UNKNOWN_SOWING),
  };
}

/**
 * The day on which a crop is usually sown to flower in a season: what is tender so as to go out when frost is over, or at the
 * last frost in its place; what is hardy six weeks before it; what flowers in its second year in the summer before.
 * Where frost is not known it counts from the season's fourth month.
 * @example usualSowing(ANNUAL, 2027, climate({ daily: [] })) // "2027-04-02"
 */
export function usualSowing(facts: FloweringFacts, season: number, climate: Climate): Day {
  const start = seasonSpan(season, climate.latitude).start;
  const lastFrost = climate.frosts ? inSeason(climate.frosts.last.day, season, climate.latitude) : addDays(start, 100);
  if (facts.cold) return addDays(lastFrost, -365 + 10);
  if (!facts.tender) return addDays(lastFrost, -42);
  const { raised } = facts;
  if (!raised) return lastFrost;
  return addDays(plantingOut(lastFrost, true, climate.frosts).best, -Math.round((raised.low + raised.high) / 2));
}
