import type { Day } from "@/core/calendar/day";
import { marksOf } from "@/core/climate/sun";
import { flowerCode } from "@/core/custody/code";
import { type Ahead, unpackedAhead } from "@/core/pollination/ahead";
import { malesFor } from "@/core/pollination/fathers";
import { type PendingPress, withPending } from "@/core/pollination/pending";
import { DAY_PARTS, type DayPart, doingOf } from "@/core/pollination/protocol";
import { dueSteps, type FlowerOnDay, onTheClock } from "@/core/pollination/steps";
import type { CrossTask, FatherTask, OnCross, StoreTask, TaskFlower } from "@/views/crossTasks";
import type { Round, SentTask } from "@/views/round";

/** One screen of the round: a flower at its step, or a step that makes new ones. */
export type Stop = { key: string; part: DayPart } & (
  | { task: CrossTask; flower: TaskFlower | null }
  | { task: FatherTask; flower: null }
  | { task: StoreTask; flower: null }
);

/** Steps that are done flower by flower; the others, and what is done at the father, are one stop for the cross. */
const isEach = (step: CrossTask["step"]) => doingOf(step).each && !(doingOf(step).gathers && step.father);

/** The round as it was before it was sent. */
export function unpacked({ tasks, ahead: text }: Pick<Round, "tasks" | "ahead">): {
  tasks: OnCross[];
  ahead: Ahead;
} {
  const ahead = unpackedAhead(text);
  const ids = new Map(
    Object.entries(ahead.crosses).map(([id, { flowers }]) => [id, new Map(flowers.map((f) => [f.number, f.id]))]),
  );
  const whole = (task: SentTask): OnCross => {
    if (task.kind !== "cross") return task;
    const { id, code } = task.state.cross;
    const named = (number: number) => ({ id: ids.get(id)!.get(number)!, number, code: flowerCode(code, number) });
    return { ...task, flowers: task.flowers.map(named) };
  };
  return { tasks: tasks.map(whole), ahead };
}

/** The tasks of a day as stops in walking order, those recorded on this device and not yet sent left out. */
export function stopsOf(tasks: OnCross[], done: ReadonlySet<string>): Stop[] {
  return tasks
    .flatMap((task): Stop[] => {
      if (task.kind === "store") return [{ key: `store ${task.state.cross.id}`, part: task.part, task, flower: null }];
      if (task.kind === "father")
        return [{ key: `father ${task.step.action} ${task.state.cross.id}`, part: task.part, task, flower: null }];
      const { step, state, flowers, part } = task;
      if (!isEach(step)) return [{ key: `${step.action} ${state.cross.id}`, part, task, flower: null }];
      return flowers.map((flower) => ({ key: `${step.action} ${flower.id}`, part, task, flower }));
    })
    .filter((stop) => !done.has(stop.key));
}

/**
 * The next steps of flowers that this device has presses about which no server has seen: those covered without a signal,
 * and those that are a step further than the page knows.
 * @param day the device's own, which may be after the page's
 */
export function tasksAhead(
  { garden, open }: Pick<Round, "garden" | "open">,
  { protocols, crosses }: Ahead,
  presses: PendingPress[],
  day: Day,
): CrossTask[] {
  if (presses.length === 0) return [];
  const marks = marksOf(garden.latitude, garden.longitude);
  return open.flatMap((state) => {
    const { cross } = state;
    const known = crosses[cross.id];
    if (!known) return [];
    const flowers = withPending(known.flowers, cross.id, presses);
    const fresh = flowers.filter(({ number }) => number === 0);
    const named = ({ id, number }: FlowerOnDay): TaskFlower => ({
      id,
      number,
      // The server gives the number; until then the device counts its own.
      code:
        number > 0 ? flowerCode(cross.code, number) : `${cross.code} new ${fresh.findIndex((f) => f.id === id) + 1}`,
    });
    const byId = new Map(flowers.map((flower) => [flower.id, flower]));
    const protocol = protocols[known.protocol]!;
    return dueSteps(protocol, flowers, day, known.daysToRipe, marks)
      .filter(({ step }) => doingOf(step).each)
      .map(
        (due): CrossTask => ({
          kind: "cross",
          state,
          males: malesFor(protocol, known.made, due.flowerIds.length),
          ...onTheClock(due, garden.timezone),
          flowers: due.flowerIds.map((id) => named(byId.get(id)!)),
        }),
      );
  });
}

/** The parts of the day that have stops, in the order in which they come. */
export const partsOf = (stops: Stop[]): DayPart[] => DAY_PARTS.filter((part) => stops.some((s) => s.part === part));
