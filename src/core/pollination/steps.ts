import { addDays, type Day, daysBetween, overlapDays, type Span, sharedSpan } from "../calendar/day";
import { clockTime, type SunMarks } from "../climate/sun";
import type { Id } from "../custody/id";
import type { Range } from "../flowering/facts";
import { dayPartOf, doingOf, type Protocol, type ProtocolStep, type StepAction } from "./protocol";
import { type FlowerState, UNDER_WAY } from "./tally";

/** What is known of a flower: the day of each step that was done, and the moment where one was kept. */
export type FlowerOnDay = {
  id: Id;
  number: number;
  state: FlowerState;
  on: Partial<Record<StepAction, Day>>;
  /** When it was pollinated, last. */
  pollinatedAt: Date | null;
  /** How often it was pollinated, and the last day of it. */
  passes: number;
  lastPass: Day | null;
};

/** The sun's moments on a day; see `marksOf`. */
export type Marks = (day: Day) => SunMarks;

const HOUR = 3_600_000;
const later = (moment: Date, hours: number): Date => new Date(moment.getTime() + hours * HOUR);

/**
 * Between which moments a step is done on a day.
 * @example windowOn({ anchor: "sunrise", hours: { low: 0, high: 3 } }, "1970-01-01", () => ({ sunrise: new Date(0)
 *   })).to.getTime() // 10800000
 */
export function windowOn({ anchor, hours }: Pick<ProtocolStep, "anchor" | "hours">, day: Day, marks: Marks) {
  const sun = marks(day);
  if (anchor === "day") return { from: sun.sunrise, to: sun.sunset };
  const at = sun[anchor];
  return { from: later(at, hours.low), to: later(at, hours.high) };
}

/** The last step of its protocol that a flower has behind it; −1 for none. */
function lastDone(protocol: Protocol, flower: FlowerOnDay): number {
  return protocol.steps.findLastIndex((step) => flower.on[step.action] !== undefined);
}

export type Due = {
  step: ProtocolStep;
  /** Between which moments, on the day that was asked for. */
  from: Date;
  to: Date;
  /** How many days it may still wait; 0 is the last day, negative is late. */
  daysLeft: number;
};

type Waiting = { step: ProtocolStep; since: Day; after: Range; earliest: Date };

/** The steps a flower waits for: the next of its protocol, and before it another pass of the one that is done over. */
function waitingFor(protocol: Protocol, flower: FlowerOnDay, ripeDays: Range, marks: Marks): Waiting[] {
  if (!UNDER_WAY.has(flower.state)) return [];
  const index = lastDone(protocol, flower);
  const last = protocol.steps[index];
  const next = protocol.steps[index + 1];
  if (!last || !next) return [];
  const done = flower.on[last.action]!;
  const moment = doingOf(last).pollinates ? flower.pollinatedAt : null;
  const harvest = doingOf(next).ripens;
  const since = harvest ? (flower.on.pollinate ?? done) : done;
  const wait: Waiting[] = [
    {
      step: next,
      since,
      after: harvest ? ripeDays : next.after,
      earliest: moment ?? windowOn(last, done, marks).from,
    },
  ];
  if (last.again && flower.lastPass && flower.passes < last.again.times)
    wait.unshift({
      step: last,
      since: flower.lastPass,
      after: last.again.every,
      earliest: moment ?? windowOn(last, flower.lastPass, marks).from,
    });
  return wait;
}

/**
 * What a flower is due for on a day; null when nothing is, or not yet.
 *
 * A step comes after the one before it in its protocol, not before the days between them have passed, and on the same
 * day not before the moment of that one. Another pass of a repeated step falls away once its days are over.
 * @param ripeDays days from pollination to ripe seed, for the harvest step
 * @example dueOf({ steps: [{ action: "cover", anchor: "day" }, { action: "pollinate", anchor: "day", after: { low: 1,
 *   high: 2 } }] }, { state: "covered", on: { cover: "2027-07-09" } }, "2027-07-10", { low: 40, high: 50 }, (day) => ({
 *   sunrise: new Date(day), sunset: new Date(day + "T18:00Z") }))?.daysLeft // 1
 */
