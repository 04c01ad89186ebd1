import { addDays } from "@/core/calendar/day";
import type { Grower } from "./season";

/** What the grower wrote down for himself about that day. */
export function ownTasks(grower: Grower, day: string): void {
  grower.on(addDays(day, -6));
  grower.record("task.add", { title: "Empty the slug traps", due: addDays(day, -1), every: 3 });
  grower.record("task.add", { title: "Loosen the ties on the peppers", due: addDays(day, 4) });
  grower.record("task.add", { title: "Sieve leaf mould for sowing", due: addDays(day, 75), note: "two barrows" });
}
