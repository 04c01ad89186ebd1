import { DAY_PARTS, type DayPart } from "@/core/pollination/protocol";
import type { CrossTask, StoreTask, TaskFlower, Today } from "@/views/today";

/** One screen of the round: a flower at its step, or a step that makes new ones. */
export type Stop = { key: string; part: DayPart } & (
  | { task: CrossTask; flower: TaskFlower | null }
  | { task: StoreTask; flower: null }
);

/** Steps that are done flower by flower; the others are one stop for the cross. */
const EACH: ReadonlySet<string> = new Set(["gather", "pollinate", "uncover", "check"]);

/** The tasks of a day as stops in walking order, those recorded on this device and not yet sent left out. */
export function stopsOf(tasks: Today["tasks"], done: ReadonlySet<string>): Stop[] {
  return tasks
    .flatMap((task): Stop[] => {
      if (task.kind === "store") return [{ key: `store ${task.state.cross.id}`, part: task.part, task, flower: null }];
      if (task.kind !== "cross") return [];
      const { step, state, flowers, part } = task;
      if (!EACH.has(step.action)) return [{ key: `${step.action} ${state.cross.id}`, part, task, flower: null }];
      return flowers.map((flower) => ({ key: `${step.action} ${flower.id}`, part, task, flower }));
    })
    .filter((stop) => !done.has(stop.key));
}

/** The parts of the day that have stops, in the order in which they come. */
export const partsOf = (stops: Stop[]): DayPart[] => DAY_PARTS.filter((part) => stops.some((s) => s.part === part));
