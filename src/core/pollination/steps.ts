import { addDays, type Day, daysBetween, overlapDays, type Span, sharedSpan } from "../calendar/day";
import type { FlowerState } from "./tally";

/** Bands of a day. */
export type Band = "dawn" | "morning" | "any-hour" | "evening";

export type StepAction = "cover" | "pollinate" | "check" | "harvest";

export type ProtocolStep = {
  action: StepAction;
  band: Band;
  /** Days after the step before. */
  after: { low: number; high: number };
  title: string;
  look: string;
  tooLate: string;
  tools: string;
};

export type Protocol = { id: string; name: string; steps: ProtocolStep[]; faults: string[] };

export type FlowerOnDay = {
  id: number;
  number: number;
  state: FlowerState;
  coveredOn: Day;
  pollinatedOn: Day | null;
  checkedOn: Day | null;
};

export type DueStep = {
  step: ProtocolStep;
  flowerIds: number[];
  /** How many days it may still wait; 0 is the last day, negative is late. */
  daysLeft: number;
};

/** What each state waits for, and the day from which it counts. */
const NEXT: Partial<Record<FlowerState, { action: StepAction; since: (flower: FlowerOnDay) => Day }>> = {
  covered: { action: "pollinate", since: (flower) => flower.coveredOn },
  pollinated: { action: "check", since: (flower) => flower.pollinatedOn! },
  set: { action: "harvest", since: (flower) => flower.pollinatedOn! },
};

/**
 * The steps of a protocol that a cross's flowers are due for on a day, one for each action, last chance first.
 * @param ripeDays days from pollination to ripe seed, for the harvest step
 */
export function dueSteps(
  protocol: Protocol,
  flowers: FlowerOnDay[],
  day: Day,
  ripeDays: { low: number; high: number },
): DueStep[] {
  const due = new Map<StepAction, DueStep>();
  for (const flower of flowers) {
    const next = NEXT[flower.state];
    const step = next && protocol.steps.find((s) => s.action === next.action);
    if (!next || !step) continue;
    const after = step.action === "harvest" ? ripeDays : step.after;
    const elapsed = daysBetween(next.since(flower), day);
    if (elapsed < after.low) continue;
    const daysLeft = after.high - elapsed;
    const known = due.get(step.action);
    if (known) {
      known.flowerIds.push(flower.id);
      known.daysLeft = Math.min(known.daysLeft, daysLeft);
    } else due.set(step.action, { step, flowerIds: [flower.id], daysLeft });
  }
  return [...due.values()].sort((a, b) => a.daysLeft - b.daysLeft);
}

export type LastDay = { day: Day; daysLeft: number; reason: "flowering" | "frost" };

/**
 * The last evening on which covering a flower still makes seed: both parents in flower the next day, and seed of a
 * flower pollinated then ripe before the frost at the quick end of its range.
 * @returns null when the flowerings never meet
 */
export function lastDayToCover(
  mother: Span,
  father: Span,
  frost: Day | null,
  ripeDays: { low: number; high: number },
  today: Day,
): LastDay | null {
  const both = sharedSpan(mother, father);
  if (!both) return null;
  const byFlowers = addDays(both.end, -1);
  const byFrost = frost ? addDays(frost, -ripeDays.low - 1) : byFlowers;
  const day = byFrost < byFlowers ? byFrost : byFlowers;
  return { day, daysLeft: daysBetween(today, day), reason: byFrost < byFlowers ? "frost" : "flowering" };
}

export type Meeting = { days: number; gapDays: number; first: "mother" | "father" | null };

/**
 * Whether two flowerings meet: common days, or else the days from one's end to the other's start and which is first.
 */
export function meeting(mother: Span, father: Span): Meeting {
  const days = overlapDays(mother, father);
  if (days > 0) return { days, gapDays: 0, first: null };
  return mother.end < father.start
    ? { days, gapDays: daysBetween(mother.end, father.start), first: "mother" }
    : { days, gapDays: daysBetween(father.end, mother.start), first: "father" };
}
