import type { Day } from "@/core/calendar/day";
import { laidOut, quieterDay } from "@/core/work/weeks";
import type { Garden } from "@/records/garden/garden";
import { type Band, seasonBand } from "./band";
import type { Outlook } from "./outlook";
import { allTasks } from "./tasks";
import { type PutOffInput, putOffOf } from "./tasks/task";

/** So many weeks are looked ahead. */
const WEEKS = 5;
export type WeekWork = {
  key: string;
  title: string;
  minutes: number;
  last: Day | null;
  href: string;
  /** A quieter day it can be put off to, where its own is crowded, and how that is said of it. */
  quieter: Day | null;
  putOff: PutOffInput | null;
};
export type Weeks = {
  garden: Garden;
  band: Band;
  today: Day;
  weeks: { start: Day; minutes: number; days: { day: Day; minutes: number; works: WeekWork[] }[] }[];
  /** How much is best done later than these weeks. */
  beyond: number;
};

/** The work of the weeks ahead by day, so that a crowded one is seen and can be eased. */
export const weeksView = (sky: Outlook): Weeks => sky.once("weeks", () => ahead(sky));

function ahead(sky: Outlook): Weeks {
  const { garden, today } = sky;
  const all = allTasks(sky);
  const days = laidOut(all, today, WEEKS * 7);
  const told = days.map(({ day, minutes, works }) => ({
    day,
    minutes,
    works: works.map((task): WeekWork => {
      const { key, what, name, minutes, last, href } = task;
      const putOff = putOffOf(task);
      const title = name ? `${what}: ${name}` : what;
      return { key, title, minutes, last, href, putOff, quieter: putOff && quieterDay(task, day, days) };
    }),
  }));
  return {
    garden,
    band: seasonBand(sky),
    today,
    weeks: Array.from({ length: WEEKS }, (_, n) => {
      const week = told.slice(n * 7, n * 7 + 7);
      return { start: week[0]!.day, minutes: week.reduce((sum, { minutes }) => sum + minutes, 0), days: week };
    }),
    beyond: all.filter(({ best, standing }) => standing !== "missed" && best > days.at(-1)!.day).length,
  };
}
