import type { Day } from "@/core/calendar/day";
import type { Db } from "@/db/open";
import type { Task } from "./task";

/** Own tasks that are not done for good, the soonest first. */
export function openTasks(db: Db): Task[] {
  return db.prepare("SELECT * FROM task WHERE doneOn IS NULL OR every IS NOT NULL ORDER BY due, title").all() as Task[];
}

/** Own tasks that were done for good on a day. */
export function tasksDoneOn(db: Db, day: Day): Task[] {
  return db.prepare("SELECT * FROM task WHERE doneOn = ? AND every IS NULL ORDER BY title").all(day) as Task[];
}
