import { addDays, type Day } from "@/core/calendar/day";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Outlook } from "@/views/outlook";
import type { ForecastStand } from "./outlook";

export type CalendarEvent = { id: string; start: Day; end: Day; title: string; note: string };

const BEFORE_FLOWER = 3;
const ROGUE_FROM = 14;

/** The days of a stand that belong in a calendar: sowing ahead, covering, roguing, first ripe seed. */
function eventsOf(stand: ForecastStand, today: Day): CalendarEvent[] {
  const name = `${nameWithGeneration(stand.lineName, stand.generation)} (${stand.code})`;
  const bed = stand.bedName ? `Bed ${stand.bedName}. ` : "";
  const { window } = stand;
  const event = (kind: string, start: Day, end: Day, title: string, note = ""): CalendarEvent => ({
    id: `${stand.code}-${kind}`,
    start,
    end,
    title: `${title} ${name}`,
    note: bed + note,
  });
  const forecast = "A forecast, not a promise: look in good time.";
  return [
    ...(stand.sown >= today ? [event("sow", stand.sown, stand.sown, "Sow")] : []),
    ...(stand.flowers === "covered" || stand.flowers === "hand"
      ? [event("cover", addDays(window.earliest, -BEFORE_FLOWER), window.start, "Cover before it flowers:", forecast)]
      : []),
    ...(stand.seedWanted && !window.observed
      ? [event("rogue", addDays(window.earliest, -ROGUE_FROM), window.earliest, "Rogue before pollen sheds:", forecast)]
      : []),
    ...(stand.seedWanted
      ? [event("harvest", window.ripeEarliest, window.ripeLatest, "First seed may be ripe:", forecast)]
      : []),
  ];
}

/** A season's work as calendar events. */
export function calendarView(sky: Outlook, wantedSeason: number | null): { name: string; events: CalendarEvent[] } {
  const { garden, today } = sky;
  const season = wantedSeason ?? sky.season;
  const stands = sky.standsOf(season).filter((s) => s.outside !== 1);
  return { name: `${garden.name} ${season}`, events: stands.flatMap((s) => eventsOf(s, today)) };
}
