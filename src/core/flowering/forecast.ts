import { addDays, type Day, dayNumber, dayOf, type Span } from "../calendar/day";
import { type Climate, hoursOn, temperatureOn } from "../climate/climate";
import { heatOf } from "../climate/degreeDays";
import type { Frosts } from "../climate/frost";
import { frostBefore, nextFrost } from "../climate/season";
import { below } from "../numbers/normal";
import type { Correction } from "./correction";

/** A range of days or counts, low to high. */
export type Range = { low: number; high: number };

/** What the forecast needs to know of a species. */
export type FloweringFacts = {
  /** Days from sowing to first flower; for a crop that flowers in its second year the winter is in it. */
  daysToFlower: Range;
  /** Days that a stand stays in flower. */
  flowerDays: Range;
  /** Days from pollination to ripe seed. */
  daysToRipe: Range;
  /** Days by which the first female flowers follow the first male ones; below 0 where they come first. */
  femaleLag: Range;
  /** Heat from sowing (after the cold, where cold is needed) to first flower. */
  heat: { base: number; ceiling: number; degreeDays: Range };
  /** Whether frost kills it: sown before the last frost, it is taken to be raised under cover until then. */
  tender: boolean;
  /** Whether the length of the day holds flowering back until it is longer, or shorter, than some hours. */
  light: { kind: "any" | "long" | "short"; hours: Range | null };
  /** Days of mean temperature at or below `below` °C that it must have stood through; null where none is needed. */
  cold: { below: number; days: Range } | null;
  /** Days by which cutting back puts its flowers off; without, it does not flower again. */
  cutBack?: Range | null;
};

/** How a crop that flowers in its second year comes through the winter. */
export type Overwintering = "lifted" | "left" | "late-sown";

export type Sowing = {
  sown: Day;
  /** When it went out into the open, or its stored roots were replanted. */
  plantedOut?: Day | null;
  firstFlower?: Day | null;
  overwinter?: Overwintering | null;
  /** When it was cut back, so that it flowers anew. */
  cutBack?: Day | null;
};

/** A likely span, and the widest it may be. */
export type Window = Span & { earliest: Day; latest: Day };

export type Flowering = Window & {
  male: Window;
  female: Window;
  observed: boolean;
  /** What the first flower rests on. */
  basis: "seen" | "heat" | "days" | "cut back";
  /** What keeps it from flowering, or what was taken for granted; sentences. */
  notes: string[];
  /** Seed of the first female flowers is ripe: likely day, and no earlier / no later than. */
  ripe: Day;
  ripeEarliest: Day;
  ripeLatest: Day;
  /** The day from which a tender stand is in the open, where the next frost ends it; null for one that stands frost. */
  outFrom: Day | null;
};

/** Warmth under cover until planting out, °C: a working value for a windowsill or a heated frame. */
const UNDER_COVER = { min: 15, max: 22 };
/** A seedling younger than this does not feel the cold of winter, days; a working value. */
const JUVENILE = 60;
const LONGEST = 900;
/** Stored roots are replanted about this long before the last frost, days. */
const REPLANT_BEFORE_FROST = 35;

const middle = ({ low, high }: Range): number => (low + high) / 2;
/** The middle of a range, to a whole day. */
const middleDay = (range: Range): number => Math.round(middle(range));

type Start = { from: number; notes: string[] };

