import ical from "ical-generator";
import { addDays } from "@/core/calendar/day";
import { calendarView } from "@/views/calendar";
import { askedOf } from "../../params";
import { answering, file } from "../answer";

/** Whole-day events: local midnights, and the end is the day after, as iCalendar has it. */
const at = (day: string) => new Date(`${day}T00:00:00Z`);

export const GET = (request: Request) =>
  answering(() => {
    const { sky, season } = askedOf(request);
    const { name, events, sequence } = calendarView(sky, season);
    const calendar = ical({ name, prodId: { company: "Nimble Orchard", product: "Season" } });
    for (const { id, start, end, title, note } of events)
      calendar.createEvent({
        id,
        sequence,
        start: at(start),
        end: at(addDays(end, 1)),
        allDay: true,
        summary: title,
        description: note,
      });
    return file(calendar.toString(), "text/calendar; charset=utf-8", "season.ics");
  });
