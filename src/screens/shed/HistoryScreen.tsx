import { dayInWords } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import { dayTyped } from "@/core/writing/days";
import Link from "@/ui/Link";
import type { History, Told } from "@/views/shed";
import { Page } from "../common/Page";
import { UndoButton } from "./UndoButton";

export function HistoryScreen({ band, days, older, words, day }: History) {
  const narrowed = words !== "" || day !== null;
  const nothing = narrowed ? "Nothing was recorded of that" : "Nothing has been recorded yet";
  const more = new URLSearchParams({ ...(words ? { q: words } : {}), ...(day ? { day } : {}), before: older ?? "" });
  return (
    <Page title="History" band={band}>
      <Link href="/shed">Shed</Link>
      <h2 className="mb-4 mt-2 text-2xl">{days.length === 0 ? nothing : "What was recorded, newest first"}</h2>
      <form role="search" className="mb-6 flex max-w-4xl flex-wrap items-end gap-3 print:hidden">
        <label className="min-w-48 flex-1">
          <span className="block font-semibold">Words, or the code of a tag</span>
          <input type="search" name="q" defaultValue={words} maxLength={60} autoComplete="off" />
        </label>
        <label className="w-44">
          <span className="block font-semibold">Day</span>
          <input name="day" defaultValue={day ? dayTyped(day) : ""} maxLength={40} autoComplete="off" />
        </label>
        <button type="submit" className="leaf">
          Look
        </button>
        {narrowed && (
          <Link href="/shed/history" className="leaf leaf-plain">
            All of it
          </Link>
        )}
      </form>
      {days.map(({ day: on, rows }) => (
        <section key={on} className="mb-6 grid max-w-4xl gap-x-5 sm:grid-cols-[11rem_1fr]">
          <h3>{dayInWords(on, "long")}</h3>
          <ul className="rows border-t border-ink">
            {rows.map((row) => (
              <Row key={row.entries[0]!.id} row={row} />
            ))}
          </ul>
        </section>
      ))}
      {older !== null && (
        <Link href={`/shed/history?${more}`} className="leaf">
          Older entries
        </Link>
      )}
    </Page>
  );
}

function Row({ row: { code, entries } }: { row: Told }) {
  if (entries.length === 1) return <One entry={entries[0]!} />;
  return (
    <li className="py-1.5">
      <details>
        <summary className="min-h-11 cursor-pointer content-center">
          {code}: {plural(entries.length, "score")}
        </summary>
        <ul className="rows ml-4">
          {entries.map((entry) => (
            <One key={entry.id} entry={entry} />
          ))}
        </ul>
      </details>
    </li>
  );
}

function One({ entry }: { entry: Told["entries"][number] }) {
  return (
    <li className="flex items-center justify-between gap-4 py-1.5">
      <span className={entry.undone ? "text-soft line-through" : "break-words"}>{entry.summary}</span>
      {entry.undone ? (
        <span className="shrink-0 text-sm text-soft">undone</span>
      ) : (
        <UndoButton entry={entry.id} summary={entry.summary} />
      )}
    </li>
  );
}
