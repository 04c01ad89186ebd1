"use client";
import clsx from "clsx";
import { type TouchEvent, useEffect, useMemo, useRef, useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { bedInWords } from "@/core/ground/bedInWords";
import { bedOf } from "@/core/pollination/fathers";
import type { DayPart } from "@/core/pollination/protocol";
import { hourInWords } from "@/core/writing/hours";
import { DawnSwitch } from "@/ui/DawnSwitch";
import Link from "@/ui/Link";
import type { Kept } from "@/ui/outbox";
import { dayNow } from "@/ui/press";
import { StandsOn } from "@/ui/StandsOn";
import { useKept } from "@/ui/useKept";
import { useUnanswered } from "@/ui/useOutbox";
import type { Round } from "@/views/round";
import { Cautions } from "../common/Cautions";
import { Scan } from "../common/Scan";
import { insectsInWords } from "../common/words";
import { FlowerStop } from "./FlowerStop";
import { partsOf, type Stop, stopsOf, tasksAhead, unpacked } from "./stops";

const TITLES: Record<DayPart, string> = {
  dawn: "Dawn",
  morning: "Morning",
  noon: "Noon",
  "any-hour": "Any hour",
  evening: "Tonight",
};

const NONE: ReadonlySet<string> = new Set();

/** How far a thumb must travel to turn the page, pixels. */
const SWIPE = 70;

/** What is kept on this device until a server answers is done as far as the round goes. */
function useDone(kept: Kept[]): Set<string> {
  return useMemo(() => {
    const done = new Set<string>();
    for (const { name, input } of kept) {
      const { crossId, results } = input as { crossId?: Id; results?: { id: Id; result: string }[] };
      if (name === "cross.males") done.add(`father ${(input as { step: string }).step} ${crossId}`);
      if (name === "flower.cover") done.add(`cover ${crossId}`);
      for (const { id } of results ?? [])
        for (const action of ["gather", "pollinate", "uncover", "check"]) done.add(`${action} ${id}`);
      if (results?.some(({ result }) => result === "gathered")) done.add(`gather ${crossId}`);
    }
    return done;
  }, [kept]);
}

/** The day's flowers, one a screen, in the order of the walk. */
export function RoundScreen(view: Round) {
  const { garden, day, sun, heat, walk, pinned, look } = view;
  const { tasks, ahead } = useMemo(() => unpacked(view), [view]);
  const kept = useUnanswered();
  const done = useDone(kept);
  const [today, setToday] = useState(day);
  // The page may have been drawn on an earlier day and kept.
  useEffect(() => setToday(dayNow()), []);
  const further = useMemo(() => tasksAhead(view, ahead, kept, today), [view, ahead, kept, today]);
  const stops = [...stopsOf(tasks, done), ...stopsOf(further, NONE)];
  const parts = partsOf(stops);
  const [wanted, setPart] = useKept<DayPart | null>(`round-part-${day}`, null);
  const [place, setPlace] = useKept<string | null>(`round-at-${day}`, null);
  const current = wanted && parts.includes(wanted) ? wanted : (parts[0] ?? null);
  const list = stops.filter((s) => s.part === current);
  const found = list.findIndex((s) => s.key === place);
  const at = Math.max(0, found);
  const stop = list[at];
  const touch = useRef<{ x: number; y: number } | null>(null);
  const go = (step: number) => {
    const next = list[(at + step + list.length) % list.length];
    if (next) setPlace(next.key);
  };
  const onKey = (event: KeyboardEvent) => {
    if (event.target instanceof HTMLElement && /^(INPUT|SELECT|TEXTAREA)$/.test(event.target.tagName)) return;
    if (event.key === "ArrowRight") go(1);
    if (event.key === "ArrowLeft") go(-1);
  };
  useEffect(() => {
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  const swiped = (event: TouchEvent) => {
    const from = touch.current;
    touch.current = null;
    const end = event.changedTouches[0];
    if (!from || !end) return;
    const [dx, dy] = [end.clientX - from.x, end.clientY - from.y];
    if (Math.abs(dx) > SWIPE && Math.abs(dx) > 2 * Math.abs(dy)) go(dx < 0 ? 1 : -1);
  };
  return (
    <main
      id="work"
      className="mx-auto max-w-xl touch-pan-y px-4 pb-6 pt-3"
      onTouchStart={(event) => {
        const { clientX: x, clientY: y } = event.touches[0]!;
        touch.current = { x, y };
      }}
      onTouchEnd={swiped}
    >
      <h1 className="sr-only">The round</h1>
      <header className="flex items-center justify-between gap-3">
        <Link href="/" className="leaf flex min-h-12 items-center">
          Today
        </Link>
        <p className="text-sm">
          <strong>{dayInWords(day)}</strong>
          {sun.sunrise && `, sun ${hourInWords(sun.sunrise)}`}
        </p>
        <span className="flex gap-2">
          <Scan />
          <DawnSwitch />
        </span>
      </header>
      {pinned && <StandsOn day={day} look={look} className="mt-3 min-h-11" />}
      {parts.length > 0 && (
        <nav aria-label="Part of the day" className="mt-3 flex gap-2 overflow-x-auto">
          {parts.map((part) => (
            <button
              key={part}
              type="button"
              aria-pressed={part === current}
              onClick={() => setPart(part)}
              className="leaf min-h-12 shrink-0 aria-[pressed=true]:bg-damson aria-[pressed=true]:text-on-damson"
            >
              {TITLES[part]} {stops.filter((s) => s.part === part).length}
            </button>
          ))}
        </nav>
      )}
      {current && <Conditions part={current} sun={sun} heat={heat} />}
      {stop ? (
        <>
          <Progress list={list} at={at} walk={walk?.order ?? []} />
          <FlowerStop
            key={stop.key}
            stop={stop}
            list={list}
            day={day}
            units={garden.units}
            onDone={() => {
              const next = list[at + 1] ?? list[0];
              if (next && next.key !== stop.key) setPlace(next.key);
            }}
          />
          <nav aria-label="Flowers" className="mt-5 grid grid-cols-2 gap-3">
            <button type="button" className="leaf min-h-16 text-lg" disabled={list.length < 2} onClick={() => go(-1)}>
              ← Back
            </button>
            <button type="button" className="leaf min-h-16 text-lg" disabled={list.length < 2} onClick={() => go(1)}>
              Next →
            </button>
          </nav>
          <Cautions hazards={view.hazards} />
        </>
      ) : (
        <section className="mt-10 text-center">
          <h2 className="text-3xl">The round is done</h2>
          <p className="mt-3 text-soft">
            {done.size > 0
              ? "What you recorded is kept on this device until the server answers."
              : "Nothing more is due on this day."}
          </p>
          <Link href="/" className="leaf leaf-strong mt-5 inline-block min-h-14 text-lg">
            Back to Today
          </Link>
        </section>
      )}
    </main>
  );
}

function Conditions({ part, sun, heat }: { part: DayPart; sun: Round["sun"]; heat: Round["heat"] }) {
  const words: Partial<Record<DayPart, string | null>> = {
    dawn: sun.insects && `First insects ${insectsInWords(sun.insects)}, a working value.`,
    noon: heat && `${heat.max} °C at the warmest.`,
    evening: sun.dusk && `Light until ${sun.dusk}${sun.tomorrow ? `; sun up ${sun.tomorrow}` : ""}.`,
  };
  const spoiled = part === "noon" && heat && heat.spoils.length > 0;
  const said = words[part];
  if (!said) return null;
  return <p className={clsx("mt-2", spoiled ? "font-bold text-rust" : "text-soft")}>{said}</p>;
}

function Progress({ list, at, walk }: { list: Stop[]; at: number; walk: string[] }) {
  const bed = ({ task }: Stop) => bedOf(task);
  const here = bed(list[at]!);
  const rest = [...new Set(list.slice(at + 1).map(bed))].filter((b) => b !== here && b !== null);
  return (
    <p className="mt-3 flex justify-between gap-3 border-b border-rule pb-2">
      <span>
        <strong>
          {at + 1} of {list.length}
        </strong>
        {here && `, ${bedInWords(here)}`}
      </span>
      {rest.length > 0 && walk.length > 1 && <span className="text-soft">then {bedInWords(rest[0]!)}</span>}
      {rest.length === 0 && <span className="text-soft">{list.length - at - 1} more</span>}
    </p>
  );
}
