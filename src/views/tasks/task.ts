import type { Id } from "@/core/custody/id";
import { type Asked, MINUTES_OF, type Task } from "@/core/work/task";
import { type Act, standingBy } from "@/core/work/work";
import type { Outlook } from "../outlook";

/** A task with the page where it is done. */
export type LinkedTask = Task & { href: string };

type Said = Pick<LinkedTask, "id" | "key" | "act" | "what" | "from" | "name" | "href"> &
  ({ of: keyof typeof MINUTES_OF } | { of: "cross"; minutes: number });

/** A task that waits for nothing and stands by its own days; what is not said of it is as is usual. */
export function taskOn({ today }: Outlook, said: Said & Partial<LinkedTask>): LinkedTask {
  const { from, best = from, last = null } = said;
  return {
    how: "",
    minutes: said.of === "cross" ? said.minutes : MINUTES_OF[said.of],
    part: "any-hour",
    otherwise: null,
    code: null,
    place: null,
    at: null,
    ...said,
    best,
    last,
    standing: said.standing ?? standingBy({ from, best, last }, today),
  };
}

/** Of what, and what of it, is put off or left. */
export type PutOffInput =
  | { standIds: Id[]; act: Act }
  | { lineId: Id; act: Asked }
  | { sourceId: Id; act: Asked }
  | { storeId: Id; act: Asked }
  | { testId: Id; act: Asked };

/** How a task is put off or left; null for what has its hour, or its own way. */
export function putOffOf({ of, id, act }: Pick<Task, "of" | "id" | "act">): PutOffInput | null {
  switch (of) {
    case "planting":
      return { standIds: [id], act: act as Act };
    case "line":
      return { lineId: id, act: act as Asked };
    case "neighbour":
      return { sourceId: id, act: "ask" };
    case "place":
      return { storeId: id, act: "desiccant" };
    case "test":
      return { testId: id, act: "count" };
    default:
      return null;
  }
}