export function dueOf(protocol: Protocol, flower: FlowerOnDay, day: Day, ripeDays: Range, marks: Marks): Due | null {
  for (const { step, since, after, earliest } of waitingFor(protocol, flower, ripeDays, marks)) {
    const elapsed = daysBetween(since, day);
    const daysLeft = after.high - elapsed;
    const pass = flower.on[step.action] !== undefined;
    if (elapsed < after.low || (pass && daysLeft < 0)) continue;
    const { from, to } = windowOn(step, day, marks);
    if (to <= earliest) continue;
    return { step, from: from > earliest ? from : earliest, to, daysLeft };
  }
  return null;
}

/**
 * A step that is due, with its part of the day and the clock in the garden's time zone.
 * @example onTheClock({ step: { anchor: "dusk" }, from: new Date("2027-07-09T19:00Z"), to: new
 *   Date("2027-07-09T20:30Z"), daysLeft: 0 }, "Europe/Zurich").to // "22:30"
 */
export const onTheClock = ({ step, from, to, daysLeft }: Due, timezone: string) => ({
  part: dayPartOf(step),
  step,
  daysLeft,
  from: clockTime(from, timezone),
  to: clockTime(to, timezone),
});

export type DueStep = Due & { flowerIds: Id[] };

/**
 * The steps that a cross's flowers are due for on a day, one for each action, last chance first.
 * @example dueSteps({ steps: [{ action: "cover", anchor: "day" }, { action: "pollinate", anchor: "day", after: { low:
 *   1, high: 2 } }] }, [{ id: "a", state: "covered", on: { cover: "2027-07-09" } }, { id: "b", state: "set", on: {
 *   cover: "2027-07-09", pollinate: "2027-07-10" } }], "2027-07-11", { low: 40, high: 50 }, (day) => ({ sunrise: new
 *   Date(day), sunset: new Date(day + "T18:00Z") })).map((due) => due.flowerIds) // [["a"]]
 */
export function dueSteps(
  protocol: Protocol,
  flowers: FlowerOnDay[],
  day: Day,
  ripeDays: Range,
  marks: Marks,
): DueStep[] {
  const due = new Map<StepAction, DueStep>();
  for (const flower of flowers) {
    const own = dueOf(protocol, flower, day, ripeDays, marks);
    if (!own) continue;
    const known = due.get(own.step.action);
    if (known) {
      known.flowerIds.push(flower.id);
      known.daysLeft = Math.min(known.daysLeft, own.daysLeft);
    } else due.set(own.step.action, { ...own, flowerIds: [flower.id] });
  }
  return [...due.values()].sort((a, b) => a.daysLeft - b.daysLeft);
}

/** A step that flowers come to, with the first and the last day on which it is done. */
export type ComingStep = { step: ProtocolStep; flowers: FlowerOnDay[]; from: Day; last: Day };

/**
 * What a cross's flowers wait for from a day on, together where it is one step in the same days, the first day first. What
 * is past on that day is left out.
 * @param ripeDays days from pollination to ripe seed, for the harvest step
 * @example comingSteps({ steps: [{ action: "cover", anchor: "day" }, { action: "pollinate", anchor: "day", after: { low:
 *   1, high: 2 } }] }, [{ id: "a", state: "covered", on: { cover: "2027-07-09" } }], "2027-07-09", { low: 40, high: 50 },
 *   (day) => ({ sunrise: new Date(day), sunset: new Date(day + "T18:00Z") })).map(({ from, last }) => [from, last]) // [["2027-07-10", "2027-07-11"]]
 */
export function comingSteps(
  protocol: Protocol,
  flowers: FlowerOnDay[],
  day: Day,
  ripeDays: Range,
  marks: Marks,
): ComingStep[] {
  const coming = new Map<string, ComingStep>();
  for (const flower of flowers) {
    const next = waitingFor(protocol, flower, ripeDays, marks)
      .map(({ step, since, after }) => ({ step, from: addDays(since, after.low), last: addDays(since, after.high) }))
      .find(({ last }) => last >= day);
    if (!next) continue;
    const key = `${next.step.action} ${next.from} ${next.last}`;
    const known = coming.get(key);
    if (known) known.flowers.push(flower);
    else coming.set(key, { ...next, flowers: [flower] });
  }
  return [...coming.values()].sort((a, b) => a.from.localeCompare(b.from) || a.last.localeCompare(b.last));
}

