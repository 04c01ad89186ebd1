import { type Day, daysBetween } from "../calendar/day";
import { doingOf, type FathersPart, type Protocol, type ProtocolStep } from "./protocol";

/** Males made ready at the father: how many, on which day, and when they were cut or fetched. */
export type Made = { males: number | null; malesOn: Day | null; fetchedOn: Day | null };

/** Steps of the mother's flowers that a walk to the father comes with. */
export type WithFather = "cover" | "pollinate";

/** A stop at the father's: for which step of the mother's flowers, how many, and how many stand ready from before. */
export type AtFather = {
  step: ProtocolStep & { action: WithFather; father: FathersPart };
  count: number;
  ready: number | null;
};

const isWithFather = (step: ProtocolStep): step is AtFather["step"] =>
  step.father !== null && (doingOf(step).begins || doingOf(step).pollinates);

/** Males that were tied on the day from which this one's flowers were covered. */
function readyFrom({ males, malesOn }: Made, { after }: ProtocolStep, day: Day): number | null {
  if (males === null || malesOn === null) return null;
  const since = daysBetween(malesOn, day);
  return since >= Math.max(1, after.low) && since <= after.high ? males : null;
}

/**
 * What is to be done at the father on a day: males tied while the mother's flowers are covered, and cut, or pollen
 * fetched, before they are pollinated. A plant that is selfed has its males beside it: they are tied, and nothing is
 * fetched.
 * @param females how many flowers of the mother the step is for on this day
 * @param made what was done at the father already
 * @example atFather({ steps: [{ action: "cover", father: { each: 2 } }] }, false, { cover: 3, pollinate: 0 }, { males:
 *   null, malesOn: null, fetchedOn: null }, "2027-07-09").map(({ count }) => count) // [6]
 */
export function atFather(
  { steps }: Protocol,
  self: boolean,
  females: Record<WithFather, number>,
  made: Made,
  day: Day,
): AtFather[] {
  return steps.filter(isWithFather).flatMap((step): AtFather[] => {
    const { action, father } = step;
    if (females[action] === 0) return [];
    const { begins, pollinates } = doingOf(step);
    const isDone = begins ? made.malesOn === day : self || made.fetchedOn === day;
    if (isDone) return [];
    const ready = pollinates ? readyFrom(made, step, day) : null;
    return [{ step, count: ready ?? Math.ceil(females[action] * father.each), ready }];
  });
}

/**
 * How many males each flower of the mother gets, as a step is offered: those at hand spread over its flowers; otherwise
 * what the father's part says; two where it says nothing. Of what sheds over all, tassels or males of a group, all of
 * them.
 * @param flowers of the mother on that day
 * @example malesFor({ unit: "flower", steps: [{ action: "pollinate", father: { each: 2 } }] }, { males: 9, malesOn:
 *   "2027-07-09", fetchedOn: null }, 3) // 3
 */
export function malesFor({ unit, steps }: Protocol, { males }: Made, flowers: number): number {
  const part = steps.find((step) => step.father && !doingOf(step).begins)?.father;
  if (unit !== "flower") return males ?? (part ? Math.max(1, Math.ceil(flowers * part.each)) : 2);
  if (!part) return 2;
  const each = males !== null && flowers > 0 && part.each >= 1 ? Math.floor(males / flowers) : part.each;
  return Math.max(1, Math.round(each));
}

type Place = { motherBed: string | null; fatherBed: string | null };

/**
 * The bed that a task on a cross leads to: the father's where males are tied or fetched, tassels bagged or pollen
 * gathered, the mother's for every other step.
 * @example bedOf({ kind: "father", state: { cross: { motherBed: "A", fatherBed: "B" } } }) // "B"
 */
export function bedOf(task: {
  kind: string;
  step?: Pick<ProtocolStep, "action" | "father">;
  state: { cross: Place };
}): string | null {
  const { kind, step, state } = task;
  const atFathers = kind !== "cross" || (step?.father != null && doingOf(step).gathers);
  return atFathers ? state.cross.fatherBed : state.cross.motherBed;
}
