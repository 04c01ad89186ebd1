import type { Day } from "@/core/calendar/day";
import { addressOfStand } from "@/core/custody/address";
import type { Id } from "@/core/custody/id";
import { laidOut, quieterDay } from "@/core/work/weeks";
import type { Garden } from "@/records/garden/garden";
import { openTasks } from "@/records/task/queries";
import { type Band, seasonBand } from "./band";
import type { Outlook } from "./outlook";
import { openWork, type StandWork } from "./work";

/** So many weeks are looked ahead. */
const WEEKS = 5;
/** A task of the grower's own takes about so long, minutes. */
const OWN = 15;

export type WeekWork = {
  key: string;
  title: string;
  minutes: number;
  last: Day | null;
  href: string;
  /** A quieter day it can be put off to, where its own is crowded. */
  quieter: Day | null;
  of: (Pick<StandWork, "act"> & { standIds: Id[] }) | null;
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
  const { db, garden, today } = sky;
  const own = openTasks(db).map(({ id, title, due }) => ({
    key: `own ${id}`,
    title,
    minutes: OWN,
    from: due,
    best: due,
    last: null,
    standing: "due" as const,
    href: "/",
    of: null,
  }));
  const works = openWork(sky).map(({ key, act, what, stand, minutes, from, best, last, standing }) => ({
    key,
    title: `${what}: ${stand.lineName}`,
    minutes,
    from,
    best,
    last,
    standing,
    href: addressOfStand(stand),
    of: { act, standIds: [stand.id] },
  }));
  const all = [...works, ...own];
  const days = laidOut(all, today, WEEKS * 7);
  const told = days.map(({ day, minutes, works }) => ({
    day,
    minutes,
    works: works.map((work): WeekWork => {
      const { key, title, minutes, last, href, of } = work;
      return { key, title, minutes, last, href, of, quieter: of && quieterDay(work, day, days) };
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
