import { SPECIES, speciesById } from "@/catalogue/catalogue";
import { type Day, daysBetween } from "@/core/calendar/day";
import { flowerCode } from "@/core/custody/code";
import { fatherInWords, parentName } from "@/core/custody/parents";
import { type AtFather, atFather, malesFor } from "@/core/pollination/fathers";
import { type DayPart, doingOf, type ProtocolStep, type StepAction } from "@/core/pollination/protocol";
import { dueSteps, onTheClock, windowOn } from "@/core/pollination/steps";
import type { MixedFather } from "@/records/candidate/queries";
import type { CrossRow } from "@/records/cross/queries";
import { protocolOfCross } from "@/records/flower/commands";
import type { Flower } from "@/records/flower/flower";
import type { FlowerUnderWay } from "@/records/flower/queries";
import { type CrossState, type CrossSummary, type Hand, onDay, type Parents } from "./pollination";

/** No species ripens its seed in fewer days than this. */
export const QUICKEST = Math.min(...SPECIES.map((s) => s.daysToRipe.low));

export type TaskFlower = Pick<Flower, "id" | "number"> & { code: string };

/** What a task says of its cross. */
const OF_CROSS = [
  "id",
  "code",
  "version",
  "motherName",
  "motherNumber",
  "motherBed",
  "motherBedId",
  "fatherName",
  "fatherNumber",
  "fatherBed",
  "fatherBedId",
  "kind",
  "moreFathers",
  "storage",
] as const satisfies (keyof CrossSummary)[];
export type TaskCross = Pick<CrossState, "method" | "petals" | "evenings" | "last"> & {
  cross: Pick<CrossSummary, (typeof OF_CROSS)[number]>;
};

export type CrossTask = {
  kind: "cross";
  part: DayPart;
  state: TaskCross;
  step: ProtocolStep;
  daysLeft: number;
  /** The clock between which it is done today. */
  from: string;
  to: string;
  flowers: TaskFlower[];
  /** Males for each flower, or tassels over all, as they are offered. */
  males: number;
};
/** Males to be tied, cut or fetched at the father, before or beside a step of the mother's flowers. */
export type FatherTask = AtFather & {
  kind: "father";
  part: DayPart;
  state: TaskCross;
  /** Where the males are: the father, or each of several whose pollen is mixed. */
  fathers: { name: string; bed: string | null }[];
  daysLeft: number;
  from: string;
  to: string;
};
/** Father's pollen to be gathered and kept, while he still flowers. */
export type StoreTask = { kind: "store"; part: DayPart; state: TaskCross; until: Day; daysLeft: number };
/** A task on a cross. */
export type OnCross = CrossTask | FatherTask | StoreTask;

/** What tasks say of a cross. */
export const brief = ({ cross, method, petals, evenings, last }: CrossState): TaskCross => ({
  cross: Object.fromEntries(OF_CROSS.map((name) => [name, cross[name]])) as TaskCross["cross"],
  method,
  petals,
  evenings,
  last,
});

/** Where the males are: on the father; of a plant that is selfed, on that plant. */
const fatherOf = (cross: CrossRow): string =>
  cross.kind === "self" ? parentName(cross.motherName, cross.motherNumber) : fatherInWords(cross);

/** The tasks of one cross on a day. */
export function crossTasks(
  cross: CrossRow,
  flowers: FlowerUnderWay[],
  state: TaskCross,
  { father }: Pick<Parents, "father">,
  mixed: MixedFather[],
  { sky, marks }: Hand,
): OnCross[] {
  const { today, garden } = sky;
  const species = speciesById(cross.species);
  const protocol = protocolOfCross(cross);
  const byId = new Map(flowers.map((f) => [f.id, f]));
  const due = dueSteps(protocol, onDay(flowers, today, garden.timezone), today, species.daysToRipe, marks).map(
    (step): OnCross => ({
      kind: "cross",
      state,
      males: malesFor(protocol, cross, step.flowerIds.length),
      ...onTheClock(step, garden.timezone),
      flowers: step.flowerIds.map((id) => {
        const { number } = byId.get(id)!;
        return { id, number, code: flowerCode(cross.code, number) };
      }),
    }),
  );
  const cover = protocol.steps[0]!;
  const coveredTonight = flowers.filter((f) => f.coveredOn === today).length;
  if (state.evenings && coveredTonight < state.evenings.tonight) {
    const coming = { step: cover, daysLeft: state.last!.daysLeft, ...windowOn(cover, today, marks) };
    due.push({ kind: "cross", state, ...onTheClock(coming, garden.timezone), flowers: [], males: 1 });
  }
  const ripe = due.flatMap((task) => (task.kind === "cross" && !isLate(task) ? [task] : []));
  const females = {
    cover: Math.max(coveredTonight, state.evenings?.tonight ?? 0),
    pollinate: ripe.find(({ step }) => doingOf(step).pollinates)?.flowers.length ?? 0,
  };
  const fathers =
    mixed.length > 0
      ? mixed.map(({ name, number, bed }) => ({ name: parentName(name, number), bed }))
      : [{ name: fatherOf(cross), bed: cross.fatherBed }];
  for (const stop of cross.storage ? [] : atFather(protocol, cross.kind === "self", females, cross, today)) {
    const { step } = stop;
    const clock = onTheClock({ step, daysLeft: 0, ...windowOn(step, today, marks) }, garden.timezone);
    due.push({ kind: "father", state, fathers, ...clock, ...stop });
  }
  const { male } = father.window;
  if (cross.storage && !cross.storedOn && today >= male.start && today <= male.end)
    due.push({ kind: "store", part: "morning", state, until: male.end, daysLeft: daysBetween(today, male.end) });
  return due;
}

/**
 * So many days past its time a step is no stop of the round any more: a flower is over, a fruit nobody looked after for
 * weeks has dropped or hangs as it did.
 */
const FORGOTTEN: Record<StepAction, number> = {
  cover: Number.POSITIVE_INFINITY,
  gather: 2,
  pollinate: 2,
  uncover: 21,
  check: 21,
  harvest: 45,
};

/** Whether flowers, or fruits, were not seen to in their time. */
export const isLate = ({ step, daysLeft }: CrossTask): boolean => daysLeft < -FORGOTTEN[step.action];

/** Pollen that is fetched before the mother's flowers want it. */
export const isFetched = (task: OnCross): boolean => task.kind === "father" && doingOf(task.step).pollinates;
