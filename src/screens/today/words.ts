import { addDays, type Day, dayInWords } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { bedInWords, placeInWords } from "@/core/ground/bedInWords";
import { bedOf } from "@/core/pollination/fathers";
import { DAY_PARTS, type DayPart, doingOf, isTimed } from "@/core/pollination/protocol";
import { minutesInWords } from "@/core/units/minutes";
import { plural } from "@/core/units/plural";
import { type Act, isPressing, LAST_DAYS } from "@/core/work/work";
import type { CrossTask, FatherTask } from "@/views/crossTasks";
import type { Task, Today, TodayBed } from "@/views/today";
import type { BedWork, StandWork } from "@/views/work";
import { listInWords } from "../common/words";

/** What an act is called where it is done with several plantings at once. */
const ACT_WORDS: Record<Act, string> = {
  sow: "Sow",
  "look-up": "Count what came up",
  thin: "Thin",
  stake: "Stake",
  "prick-out": "Prick out",
  harden: "Harden off",
  "plant-out": "Plant out",
  "winter-way": "Say how it comes through the winter",
  mulch: "Mulch",
  lift: "Lift and store",
  "look-store": "Check the stored roots",
  "count-living": "Count how many came through",
  replant: "Replant",
  "look-around": "Check what flowers around",
  rogue: "Rogue",
  cover: "Cover",
  "first-flower": "Watch for the first flower",
  sexes: "Count males and females",
  "males-out": "Remove males",
  score: "Score",
  choose: "Choose the best plants",
  bolters: "Check for bolters",
  self: "Plan the next generation",
  "flowers-off": "Take the flowers off",
  cage: "See to the cage",
  uncover: "Uncover",
  taste: "Taste",
  cut: "Cut",
  pick: "Pick a pass",
  "bring-in": "Bring in",
  gather: "Gather ripe seed",
  keep: "Put the seed away",
};

/** What is counted of an act over several plantings. */
const COUNTED: Partial<Record<Act, string>> = { sow: "seed" };

/** So many names stand in a title. */
const NAMED = 2;

/** What a piece of work is done with, by name. */
export const nameOf = ({ stand }: StandWork): string => nameWithGeneration(stand);

/** "Lantern melon F5, 4 rows", or names of plantings, or how many. */
function namesOf(works: StandWork[]): string {
  const names = [...new Set(works.map(nameOf))];
  if (names.length === 1 && works.length > 1) return `${names[0]}, ${plural(works.length, "row")}`;
  return names.length <= NAMED && names.length === works.length ? listInWords(names) : plural(works.length, "planting");
}

/** "Sow: Lantern melon F5, 6 rows, 60 seeds". */
export function titleOf({ works, count }: BedWork): string {
  const [first] = works as [StandWork, ...StandWork[]];
  if (works.length === 1) return `${first.what}: ${nameOf(first)}`;
  const unit = COUNTED[first.act];
  return `${ACT_WORDS[first.act]}: ${namesOf(works)}${unit && count ? `, ${plural(count, unit)}` : ""}`;
}

/** What one planting of several adds: its own count, and whose seed it is. */
export const rowInWords = ({ act, what, stand }: StandWork): string =>
  [
    ...(what === ACT_WORDS[act] ? [] : [what]),
    ...(stand.mother === null ? [] : [`seed of plant ${stand.mother}`]),
  ].join(" · ");

/** The last day of work, in words, and whether it hurries. */
export function lastInWords({ last, works }: BedWork, day: Day): { words: string; urgent: boolean } | null {
  if (!last) return null;
  if (works[0]!.standing === "missed") return { words: `its last day was ${dayInWords(last)}`, urgent: true };
  if (last === day) return { words: "today at the latest", urgent: true };
  return { words: `by ${dayInWords(last)}`, urgent: last <= addDays(day, LAST_DAYS) };
}

/** "Bed C · 25 min", as a row begins. */
export const whereAndHowLong = ({ place, minutes, works }: BedWork): string[] => [
  placeInWords(place),
  ...(works[0]!.standing === "missed" ? [] : [minutesInWords(minutes)]),
];

const PART_WORDS: Record<DayPart, string> = {
  dawn: "at dawn",
  morning: "in the morning",
  noon: "at noon",
  "any-hour": "in daylight",
  evening: "tonight",
};

/** Flowers that are seen to at their hour; fruit is no flower any more. */
const flowersOf = (task: Task): number =>
  task.kind !== "cross" || !isTimed(task.part)
    ? 0
    : doingOf(task.step).begins
      ? (task.state.evenings?.tonight ?? 1)
      : task.flowers.length;

/** A step of a cross's flowers, or of the males they want. */
export type StepTask = CrossTask | FatherTask;

const isStep = (task: Task): task is StepTask => task.kind === "cross" || task.kind === "father";
export const isStepOf = (tasks: Task[]): tasks is StepTask[] => tasks.length > 1 && tasks.every(isStep);

/** What makes steps of several crosses one: the same is done in the same bed at the same part of the day. */
export const stepIn = (task: StepTask): string => `${task.kind} ${task.part} ${nameOfStep(task)} ${bedOf(task)}`;
const nameOfStep = (task: StepTask): string => (task.kind === "cross" ? task.step.title : task.step.father.title);

