import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import type { Task } from "./task";

/** Own tasks that are not done for good, the soonest first. */
export function openTasks(db: Db): Task[] {
  return prepared(
    db,
    "SELECT * FROM task WHERE doneOn IS NULL OR every IS NOT NULL ORDER BY due, title",
  ).all() as Task[];
}
