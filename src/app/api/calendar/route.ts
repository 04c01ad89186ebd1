import ical from "ical-generator";
import { addDays } from "@/core/calendar/day";
import { theDb } from "@/db/open";
import { calendarView } from "@/views/calendar";
import { wholeNumber } from "../../params";

/** Whole-day events: local midnights, and the end is the day after, as iCalendar has it. */
const at = (day: string) => new Date(`${day}T00:00:00Z`);

export function GET(request: Request): Response {
  const wanted = new URL(request.url).searchParams.get("season");
  const { name, events } = calendarView(theDb(), wholeNumber(wanted ?? undefined));
  const calendar = ical({ name, prodId: { company: "Nimble Orchard", product: "Season" } });
  for (const { id, start, end, title, note } of events)
    calendar.createEvent({
      id,
      start: at(start),
      end: at(addDays(end, 1)),
      allDay: true,
      summary: title,
      description: note,
    });
  return new Response(calendar.toString(), {
    headers: {
      "content-type": "text/calendar; charset=utf-8",
      "content-disposition": 'attachment; filename="season.ics"',
    },
  });
}
