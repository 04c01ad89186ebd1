import { dayInWords, dayNumber, dayOf } from "../calendar/day";
import type { Climate } from "../climate/climate";
import { type Kill, killedBy, killedFrom } from "../climate/killing";
import { startOfHeat } from "./cold";
import type { Correction } from "./correction";
import {
  type Fate,
  type Flowering,
  type FloweringFacts,
  middle,
  middleDay,
  type Range,
  type Sowing,
  type Window,
} from "./facts";
import { daysOfHeat, inTheOpen, outFrom, ripeBy } from "./heat";
import { whenLightAllows } from "./light";

type First = { early: number; likely: number; late: number; basis: Flowering["basis"]; fate: Fate; notes: string[] };

/** What is tender and of which nobody says more dies with the first frost. */
const FROST = { low: 0, high: 0 };

/** A crop of one year that has not begun to flower after so many days never does. Working value. */
const LONGEST_YOUTH = 420;

function byDays(
  sowing: Sowing,
  facts: FloweringFacts,
  correction: Correction | null,
  fate: Fate = "flowers",
  notes: string[] = [],
): First {
  const sown = dayNumber(sowing.sown);
  const { low, likely, high } = corrected(facts.daysToFlower, correction);
  return {
    early: sown + Math.round(low),
    likely: sown + Math.round(likely),
    late: sown + Math.round(high),
    basis: "days",
    fate,
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

/** A window that puts flowers off by so many days is worth a word. */
const HELD = 7;

/** What a lamp would do for what stands by a window in short days. */
function heldByTheWindow(
  from: number,
  likely: number,
  out: number,
  heat: number,
  facts: FloweringFacts,
  climate: Climate,
): string[] {
  if (from >= out) return [];
  const [lit] = daysOfHeat(from, out, facts.heat, climate, [heat], true);
  if (lit == null || likely - lit < HELD) return [];
  return [`Short days by a window hold it back: under a lamp it flowers about ${likely - lit} days sooner.`];
}

/** @param out the numbered day from which it stands in the open */
function byHeat(
  sowing: Sowing,
  facts: FloweringFacts,
  climate: Climate,
  correction: Correction | null,
  out: number,
): First {
  const start = startOfHeat(sowing, facts, climate);
  if (!start) {
    const { below, days } = facts.cold!;
    const chill = `keep its plants or roots for ${Math.round(days.low / 7)} to ${Math.round(days.high / 7)} weeks below ${below} °C`;
    const note = `It will not flower here without a winter: ${chill}, and it flowers after that.`;
    return byDays(sowing, facts, correction, "needs-winter", [note]);
  }
  const { low, likely, high } = corrected(facts.heat.degreeDays, correction);
  const [early, mid, late] = daysOfHeat(start.from, out, facts.heat, climate, [low, likely, high]);
  if (early == null || mid == null || (!facts.cold && mid - dayNumber(sowing.sown) > LONGEST_YOUTH))
    return byDays(sowing, facts, correction, "too-little-warmth", [
      "The warmth it needs to flower does not come here in the open: grow it under glass.",
    ]);
  const first: First = {
    early,
    likely: mid,
    late: late ?? mid + (mid - early),
    basis: "heat",
    fate: "flowers",
    notes: [...start.notes, ...heldByTheWindow(start.from, mid, out, likely, facts, climate)],
  };
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
      fate: "needs-other-days",
      notes: [...first.notes, `Days here never get ${light.kind} enough to trigger it: it will hardly flower.`],
    };
  return {
    ...first,
    early: e,
    likely: m,
    late: l ?? m + (m - e),
    notes: m > first.likely ? [...first.notes, `It waits for ${light.kind} days.`] : first.notes,
  };
}

/** What the cold that kills a stand leaves of its first flower: nothing, or no later one than that cold. A first flower that was seen stays. */
function untilKilled(first: First, kill: Kill, livesOn = false): First {
  if (first.fate !== "flowers" || first.basis === "seen") return first;
  if (first.likely >= dayNumber(kill.day)) {
    const note = `Cold kills it about ${dayInWords(kill.day)}, before it flowers${livesOn ? ", unless it is brought in" : ""}.`;
    return { ...first, fate: "killed-by-cold", notes: [...first.notes, note] };
  }
  if (first.basis !== "heat") return first;
  return { ...first, late: Math.max(first.likely, Math.min(first.late, killedBy(kill))) };
}

/** A window of flowers; what flowers until the frost ends with the cold that kills it. */
function windowFrom(first: First, flowerDays: Range, lag: Range, kill: Kill | null): Window {
  const start = first.likely + middleDay(lag);
  const [killed, surely] = kill ? [dayNumber(kill.day), killedBy(kill)] : [Infinity, Infinity];
  const end = Math.max(start, Math.min(first.likely + middleDay(flowerDays) - 1, killed));
  const latest = Math.min(first.late + Math.round(flowerDays.high) - 1, surely);
  return {
    start: dayOf(start),
    end: dayOf(end),
    earliest: dayOf(first.early + Math.round(lag.low)),
    latest: dayOf(Math.max(end, latest)),
  };
}

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
 * held back until days are long or short enough. Without them: the catalogue's days from sowing, which
 * also stand in where its fate is not to flower. A first flower that was seen replaces both, and cutting back after it begins anew; the length of flowering and
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
  const out = climate ? outFrom(sowing, facts, climate) : dayNumber(sowing.sown);
  let first: First;
  const { cutBack } = sowing;
  if (cutBack && facts.cutBack && !(sowing.firstFlower && sowing.firstFlower > cutBack)) {
    const cut = dayNumber(cutBack);
    const { low, high } = facts.cutBack;
    const notes = ["Counted from cutting back, a working value."];
    const likely = cut + middleDay(facts.cutBack);
    first = { early: cut + low, likely, late: cut + high, basis: "cut back", fate: "flowers", notes };
  } else if (sowing.firstFlower) {
    const seen = dayNumber(sowing.firstFlower);
    first = { early: seen, likely: seen, late: seen, basis: "seen", fate: "flowers", notes: [] };
  } else if (!climate || climate.daily.length === 0) first = byDays(sowing, facts, correction);
  else first = byHeat(sowing, facts, climate, correction, out);
  const kills = facts.kills ?? (facts.tender ? FROST : null);
  const kill =
    climate && kills
      ? killedFrom(dayOf(inTheOpen(sowing, facts, climate, out)), kills, climate, Boolean(sowing.plantedOut))
      : null;
  if (kill) first = untilKilled(first, kill, facts.livesOn);
  const femaleLag = first.basis === "seen" ? lagSeen(facts.femaleLag, sowing.firstSex ?? null) : facts.femaleLag;
  const male = windowFrom(
    first,
    facts.flowerDays,
    { low: Math.max(0, -femaleLag.high), high: Math.max(0, -femaleLag.low) },
    kill,
  );
  // Sexes that open together have one window, and a page carries it once.
  const together = femaleLag.low === 0 && femaleLag.high === 0;
  const lag = { low: Math.max(0, femaleLag.low), high: Math.max(0, femaleLag.high) };
  const female = together ? male : windowFrom(first, facts.flowerDays, lag, kill);
  const lastFemale = first.late + Math.round(lag.high);
  const ripe = (from: number, days: number) =>
    climate ? ripeBy(from, days, out, facts.heat, climate) : { day: from + days, ripens: true };
  const likely = ripe(dayNumber(female.start), middleDay(facts.daysToRipe));
  return {
    start: male.start < female.start ? male.start : female.start,
    end: male.end,
    earliest: male.earliest < female.earliest ? male.earliest : female.earliest,
    latest: male.latest,
    startLatest: dayOf(first.late),
    male,
    female,
    observed: first.basis === "seen",
    basis: first.basis,
    notes: first.notes,
    ripe: dayOf(likely.day),
    ripens: likely.ripens,
    ripeEarliest: dayOf(ripe(dayNumber(female.earliest), facts.daysToRipe.low).day),
    ripeLatest: dayOf(ripe(lastFemale, facts.daysToRipe.high).day),
    fate: first.fate,
    kill,
    stands: kills !== null && kill === null,
  };
}
