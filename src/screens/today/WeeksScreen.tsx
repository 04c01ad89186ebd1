import { type Day, dayInWords } from "@/core/calendar/day";
import { minutesInWords } from "@/core/units/minutes";
import { plural } from "@/core/units/plural";
import Link from "@/ui/Link";
import type { Weeks, WeekWork } from "@/views/weeks";
import { CommandButton } from "../common/command";
import { Page } from "../common/Page";
import { TodayTabs } from "./TodayTabs";

/** A bar is as long as its day's work; the fullest day, or this many minutes, is the whole width. */
const FULL = 180;

/** A day with its name, without its year. */
const weekday = (day: Day) => dayInWords(day, "long").replace(/ \d{4}$/, "");

function headline({ weeks }: Weeks): string {
  const days = weeks.flatMap((week) => week.days);
  const fullest = days.reduce((most, day) => (day.minutes > most.minutes ? day : most));
  if (fullest.minutes === 0) return "Nothing to do in the weeks ahead";
  const busy = weekday(fullest.day);
  return `${minutesInWords(weeks[0]!.minutes || 0)} this week; the fullest day is ${busy}`;
}

/** The weeks ahead, a day a row, with what it takes; a crowded day says what can wait. */
export function WeeksScreen(view: Weeks) {
  const { band, weeks, beyond } = view;
  const full = Math.max(FULL, ...weeks.flatMap(({ days }) => days.map(({ minutes }) => minutes)));
  const some = weeks.some(({ minutes }) => minutes > 0);
  return (
    <Page title="The weeks ahead" band={band}>
      <TodayTabs at="/weeks" />
      <h2 className="mb-2 text-2xl">{headline(view)}</h2>
      <p className="mb-6 max-w-prose text-sm text-soft">
        Each task on its best day, with about how long it takes: plantings, flowers, seed on the table, tests and your
        own. Minutes are working values.
      </p>
      {!some && <p className="max-w-prose">Sow or plan stands on the Ground, and their work comes here by itself.</p>}
      {weeks
        .filter(({ minutes }) => minutes > 0)
        .map((week) => (
          <section key={week.start} className="mb-8" aria-label={`Week from ${dayInWords(week.start)}`}>
            <h3 className="flex justify-between border-b border-ink pb-1">
              <span>From {dayInWords(week.start, "long")}</span>
              <span className="font-normal text-soft">{minutesInWords(week.minutes)}</span>
            </h3>
            <ul>
              {week.days
                .filter(({ works }) => works.length > 0)
                .map(({ day, minutes, works }) => (
                  <li
                    key={day}
                    className="grid gap-x-5 gap-y-1 border-b border-rule py-3 sm:grid-cols-[9rem_minmax(0,1fr)]"
                  >
                    <div>
                      <strong>{weekday(day)}</strong>
                      <span className="block text-sm text-soft">{minutesInWords(minutes)}</span>
                      <span aria-hidden className="mt-1 block h-1.5 bg-rule">
                        <span className="block h-full bg-damson" style={{ width: `${(minutes / full) * 100}%` }} />
                      </span>
                    </div>
                    <ul>
                      {works.map((work) => (
                        <Row key={work.key} work={work} />
                      ))}
                    </ul>
                  </li>
                ))}
            </ul>
          </section>
        ))}
      {beyond > 0 && <p className="text-soft">{plural(beyond, "more piece")} of work later than these weeks.</p>}
    </Page>
  );
}

function Row({ work: { title, minutes, last, href, quieter, putOff } }: { work: WeekWork }) {
  return (
    <li className="flex flex-wrap items-center justify-between gap-x-4 gap-y-1 py-1">
      <span>
        <Link href={href}>{title}</Link>{" "}
        <span className="text-sm text-soft">
          {minutesInWords(minutes)}
          {last && `, until ${dayInWords(last)}`}
        </span>
      </span>
      {quieter && putOff && (
        <CommandButton command="deed.put-off" input={{ ...putOff, until: quieter }} plain label={`Put ${title} off`}>
          Rather {dayInWords(quieter)}
        </CommandButton>
      )}
    </li>
  );
}