/** The day from which heat counts towards flowers: sowing, or the end of the cold for those that need it. */
function startOfHeat(sowing: Sowing, facts: FloweringFacts, climate: Climate): Start | null {
  const sown = dayNumber(sowing.sown);
  if (!facts.cold) return { from: sown, notes: [] };
  if (sowing.overwinter === "lifted" && sowing.plantedOut)
    return { from: dayNumber(sowing.plantedOut), notes: ["Stored cool, counted from replanting."] };
  const needed = middle(facts.cold.days);
  let cold = 0;
  for (let day = sown + JUVENILE; day < sown + LONGEST; day++) {
    const temperature = temperatureOn(climate, day);
    if (!temperature) return null;
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

/** When a tender crop goes out: as recorded, else when the last frost after sowing is usually over. */
function outFrom(sowing: Sowing, facts: FloweringFacts, climate: Climate): number {
  const sown = dayNumber(sowing.sown);
  if (sowing.plantedOut) return dayNumber(sowing.plantedOut);
  if (!facts.tender || !climate.frosts) return sown;
  const frost = dayNumber(nextFrost(sowing.sown, climate.frosts.last.day));
  return frost - sown < 120 ? frost : sown;
}

/** The days on which the heat gathered from `from` reaches each of the totals, rising; null for those out of reach. */
function daysOfHeat(
  from: number,
  out: number,
  heat: FloweringFacts["heat"],
  climate: Climate,
  totals: number[],
): (number | null)[] {
  const reached: (number | null)[] = totals.map(() => null);
  let sum = 0;
  let next = 0;
  for (let day = from; day < from + LONGEST && next < totals.length; day++) {
    const temperature = day < out ? UNDER_COVER : temperatureOn(climate, day);
    if (!temperature) break;
    sum += heatOf(temperature, heat.base, heat.ceiling);
    while (next < totals.length && sum >= totals[next]!) reached[next++] = day;
  }
  return reached;
}

/** The first day from `day` on which the light lets it flower; null when that does not come within a year. */
function whenLightAllows(day: number, light: FloweringFacts["light"], hours: number, climate: Climate): number | null {
  if (light.kind === "any") return day;
  for (let later = day; later < day + 366; later++) {
    const now = hoursOn(climate, later);
    if (light.kind === "long" ? now >= hours : now <= hours) return later;
  }
  return null;
}

/** Heat gathered from sowing (or from the end of the cold) to a day, °C·days; null where no temperature is known. */
export function heatUntil(sowing: Sowing, facts: FloweringFacts, climate: Climate, until: Day): number | null {
  const start = startOfHeat(sowing, facts, climate);
  if (!start) return null;
  const out = outFrom(sowing, facts, climate);
  let sum = 0;
  for (let day = start.from; day <= dayNumber(until); day++) {
    const temperature = day < out ? UNDER_COVER : temperatureOn(climate, day);
    if (!temperature) return null;
    sum += heatOf(temperature, facts.heat.base, facts.heat.ceiling);
  }
  return sum;
}

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

/**
 * When a stand is expected to flower and ripen its first seed, males and females apart.
 *
 * With temperatures known: heat from sowing until the species' degree days are gathered, after the cold it needs, and
 * held back until days are long or short enough. Without them, or where the heat never comes: the catalogue's days from
 * sowing. A first flower that was seen replaces both, and cutting back after it begins anew; the length of flowering and
 * the ripening keep their ranges.
 * @param climate null where the place is not known
 * @param correction what the line's own first flowers say, see `correctionFrom`
 * @example flowering({ sown: "2027-05-01" }, { daysToFlower: { low: 50, high: 60 }, ... }, null).start // "2027-06-25"
 */
export function flowering(
  sowing: Sowing,
  facts: FloweringFacts,
  climate: Climate | null,
  correction: Correction | null = null,
): Flowering {
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
  const { femaleLag } = facts;
  const male = windowFrom(first, facts.flowerDays, {
    low: Math.max(0, -femaleLag.high),
    high: Math.max(0, -femaleLag.low),
  });
  const female = windowFrom(first, facts.flowerDays, {
    low: Math.max(0, femaleLag.low),
    high: Math.max(0, femaleLag.high),
  });
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

export type Ripening = {
  /** The chance that the first seed is ripe before the first frost; 1 where there is none. */
  chance: number;
  verdict: "safe" | "doubtful" | "too-late" | "no-frost";
  /** The usual day of the first frost that it races. */
  frost: Day | null;
};

/** From this chance on ripening counts as safe, and below that one as too late. */
const SAFE = 0.9;
const TOO_LATE = 0.1;

/**
 * The first frost that a stand's seed must be ripe before. One that is tender ends with the first frost after it is out in
 * the open, flowers or not; one that stands frost races the next after its flowers, but seed that would have to ripen
 * within the cold of one winter has lost its race already.
 */
function frostToBeat(window: Flowering, { first, last }: Frosts): Day {
  if (window.outFrom) return nextFrost(window.outFrom, first.day);
  const passed = frostBefore(window.start, first.day);
  return window.ripe <= nextFrost(passed, last.day) ? passed : nextFrost(window.start, first.day);
}

/**
 * Whether seed ripens before the first frost: the ripening range read as two standard deviations to each side, the
 * years' first frosts as a normal distribution.
 */
export function ripensBeforeFrost(window: Flowering, climate: Climate): Ripening {
  if (!climate.frosts) return { chance: 1, verdict: "no-frost", frost: null };
  const { spread } = climate.frosts.first;
  const frost = frostToBeat(window, climate.frosts);
  const ripe = dayNumber(window.ripe);
  const doubt = (dayNumber(window.ripeLatest) - dayNumber(window.ripeEarliest)) / 4;
  const chance = below(dayNumber(frost), ripe, Math.max(1, Math.hypot(spread, doubt)));
  return { chance, verdict: chance >= SAFE ? "safe" : chance <= TOO_LATE ? "too-late" : "doubtful", frost };
}