/** The tasks of a day, the steps of several crosses in one bed together where the first of them stands. */
export function stepsInBeds(tasks: Task[]): Task[][] {
  const found = new Map<string, Task[]>();
  return tasks.flatMap((task) => {
    if (!isStep(task)) return [[task]];
    const known = found.get(stepIn(task));
    if (known) {
      known.push(task);
      return [];
    }
    const together: Task[] = [task];
    found.set(stepIn(task), together);
    return [together];
  });
}

/** How many a step is for, and of what: flowers of the mother, fruits, males. */
function countOfStep(task: StepTask): { count: number; one: string } {
  if (task.kind === "father") return { count: task.count, one: task.step.father.unit };
  const { step, flowers, state } = task;
  const { unit } = state.method;
  if (doingOf(step).begins)
    return { count: state.evenings?.tonight ?? 1, one: unit === "flower" ? "mother flower" : unit };
  return { count: flowers.length, one: doingOf(step).onFruit ? "fruit" : unit };
}

/** "Bag buds before they open: 2 mother flowers". */
export function titleOfCross(task: StepTask): string {
  const { count, one } = countOfStep(task);
  return `${nameOfStep(task)}: ${plural(count, one)}`;
}

/** "Bag buds before they open: 12 mother flowers, 6 crosses". */
export function titleOfStep(tasks: StepTask[]): string {
  const counts = tasks.map(countOfStep);
  const flowers = counts.reduce((sum, { count }) => sum + count, 0);
  const selfed = tasks.every(({ state }) => state.cross.kind === "self");
  const crosses = selfed ? plural(tasks.length, "selfing") : plural(tasks.length, "cross", "crosses");
  return `${nameOfStep(tasks[0]!)}: ${plural(flowers, counts[0]!.one)}, ${crosses}`;
}

/** The beds where something is to be done, in the order of the walk. */
export const stopsOf = (map: TodayBed[]): (TodayBed & { stop: number })[] =>
  map.flatMap((bed) => (bed.stop === null ? [] : { ...bed, stop: bed.stop })).sort((a, b) => a.stop - b.stop);

/** The day in one sentence: its flowers, then its beds. "7 flowers at dawn, then beds B and H." */
export function dayInOneSentence({ tasks, map }: Pick<Today, "tasks" | "map">): string {
  const timed = DAY_PARTS.map((part) => ({
    part,
    flowers: tasks.filter((task) => task.part === part).reduce((sum, task) => sum + flowersOf(task), 0),
  })).filter(({ flowers }) => flowers > 0);
  const stops = stopsOf(map).map(({ name }) => name);
  const beds = stops.length === 1 ? bedInWords(stops[0]!) : `beds ${listInWords(stops)}`;
  // One figure or two: the first of the day, and the evening.
  const told = timed.filter(({ part }, i) => i === 0 || part === "evening");
  const flowers = listInWords(told.map((one) => `${plural(one.flowers, "flower")} ${PART_WORDS[one.part]}`));
  if (flowers) return stops.length > 0 ? `${flowers}; the walk goes to ${beds}.` : `${flowers}.`;
  if (stops.length > 0) return `No flowers today; work in ${beds}.`;
  const pressing = tasks.filter(isPressing).length;
  return pressing > 0 ? `${plural(pressing, "task")}, none of them in a bed.` : "Nothing has to be done today.";
}

/** What can wait: how many tasks, and the first last day among them. */
export const waitingInWords = (tasks: Task[], day: Day): string =>
  since(
    tasks.length,
    "task",
    "can wait, the first until",
    addDays(day, Math.min(...tasks.map(({ daysLeft }) => daysLeft))),
  );

const soonestOf = (groups: BedWork[], of: (group: BedWork) => Day | null): Day | undefined =>
  groups.flatMap((group) => of(group) ?? []).sort()[0];

const since = (count: number, noun: string, words: string, day: Day | undefined): string =>
  `${plural(count, noun)} ${words}${day ? ` ${dayInWords(day)}` : ""}`;

const countOf = (groups: BedWork[]) => groups.reduce((sum, { works }) => sum + works.length, 0);

/** What is past its last day, can be done early, or comes next, in a line each. */
export const overdueInWords = (groups: BedWork[]): string =>
  since(
    countOf(groups),
    "overdue task",
    "since",
    soonestOf(groups, ({ last }) => last),
  );
export const earlyInWords = (groups: BedWork[]): string =>
  since(
    countOf(groups),
    "task",
    "can be done early, the first by",
    soonestOf(groups, ({ last }) => last),
  );
export const nextInWords = (groups: BedWork[]): string =>
  since(
    countOf(groups),
    "next task",
    "from",
    soonestOf(groups, ({ works }) => works[0]!.from),
  );
export const ownInWords = (count: number, due: Day): string => since(count, "task", "of your own from", due);

const BEFORE_POLLEN: ReadonlySet<string> = new Set(["gather", "pollinate"]);

/** Flowers, and fruits, that nobody came to in time. */
export function missedOf(late: CrossTask[]): { flowers: Id[]; fruits: Id[] } {
  const idsOf = (before: boolean) =>
    late
      .filter(({ step }) => BEFORE_POLLEN.has(step.action) === before)
      .flatMap((task) => task.flowers.map(({ id }) => id));
  return { flowers: idsOf(true), fruits: idsOf(false) };
}

export function lateInWords(late: CrossTask[]): string {
  const { flowers, fruits } = missedOf(late);
  return listInWords([
    ...(flowers.length > 0 ? [plural(flowers.length, "flower")] : []),
    ...(fruits.length > 0 ? [plural(fruits.length, "fruit")] : []),
  ]);
}
