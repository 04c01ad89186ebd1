import { seasonSpan } from "@/core/climate/season";
import { isPutOff } from "@/core/work/task";
import { standingBy } from "@/core/work/work";
import { putOffElse } from "@/records/deed/queries";
import { decidingOn } from "./linePlan";
import type { Outlook } from "./outlook";
import { crossTasksAhead } from "./tasks/crosses";
import { endangeredTasks, lineTasks, turnTask } from "./tasks/lines";
import { otherTasks, ownTasks } from "./tasks/others";
import { plantingTasks } from "./tasks/plantings";
import { seedTasks } from "./tasks/seed";
import type { LinkedTask } from "./tasks/task";

type Provider = (sky: Outlook) => LinkedTask[];

/** Who finds something to be done that is asked of no planting, cross or own list. */
const ELSEWHERE: Provider[] = [seedTasks, endangeredTasks, turnTask, lineTasks, otherTasks];
/** Who finds something to be done, each with things of one kind. */
const PROVIDERS: Provider[] = [plantingTasks, crossTasksAhead, ownTasks];

/** What was put off comes on its day; what was left, or is never to be asked, is left out. */
function putOff(sky: Outlook, tasks: LinkedTask[]): LinkedTask[] {
  const { db, today, garden, season } = sky;
  const told = putOffElse(db);
  const seasonBegan = seasonSpan(season, garden.latitude).start;
  // What was decided in winter holds for the season that follows.
  const decided = decidingOn(sky).began;
  return tasks.flatMap((task) => {
    const known = told.get(`${task.act} ${task.id}`);
    if (!known || !isPutOff(known, today, task.act === "regrow" ? decided : seasonBegan)) return [task];
    if (known.how !== "put-off") return [];
    const from = known.until!;
    const later = { ...task, from, best: task.best > from ? task.best : from };
    return [{ ...later, standing: standingBy(later, today) }];
  });
}

const found = (sky: Outlook, providers: Provider[]) => providers.flatMap((tasksOf) => tasksOf(sky));

/** What is to be done with anything but plantings and crosses, what was put off on its day. */
export const tasksElsewhere = (sky: Outlook): LinkedTask[] => putOff(sky, found(sky, ELSEWHERE));

/** Everything there is to be done, whatever it is done with, each in one shape. */
export const allTasks = (sky: Outlook): LinkedTask[] => [...found(sky, PROVIDERS), ...tasksElsewhere(sky)];

/** Of one season what its plantings ask for; of this one what its crosses and the seed ask for, too. */
export const tasksOfSeason = (sky: Outlook, season: number): LinkedTask[] => [
  ...plantingTasks(sky, season),
  ...(season === sky.season ? [...crossTasksAhead(sky), ...putOff(sky, seedTasks(sky))] : []),
];
