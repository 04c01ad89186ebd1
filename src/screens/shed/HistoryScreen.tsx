import { dayInWords } from "@/core/calendar/day";
import { groupBy } from "@/core/lists/groupBy";
import Link from "@/ui/Link";
import type { History } from "@/views/shed";
import { Page } from "../common/Page";
import { UndoButton } from "./UndoButton";

export function HistoryScreen({ band, entries, older }: History) {
  return (
    <Page title="History" band={band}>
      <Link href="/shed">Shed</Link>
      <h2 className="mb-4 mt-2 text-2xl">
        {entries.length === 0 ? "Nothing has been recorded yet" : "What was recorded, newest first"}
      </h2>
      {[...groupBy(entries, (e) => e.day)].map(([day, list]) => (
        <section key={day} className="mb-6 grid max-w-4xl gap-x-5 sm:grid-cols-[11rem_1fr]">
          <h3>{dayInWords(day, "long")}</h3>
          <ul className="rows border-t border-ink">
            {list.map((entry) => (
              <li key={entry.id} className="flex items-center justify-between gap-4 py-1.5">
                <span className={entry.undone ? "text-soft line-through" : "break-words"}>{entry.summary}</span>
                {entry.undone ? (
                  <span className="shrink-0 text-sm text-soft">undone</span>
                ) : (
                  <UndoButton entry={entry.id} summary={entry.summary} />
                )}
              </li>
            ))}
          </ul>
        </section>
      ))}
      {older !== null && (
        <Link href={`/shed/history?before=${older}`} className="leaf">
          Older entries
        </Link>
      )}
    </Page>
  );
}
