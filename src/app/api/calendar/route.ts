import ical, { ICalAlarmType } from "ical-generator";
import { addDays } from "@/core/calendar/day";
import { momentOf } from "@/core/climate/sun";
import { calendarView } from "@/views/calendar";
import { askedOf } from "../../params";
import { answering, file } from "../answer";

/** Whole-day events: local midnights, and the end is the day after, as iCalendar has it. */
const midnight = (day: string) => new Date(`${day}T00:00:00Z`);

/** What calls by the hour stands in the calendar for half an hour. */
const CALLED_FOR = 30 * 60_000;

export const GET = (request: Request) =>
  answering(() => {
    const { sky, season } = askedOf(request);
    const { name, events, sequence } = calendarView(sky, season);
    const { timezone } = sky.garden;
    const calendar = ical({ name, prodId: { company: "Nimble Orchard", product: "Season" } });
    for (const { id, start, end, at, title, note } of events) {
      const told = { id, sequence, summary: title, description: note };
      if (at === undefined)
        calendar.createEvent({ ...told, start: midnight(start), end: midnight(addDays(end, 1)), allDay: true });
      else {
        const from = momentOf(start, at, timezone);
        const event = calendar.createEvent({ ...told, start: from, end: new Date(from.getTime() + CALLED_FOR) });
        event.createAlarm({ type: ICalAlarmType.display, trigger: 0, description: title });
      }
    }
    return file(calendar.toString(), "text/calendar; charset=utf-8", "season.ics");
  });
