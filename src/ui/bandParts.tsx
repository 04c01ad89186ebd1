"use client";
import clsx from "clsx";
import { dayInWords } from "@/core/calendar/day";
import Link from "@/ui/Link";
import { at, DAY, iso } from "./days";

export type Bar = {
  label: string;
  href: string;
  tone: "strong" | "other";
  start: string;
  end: string;
  earliest: string;
  latest: string;
  lane: number;
  /** A mark on the bar's lane, such as ripe seed. */
  point?: { day: string; words: string; bad: boolean };
};

/** A frost's usual day and the deviation of the years around it, days. */
export type Frost = { day: string; spread: number };

export const LANE = 24;

export function FrostWords({ day, left, what }: { day: string; left: number; what: string }) {
  return (
    <span
      className="absolute top-[26px] hidden -translate-x-1/2 whitespace-nowrap bg-paper/80 px-1 text-xs text-dusk md:block"
      style={{ left: `clamp(5rem, ${left}%, calc(100% - 5rem))` }}
    >
      {what} {dayInWords(day)}
    </span>
  );
}

export function BandBar({ bar, share, top }: { bar: Bar; share: (day: string) => number; top: number }) {
  const left = share(bar.start);
  const [from, to] = [share(bar.earliest), share(bar.latest)];
  const tone = bar.tone === "strong" ? "bg-damson" : "bg-dusk";
  const labelLeft = to > 72;
  return (
    <>
      <span
        aria-hidden
        className={clsx("bar absolute h-2.5 opacity-30", tone)}
        style={{ left: `${from}%`, width: `${to - from}%`, top: top + 7 }}
      />
      <span
        aria-hidden
        className={clsx("bar absolute h-2.5", tone)}
        style={{ left: `${left}%`, width: `${share(bar.end) - left}%`, top: top + 7 }}
      />
      {bar.point && (
        <span
          aria-hidden
          className={clsx(
            "bar absolute size-2.5 rotate-45 border",
            bar.point.bad ? "border-rust bg-rust" : "border-moss bg-moss",
          )}
          style={{ left: `calc(${share(bar.point.day)}% - 5px)`, top: top + 7 }}
        />
      )}
      <Link
        href={bar.href}
        className={clsx(
          "absolute whitespace-nowrap text-xs leading-6 no-underline hover:underline",
          bar.point?.bad && "text-rust",
        )}
        style={
          labelLeft
            ? { right: `calc(${100 - from}% + 6px)`, top }
            : { left: `calc(${Math.max(to, bar.point ? share(bar.point.day) + 0.6 : 0)}% + 6px)`, top }
        }
      >
        {bar.label}
        {bar.point && <span>, {bar.point.words}</span>}
      </Link>
    </>
  );
}

/** Frost's certain and doubtful stretches of a span. Before the last frost and after the first, whichever comes first in it. */
type Shade = { from: string; to: string; doubt: boolean };

export function frostShades(start: string, end: string, last: Frost | null, first: Frost | null): Shade[] {
  if (!last || !first) return [];
  // Nineteen years in twenty lie within two deviations.
  const doubt = (frost: Frost) => Math.round(2 * frost.spread);
  const shift = (day: string, by: number) => iso(at(day) + by * DAY);
  const clamp = (day: string) => (day < start ? start : day > end ? end : day);
  // Over two seasons the frost of the one before comes first.
  const yearBefore = ({ day, spread }: Frost) => ({ day: `${Number(day.slice(0, 4)) - 1}${day.slice(4)}`, spread });
  if (at(end) - at(start) > 400 * DAY) {
    const middle = iso(at(end) - 365 * DAY);
    return [
      ...frostShades(start, middle, yearBefore(last), yearBefore(first)),
      ...frostShades(middle, end, last, first),
    ];
  }
  const shades = [
    { from: start, to: shift(last.day, -doubt(last)), doubt: false },
    { from: shift(last.day, -doubt(last)), to: shift(last.day, doubt(last)), doubt: true },
    { from: shift(first.day, -doubt(first)), to: shift(first.day, doubt(first)), doubt: true },
    { from: shift(first.day, doubt(first)), to: end, doubt: false },
  ];
  return shades.map((s) => ({ ...s, from: clamp(s.from), to: clamp(s.to) })).filter((s) => s.from < s.to);
}
