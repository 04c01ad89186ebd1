"use client";
import { useEffect, useRef, useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import { generationName } from "@/core/custody/generation";
import { plural } from "@/core/units/plural";
import { hourInWords } from "@/core/writing/hours";
import Link from "@/ui/Link";
import type { BookEntry, BookFlower } from "@/views/book";
import { FAULTS, STATES } from "../common/crossWords";
import { Tag } from "../common/Tag";

/** One cross opened in the book: pedigree, outcome, and its flowers in the order of their days. */
export function BookPage({ entry }: { entry: BookEntry }) {
  const [flowers, setFlowers] = useState<BookFlower[] | null>(null);
  const [trouble, setTrouble] = useState("");
  useEffect(() => {
    const stop = new AbortController();
    const read = async () => {
      try {
        const response = await fetch(`/api/crosses/${entry.code}/flowers`, { signal: stop.signal });
        setFlowers((await response.json()) as BookFlower[]);
      } catch {
        if (!stop.signal.aborted) setTrouble("The server did not answer; choose the line again.");
      }
    };
    void read();
    return () => stop.abort();
  }, [entry.code]);
  const place = useRef<HTMLDivElement>(null);
  // Where the page is narrow it lies below the lines.
  useEffect(() => {
    // Newer browsers give a promise, which is no way to clean up.
    void place.current?.scrollIntoView({ block: "nearest" });
  }, []);
  const rate = entry.pollinated ? Math.round((entry.set / entry.pollinated) * 100) : null;
  return (
    <div ref={place} className="scroll-mt-24 lg:sticky lg:top-20 lg:max-h-[80vh] lg:overflow-y-auto">
      <Tag kind="cross" code={entry.code} href={`/crosses/${entry.code}`} />
      <h2 className="mt-2 break-words">
        {entry.mother} × {entry.father}
      </h2>
      <p className="break-words font-mono text-sm">{entry.pedigree}</p>
      <p className="mt-1 text-soft">
        {entry.species}, gives {entry.line} {generationName(entry.generation, entry.backcrosses)}. {entry.method}.
      </p>
      <p className="mt-2">
        {plural(entry.covered, "flower")} covered, {entry.pollinated} pollinated, <strong>{entry.set} set</strong>
        {rate !== null && ` (${rate} %)`}, {entry.waiting} waiting, {entry.lost} lost
        {entry.doubtful > 0 && `, ${entry.doubtful} in doubt`}.{" "}
        {entry.lots > 0 && `${plural(entry.lots, "lot")}${entry.seeds ? ` of ${entry.seeds} seeds` : ""}.`}
      </p>
      {entry.note && <p className="mt-2 whitespace-pre-wrap border-l-4 border-rule pl-3">{entry.note}</p>}
      <p className="my-3">
        <Link className="leaf" href={`/crosses/${entry.code}`}>
          Open the cross
        </Link>
      </p>
      {trouble && <p role="alert">{trouble}</p>}
      {flowers && (
        <ol className="rows max-h-[50vh] overflow-y-auto border-y border-rule text-sm" aria-label="Its flowers">
          {flowers.map((f) => (
            <li key={f.id} className="flex items-baseline gap-3 py-1.5">
              <span className="shrink-0">
                <Tag kind="flower" code={f.code} small />
              </span>
              <span>{storyOf(f)}</span>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}

/** A flower's days in one line. */
function storyOf(f: BookFlower): string {
  const parts = [`covered ${dayInWords(f.coveredOn)}`];
  if (f.pollinatedOn)
    parts.push(
      `pollinated ${dayInWords(f.pollinatedOn)}${f.pollinatedAt ? ` ${hourInWords(f.pollinatedAt)}` : ""}${f.males ? ` with ${f.males}` : ""}`,
    );
  const end = f.checkedOn ? ` ${dayInWords(f.checkedOn)}` : "";
  if (f.state !== "covered" && f.state !== "pollinated") parts.push(`${STATES[f.state].toLowerCase()}${end}`);
  if (f.fault) parts.push(FAULTS[f.fault].toLowerCase());
  if (f.lostWhy) parts.push(f.lostWhy);
  if (f.note) parts.push(f.note);
  return parts.join(", ");
}