/**
 * Why a step can't be recorded for a flower on a day, as a sentence's end, and whether the day is at fault; null when
 * it can.
 * @example refusalOf({ name: "Ears", steps: [{ action: "cover" }] }, { on: {} }, "gather", "2027-07-09") // { byDay:
 *   false, words: "takes no such step: ears" }
 */
export function refusalOf(
  protocol: Protocol,
  flower: FlowerOnDay,
  action: StepAction,
  day: Day,
): { byDay: boolean; words: string } | null {
  const index = protocol.steps.findIndex((s) => s.action === action);
  const step = protocol.steps[index];
  if (!step) return { byDay: false, words: `takes no such step: ${protocol.name.toLowerCase()}` };
  const done = lastDone(protocol, flower);
  if (done === index && step.again) {
    if (day < flower.lastPass!) return { byDay: true, words: `was done last on ${flower.lastPass}, after that day` };
    return null;
  }
  if (done >= index) return { byDay: false, words: `is ${flower.state} already` };
  const before = protocol.steps[index - 1]!;
  const since = flower.on[before.action];
  if (since === undefined) return { byDay: false, words: `is only ${flower.state}; first ${lower(before.title)}` };
  const elapsed = daysBetween(since, day);
  if (elapsed < step.after.low)
    return {
      byDay: true,
      words:
        step.after.low === 1
          ? `was begun on ${since}; it is ready the morning after`
          : `had its last step on ${since}; it is ready ${step.after.low} days after`,
    };
  if (doingOf(step).pollinates && elapsed > step.after.high)
    return {
      byDay: true,
      words: `was ready ${elapsed - step.after.high} days before and is past it; record it as limp`,
    };
  return null;
}

const lower = (title: string) => title[0]!.toLowerCase() + title.slice(1);

export type LastDay = { day: Day; daysLeft: number; reason: "flowering" | "frost" };

/**
 * The last evening on which covering a flower still makes seed: both parents in flower when it is pollinated, and its
 * seed ripe before the frost at the quick end of its range.
 * @param lead days from covering to pollinating
 * @returns null when the flowerings never meet
 * @example lastDayToCover({ start: "2027-07-01", end: "2027-07-20" }, { start: "2027-07-05", end: "2027-07-15" }, null,
 *   { low: 40, high: 50 }, "2027-07-10", 1) // { day: "2027-07-14", daysLeft: 4, reason: "flowering" }
 */
export function lastDayToCover(
  mother: Span,
  father: Span,
  frost: Day | null,
  ripeDays: Range,
  today: Day,
  lead: number,
): LastDay | null {
  const both = sharedSpan(mother, father);
  if (!both) return null;
  const byFlowers = addDays(both.end, -lead);
  const byFrost = frost ? addDays(frost, -ripeDays.low - lead) : byFlowers;
  const day = byFrost < byFlowers ? byFrost : byFlowers;
  return { day, daysLeft: daysBetween(today, day), reason: byFrost < byFlowers ? "frost" : "flowering" };
}

export type Meeting = { days: number; gapDays: number; first: "mother" | "father" | null };

/**
 * Whether two flowerings meet: common days, or else the days from one's end to the other's start and which is first.
 * @example meeting({ start: "2027-07-01", end: "2027-07-05" }, { start: "2027-07-09", end: "2027-07-20" }) // { days:
 *   0, gapDays: 4, first: "mother" }
 */
export function meeting(mother: Span, father: Span): Meeting {
  const days = overlapDays(mother, father);
  if (days > 0) return { days, gapDays: 0, first: null };
  return mother.end < father.start
    ? { days, gapDays: daysBetween(mother.end, father.start), first: "mother" }
    : { days, gapDays: daysBetween(father.end, mother.start), first: "father" };
}
