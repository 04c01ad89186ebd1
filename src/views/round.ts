import { packedAhead } from "@/core/pollination/ahead";
import { brief, type CrossTask, type FatherTask, type StoreTask, type TaskCross } from "./crossTasks";
import type { Look, Outlook } from "./outlook";
import { type Today, todayView } from "./today";

/** A cross's task on its way to the round: its flowers by number, what is known of them stands in what lies ahead. */
export type SentTask = FatherTask | StoreTask | (Omit<CrossTask, "flowers"> & { flowers: number[] });

/** What the round shows of a day; what lies ahead goes along as one text. */
export type Round = Pick<Today, "garden" | "day" | "sun" | "heat" | "walk" | "hazards"> & {
  pinned: boolean;
  look: Look;
  open: TaskCross[];
  tasks: SentTask[];
  ahead: string;
};

/** The flowers of the day, as the round walks them. */
export function roundView(sky: Outlook): Round {
  const { garden, day, sun, heat, walk, hazards, ...view } = todayView(sky);
  const tasks = view.tasks.flatMap((task): SentTask[] => {
    if (task.kind === "cross") return [{ ...task, flowers: task.flowers.map(({ number }) => number) }];
    return task.kind === "store" || task.kind === "father" ? [task] : [];
  });
  // Under the objects that the tasks name, so that each goes to the browser once.
  const named = new Map(tasks.map(({ state }) => [state.cross.id, state]));
  const open = view.open.map((state) => named.get(state.cross.id) ?? brief(state));
  const ahead = sky.once("ahead", () => packedAhead(todayView(sky).ahead));
  const { pinned, look } = sky;
  return { pinned, look, garden, day, sun, heat, walk, open, hazards, tasks, ahead };
}
