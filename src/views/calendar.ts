import { addDays, type Day } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import { within } from "@/core/units/within";
import { opCount } from "@/records/history/queries";
import { openTasks } from "@/records/task/queries";
import type { Outlook } from "./outlook";
import { seedCalls, seedTaskOf } from "./seedCalls";
import { seedTable } from "./seedTable";
import { todayView } from "./today";
import { openWork, type StandWork, workOfSeason } from "./work";

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

function eventOf({ key, what, how, best, last, otherwise, minutes, stand }: StandWork): CalendarEvent {
  const notes = [
    stand.bedName && `Bed ${stand.bedName}.`,
    how,
    `About ${minutes} min.`,
    last && otherwise && `After ${last}: ${otherwise}.`,
    "A forecast, not a promise: look in good time.",
  ];
  return {
    id: key.replace(" ", "-"),
    start: best,
    end: last ?? addDays(best, OPEN_END),
    title: `${what}: ${nameWithGeneration(stand)} (${stand.code})`,
    note: notes.filter(Boolean).join(" "),
  };
}

/** Flowers that open crosses still want, as long as both parents flower. */
function crossEvents(sky: Outlook): CalendarEvent[] {
  return todayView(sky).open.flatMap(({ cross, toDo, last, method }) => {
    if (toDo.likely === 0 || !last || last.daysLeft < 0) return [];
    return [
      {
        id: `cross-${cross.id}`,
        start: sky.today,
        end: last.day,
        title: `${cross.code}: ${toDo.likely} more to pollinate, ${cross.motherName} × ${cross.fatherName}`,
        note: `${method.name}. The last evening to cover is ${last.day}.`,
      },
    ];
  });
}

/** What seed on the table and in the drawer calls for; what the table will call for by the hour. */
function seedEvents(sky: Outlook): CalendarEvent[] {
  const { today } = sky;
  const { lots, now } = seedTable(sky);
  const table = lots.flatMap(({ id, code, name, calls }) =>
    calls.map(({ act, title, how, best, last, otherwise, cautions }): CalendarEvent => {
      const until = last && otherwise && `By ${last.day} ${last.clock}: ${otherwise} after it.`;
      const notes = [how, until, ...cautions.map(({ caution }) => caution)];
      const ahead = best.hours > now.hours;
      const day = ahead ? best.day : today;
      return {
        id: `${act}-${id}`,
        start: day,
        end: day,
        ...(ahead && { at: best.clock }),
        title: `${name}: ${within(title)} (${code})`,
        note: notes.filter(Boolean).join(" "),
      };
    }),
  );
  const drawer = seedCalls(sky).flatMap((call): CalendarEvent[] => {
    if (call.kind === "table") return [];
    const until = call.kind === "count" && call.last > today ? call.last : today;
    const { key, title, code } = seedTaskOf(call);
    return [{ id: `seed-${key}`, start: today, end: until, title: code ? `${title} (${code})` : title, note: "" }];
  });
  return [...table, ...drawer];
}

/** The work that is open, as calendar events: on stands of one season, or all of it with the crosses and own tasks. */
export function calendarView(
  sky: Outlook,
  season: number | null,
): { name: string; events: CalendarEvent[]; sequence: number } {
  const { garden, db, today } = sky;
  const open = season === null ? openWork(sky) : workOfSeason(sky, season);
  const works = open.filter(({ standing }) => standing !== "missed");
  const own = season === null ? openTasks(db) : [];
  return {
    name: season === null ? garden.name : `${garden.name} ${season}`,
    events: [
      ...works.map(eventOf),
      ...(season === null || season === sky.season ? [...crossEvents(sky), ...seedEvents(sky)] : []),
      ...own.map(({ id, title, due, note }) => ({
        id: `own-${id}`,
        start: due < today ? today : due,
        end: due < today ? today : due,
        title,
        note,
      })),
    ],
    // It rises with every press, as a calendar wants of an event that was changed.
    sequence: opCount(db),
  };
}
