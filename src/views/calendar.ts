import { addDays, type Day } from "@/core/calendar/day";
import { opCount } from "@/records/history/queries";
import type { Outlook } from "./outlook";
import { allTasks, tasksOfSeason } from "./tasks";
import type { LinkedTask } from "./tasks/task";

/** `id` names it for as long as the garden stands, so that a calendar that takes the file in again knows it. */
export type CalendarEvent = {
  id: string;
  start: Day;
  end: Day;
  /** The hour of the garden at which it calls; whole days without one. */
  at?: string;
  title: string;
  note: string;
};

/** Work without a last chance stands in the calendar for so long, days. */
const OPEN_END = 7;

/** A task as an event: on its best day, until its last; at its hour where it has one. */
function eventOf(task: LinkedTask, today: Day): CalendarEvent {
  const { of, key, what, how, best, last, otherwise, minutes, name, code, place, at } = task;
  const forecast = of === "planting" || of === "cross";
  // What is done by the hour, or on a day of its own, stands on that day alone.
  const single = of === "lot" || of === "own" || last === null;
  const start = best < today && of !== "planting" ? today : best;
  const end = of === "planting" ? (last ?? addDays(best, OPEN_END)) : single || last < start ? start : last;
  const notes = [
    place && `Bed ${place}.`,
    how,
    of !== "own" && `About ${minutes} min.`,
    last && otherwise && `After ${last}: ${otherwise}.`,
    forecast && "A forecast, not a promise: look in good time.",
  ];
  return {
    id: key.replaceAll(" ", "-"),
    start,
    end,
    ...(at !== null && { at }),
    title: [what, name && `: ${name}`, code && ` (${code})`].filter(Boolean).join(""),
    note: notes.filter(Boolean).join(" "),
  };
}

/** The work that is open, as calendar events: on stands of one season, or all of it with the crosses and own tasks. */
export function calendarView(
  sky: Outlook,
  season: number | null,
): { name: string; events: CalendarEvent[]; sequence: number } {
  const { garden, db, today } = sky;
  const tasks = season === null ? allTasks(sky) : tasksOfSeason(sky, season);
  return {
    name: season === null ? garden.name : `${garden.name} ${season}`,
    events: tasks.filter(({ standing }) => standing !== "missed").map((task) => eventOf(task, today)),
    // It rises with every press, as a calendar wants of an event that was changed.
    sequence: opCount(db),
  };
}
