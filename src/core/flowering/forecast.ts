import { addDays, dayNumber, dayOf } from "../calendar/day";
import type { Climate } from "../climate/climate";
import { startOfHeat } from "./cold";
import type { Correction } from "./correction";
import { type Flowering, type FloweringFacts, middle, middleDay, type Range, type Sowing, type Window } from "./facts";
import { daysOfHeat, outFrom } from "./heat";
import { whenLightAllows } from "./light";

type First = { early: number; likely: number; late: number; basis: Flowering["basis"]; notes: string[] };

function byDays(sowing: Sowing, facts: FloweringFacts, correction: Correction | null, notes: string[]): First {
  const sown = dayNumber(sowing.sown);
  const { low, likely, high } = corrected(facts.daysToFlower, correction);
  return {
    early: sown + Math.round(low),
    likely: sown + Math.round(likely),
    late: sown + Math.round(high),
    basis: "days",
    notes,
  };
}

const corrected = (range: Range, correction: Correction | null) =>
  correction
    ? {
        low: middle(range) * correction.low,
        likely: middle(range) * correction.likely,
        high: middle(range) * correction.high,
      }
    : { low: range.low, likely: middle(range), high: range.high };

function byHeat(
  sowing: Sowing,
  facts: FloweringFacts,
  climate: Climate,
  correction: Correction | null,
): First | string {
  const start = startOfHeat(sowing, facts, climate);
  if (!start) return "There is not cold enough here for it to flower by itself; the days of the catalogue stand in.";
  const { low, likely, high } = corrected(facts.heat.degreeDays, correction);
  const [early, mid, late] = daysOfHeat(start.from, outFrom(sowing, facts, climate), facts.heat, climate, [
    low,
    likely,
    high,
  ]);
  if (early == null || mid == null)
    return "The heat it needs does not come here in the open; the days of the catalogue stand in.";
  const first: First = { early, likely: mid, late: late ?? mid + (mid - early), basis: "heat", notes: start.notes };
  const { light } = facts;
  if (light.kind === "any" || !light.hours) return first;
  const [easy, hard] =
    light.kind === "long" ? [light.hours.low, light.hours.high] : [light.hours.high, light.hours.low];
  const [e, m, l] = [
    whenLightAllows(first.early, light, easy, climate),
    whenLightAllows(first.likely, light, middle(light.hours), climate),
    whenLightAllows(first.late, light, hard, climate),
  ];
  if (e === null || m === null)
    return {
      ...first,
      notes: [...first.notes, `Days here never get ${light.kind} enough to trigger it; it may not flower.`],
    };
  return {
    ...first,
    early: e,
    likely: m,
    late: l ?? m + (m - e),
    notes: m > first.likely ? [...first.notes, `It waits for ${light.kind} days.`] : first.notes,
  };
}

const windowFrom = (first: First, flowerDays: Range, lag: Range): Window => ({
  start: dayOf(first.likely + middleDay(lag)),
  end: dayOf(first.likely + middleDay(flowerDays) - 1),
  earliest: dayOf(first.early + Math.round(lag.low)),
  latest: dayOf(first.late + Math.round(flowerDays.high) - 1),
});

/** A plant that lived through a winter needs so much of what a seedling needs until it flowers. Working value. */
const WINTERED = 0.5;

function headStart(facts: FloweringFacts): FloweringFacts {
  const part = ({ low, high }: Range) => ({ low: low * WINTERED, high: high * WINTERED });
  const { daysToFlower, heat } = facts;
  return {
    ...facts,
    cold: null,
    daysToFlower: part(daysToFlower),
    heat: { ...heat, degreeDays: part(heat.degreeDays) },
  };
}

/** What the sex of the first flower leaves of the days between the sexes: the other did not open before it. */
function lagSeen({ low, high }: Range, first: Sowing["firstSex"]): Range {
  if (first === "male") return { low: Math.max(0, low), high: Math.max(0, high) };
  return first === "female" ? { low: Math.min(0, low), high: Math.min(0, high) } : { low, high };
}

/**
 * When a stand is expected to flower and ripen its first seed, males and females apart.
 *
 * With temperatures known: heat from sowing until the species' degree days are gathered, after the cold it needs, and
 * held back until days are long or short enough. Without them, or where the heat never comes: the catalogue's days from
 * sowing. A first flower that was seen replaces both, and cutting back after it begins anew; the length of flowering and
 * the ripening keep their ranges.
 * @param climate null where the place is not known
 * @param correction what the line's own first flowers say, see `correctionFrom`
 * @example flowering({ sown: "2027-05-01" }, {
 *   daysToFlower: { low: 50, high: 60 }, flowerDays: { low: 20, high: 30 }, daysToRipe: { low: 40, high: 50 },
 *   femaleLag: { low: 0, high: 0 }, tender: false,
 * }, null).start // "2027-06-25"
 */
export function flowering(
  sowing: Sowing,
  ofSeedlings: FloweringFacts,
  climate: Climate | null,
  correction: Correction | null = null,
): Flowering {
  const facts = sowing.wintered ? headStart(ofSeedlings) : ofSeedlings;
  let first: First;
  const { cutBack } = sowing;
  if (cutBack && facts.cutBack && !(sowing.firstFlower && sowing.firstFlower > cutBack)) {
    const cut = dayNumber(cutBack);
    const { low, high } = facts.cutBack;
    const notes = ["Counted from cutting back, a working value."];
    first = { early: cut + low, likely: cut + middleDay(facts.cutBack), late: cut + high, basis: "cut back", notes };
  } else if (sowing.firstFlower) {
    const seen = dayNumber(sowing.firstFlower);
    first = { early: seen, likely: seen, late: seen, basis: "seen", notes: [] };
  } else if (!climate || climate.daily.length === 0) first = byDays(sowing, facts, correction, []);
  else {
    const heat = byHeat(sowing, facts, climate, correction);
    first = typeof heat === "string" ? byDays(sowing, facts, correction, [heat]) : heat;
  }
  const femaleLag = first.basis === "seen" ? lagSeen(facts.femaleLag, sowing.firstSex ?? null) : facts.femaleLag;
  const male = windowFrom(first, facts.flowerDays, {
    low: Math.max(0, -femaleLag.high),
    high: Math.max(0, -femaleLag.low),
  });
  // Sexes that open together have one window, and a page carries it once.
  const together = femaleLag.low === 0 && femaleLag.high === 0;
  const female = together
    ? male
    : windowFrom(first, facts.flowerDays, { low: Math.max(0, femaleLag.low), high: Math.max(0, femaleLag.high) });
  const lastFemale = dayOf(first.late + Math.round(Math.max(0, femaleLag.high)));
  return {
    start: male.start < female.start ? male.start : female.start,
    end: male.end,
    earliest: male.earliest < female.earliest ? male.earliest : female.earliest,
    latest: male.latest,
    male,
    female,
    observed: first.basis === "seen",
    basis: first.basis,
    notes: first.notes,
    ripe: addDays(female.start, middleDay(facts.daysToRipe)),
    ripeEarliest: addDays(female.earliest, facts.daysToRipe.low),
    ripeLatest: addDays(lastFemale, facts.daysToRipe.high),
    outFrom: facts.tender ? (climate ? dayOf(outFrom(sowing, facts, climate)) : sowing.sown) : null,
  };
}
