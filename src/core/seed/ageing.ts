import { addDays, type Day, dayNumber } from "../calendar/day";
import type { Range } from "../flowering/facts";
import { airDryMoisture } from "./moisture";
import { probitDays, type ViabilityConstants } from "./viability";

/** What a species' seed says of its life. */
export type SeedFacts = {
  /** Share of oil, 0–1. */
  oil: number;
  /** Years it keeps in a cool, dry room. */
  shelfYears: Range;
  viability: ViabilityConstants | null;
};

/** Air around seed: °C, relative humidity 0–1. */
export type Air = { temperature: number; humidity: number };

/** A day's air, as measured. */
export type AirOn = Air & { on: Day };

/** What is said of seed of which nobody knows how it lies: a cool, dry room. Shelf lives are told of it. Working value. */
export const ROOM: Air = { temperature: 15, humidity: 0.5 };

/** Of species without published constants only the proportions are reckoned with these. Working values, within the published ones. */
const USUAL: ViabilityConstants = { KE: 0, CW: 4.5, CH: 0.0329, CQ: 0.000478 };

/** The share of fresh sound seed that germinates, as a probit: 93 in 100. Working value. */
export const FRESH = 1.476;

/** The equation holds between these, °C. */
const held = (temperature: number) => Math.min(50, Math.max(-20, temperature));

const daysIn = (constants: ViabilityConstants, air: Air, oil: number) =>
  probitDays(constants, airDryMoisture(air, oil), held(air.temperature));

/**
 * Days in which seed of a species ages by one probit in a cool, dry room: by its published constants, or by its shelf life
 * as the time in which half of fresh seed dies.
 * @example roomDays({ oil: 0.22, shelfYears: { low: 1, high: 3 }, viability: null }) // 494.9
 */
export const roomDays = ({ oil, shelfYears, viability }: SeedFacts): number =>
  viability ? daysIn(viability, ROOM, oil) : (((shelfYears.low + shelfYears.high) / 2) * 365.25) / FRESH;

/**
 * How fast seed ages in some air, in probits a day.
 * @example ageing({ oil: 0.22, shelfYears: { low: 1, high: 3 }, viability: null }, { temperature: 4, humidity: 0.3 }) * 494.9
 *   // 0.1098
 */
export function ageing(facts: SeedFacts, air: Air): number {
  const constants = facts.viability ?? USUAL;
  return daysIn(constants, ROOM, facts.oil) / daysIn(constants, air, facts.oil) / roomDays(facts);
}

/**
 * How seed of a species ages in a place: in a day as usual there, and what the measured days added up to, beyond as many
 * usual ones, by the number of each day.
 */
export type Clock = { perDay: number; days: number[]; beyond: number[] };

/**
 * The clock of a species' seed in a place.
 * @param usual the air there as usual
 * @param measured in order of their days
 * @example clockOf(BEAN, { temperature: 15, humidity: 0.5 }, []).perDay * 1461 // 1.476
 */
export function clockOf(facts: SeedFacts, usual: Air, measured: AirOn[]): Clock {
  const perDay = ageing(facts, usual);
  let sum = 0;
  const beyond = measured.map((day) => {
    sum += ageing(facts, day) - perDay;
    return sum;
  });
  return { perDay, days: measured.map(({ on }) => dayNumber(on)), beyond };
}

/** What was measured before a day, beyond as many usual days. */
function beyondUntil({ days, beyond }: Clock, day: number): number {
  let [low, high] = [0, days.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (days[middle]! < day) low = middle + 1;
    else high = middle;
  }
  return low === 0 ? 0 : beyond[low - 1]!;
}

/** Where seed lay from a day on. */
export type Stay = { from: Day; clock: Clock };

/**
 * How much seed has aged between two days, in probits: day by day where the air was measured, as usual there otherwise.
 * @param stays in order of their days; before the first it lay as in the first
 * @param room its clock where nobody says how it lay
 * @example aged([], clockOf(BEAN, { temperature: 15, humidity: 0.5 }, []), "2023-01-01", "2027-01-01") // 1.476
 */
export function aged(stays: Stay[], room: Clock, from: Day, to: Day): number {
  const [first, last] = [dayNumber(from), dayNumber(to)];
  if (last <= first) return 0;
  if (stays.length === 0) return (last - first) * room.perDay;
  let sum = 0;
  for (const [i, { from: since, clock }] of stays.entries()) {
    const begins = i === 0 ? first : Math.max(first, dayNumber(since));
    const next = stays[i + 1];
    const ends = next ? Math.min(last, dayNumber(next.from)) : last;
    if (ends > begins) sum += (ends - begins) * clock.perDay + beyondUntil(clock, ends) - beyondUntil(clock, begins);
  }
  return sum;
}

/** Days on end on which a store was worse than it should be, and the life they cost beyond as many usual days. */
export type Excursion = { from: Day; to: Day; days: number; worst: AirOn; cost: number };

/** So many times as fast as usual is worth a warning. Working value. */
const FASTER = 2;

/**
 * Spells in which seed aged more than twice as fast as it usually does in its store, the newest first; `cost` in days of
 * its usual life there.
 * @param measured in order of their days
 * @example excursions(BEAN, { temperature: 5, humidity: 0.3 },
 *   [{ on: "2027-07-01", temperature: 5, humidity: 0.3 }, { on: "2027-07-02", temperature: 28, humidity: 0.3 }]).length // 1
 */
export function excursions(facts: SeedFacts, usually: Air, measured: AirOn[]): Excursion[] {
  const usual = ageing(facts, usually);
  const found: Excursion[] = [];
  for (const day of measured) {
    const times = ageing(facts, day) / usual;
    if (times <= FASTER) continue;
    const last = found.at(-1);
    if (!last || addDays(last.to, 1) < day.on) {
      found.push({ from: day.on, to: day.on, days: 1, worst: day, cost: times - 1 });
      continue;
    }
    if (ageing(facts, day) > ageing(facts, last.worst)) last.worst = day;
    last.to = day.on;
    last.days++;
    last.cost += times - 1;
  }
  return found.reverse();
}
