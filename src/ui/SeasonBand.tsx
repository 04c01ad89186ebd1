"use client";
import clsx from "clsx";
import { useRouter } from "next/navigation";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { dayInWords } from "@/core/calendar/day";
import Link from "@/ui/Link";
import { BandBar, type Bar, type Frost, FrostWords, frostShades, LANE } from "./bandParts";
import { at, DAY, iso } from "./days";
import { standOn } from "./press";
import { StandsOn } from "./StandsOn";

export type BandProps = {
  place: string;
  start: string;
  end: string;
  today: string;
  pinned: boolean;
  look: "back" | "ahead" | null;
  demo: boolean;
  /** Hours of day for every day from start to end. */
  light: number[];
  lastFrost: Frost | null;
  firstFrost: Frost | null;
  bars: Bar[];
  hidden: number;
};

/** The height of the band, everywhere; opened it takes what its lanes need. */
const HEIGHT = 96;
/** Where the horizon lies. */
const HORIZON = 62;

const hoursInWords = (hours: number) =>
  `${Math.floor(hours)} h ${String(Math.round((hours % 1) * 60) % 60).padStart(2, "0")}`;

export function SeasonBand(props: BandProps) {
  const { place, start, end, today, pinned, look, demo, light, lastFrost, firstFrost, bars, hidden } = props;
  const router = useRouter();
  const frame = useRef<HTMLDivElement>(null);
  const [pointed, setPointed] = useState<string | null>(null);
  const [carried, setCarried] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const days = light.length;
  const share = (day: string) => ((at(day) - at(start)) / DAY / days) * 100;
  const stake = carried ?? today;
  const inside = stake >= start && stake <= end;
  const reading = carried ?? pointed;
  const lightOn = (day: string) => light[Math.round((at(day) - at(start)) / DAY)];

  const dayUnder = (event: PointerEvent) => {
    const box = frame.current!.getBoundingClientRect();
    const index = Math.floor(((event.clientX - box.left) / box.width) * days);
    return iso(at(start) + Math.min(days - 1, Math.max(0, index)) * DAY);
  };
  const put = (day: string) => {
    standOn(day);
    setCarried(null);
    router.refresh();
  };
  const onKey = (event: KeyboardEvent) => {
    const step = { ArrowLeft: -1, ArrowRight: 1, PageDown: -7, PageUp: 7 }[event.key];
    if (step) {
      event.preventDefault();
      setCarried(iso(at(stake) + step * DAY));
    } else if (event.key === "Enter" && carried) put(carried);
    else if (event.key === "Escape") setCarried(null);
  };

  const top = HORIZON;
  const lanes = Math.max(1, ...bars.map((b) => b.lane + 1));
  const height = open ? top + 10 + lanes * LANE + (hidden > 0 ? LANE : 4) : HEIGHT;
  const shown = open ? bars : bars.filter(({ lane }) => lane === 0);
  const more = bars.length - shown.length + hidden;
  const curve = light.map((hours, i) => `${i},${top - (hours / 24) * (top - 14)}`).join(" ");
  const months = Array.from({ length: Math.ceil(days / 30) + 1 }, (_, i) => {
    const first = new Date(at(start));
    first.setUTCMonth(first.getUTCMonth() + i, 1);
    return iso(first.getTime());
  }).filter((day) => day >= start && day <= end);
  const frosts = frostShades(start, end, lastFrost, firstFrost);

  return (
    <section aria-label="Season band" className="relative border-b border-ink bg-paper">
      <div
        ref={frame}
        className="relative touch-pan-y select-none overflow-hidden"
        style={{ height }}
        onPointerMove={(event) =>
          carried && event.buttons ? setCarried(dayUnder(event)) : setPointed(dayUnder(event))
        }
        onPointerLeave={() => setPointed(null)}
        onPointerUp={() => carried && put(carried)}
      >
        <svg
          className="absolute inset-0 h-full w-full"
          viewBox={`0 0 ${days} ${height}`}
          preserveAspectRatio="none"
          aria-hidden
        >
          <polygon points={`0,${top} ${curve} ${days},${top}`} fill="var(--quince-fill)" opacity="0.2" />
          <polyline
            points={curve}
            fill="none"
            stroke="var(--quince-fill)"
            strokeWidth="1.5"
            vectorEffect="non-scaling-stroke"
          />
          <line
            x1="0"
            x2={days}
            y1={top}
            y2={top}
            stroke="var(--ink)"
            strokeWidth="1"
            vectorEffect="non-scaling-stroke"
          />
          {months.map((day) => (
            <line
              key={day}
              x1={(share(day) * days) / 100}
              x2={(share(day) * days) / 100}
              y1={top - 6}
              y2={height}
              stroke="var(--rule)"
              vectorEffect="non-scaling-stroke"
            />
          ))}
        </svg>
        {frosts.map((shade) => (
          <div
            key={shade.from}
            aria-hidden
            className="absolute top-0 text-dusk"
            style={{
              left: `${share(shade.from)}%`,
              width: `${share(shade.to) - share(shade.from)}%`,
              height: top,
              opacity: shade.doubt ? 0.16 : 0.34,
              backgroundImage: "repeating-linear-gradient(135deg, currentColor 0 1px, transparent 1px 7px)",
            }}
          />
        ))}
        {months.map((day) => (
          <span
            key={day}
            className="absolute text-xs text-soft"
            style={{ left: `calc(${share(day)}% + 4px)`, top: top - 18 }}
          >
            {dayInWords(day, "month")}
          </span>
        ))}
        <p className="absolute left-3 top-1 text-sm sm:left-7">
          {place || "No garden yet"}
          {demo && <span className="text-soft"> · demo</span>}
        </p>
        {lastFrost && <FrostWords day={lastFrost.day} left={share(lastFrost.day)} what="last frost about" />}
        {firstFrost && <FrostWords day={firstFrost.day} left={share(firstFrost.day)} what="first frost about" />}
        {shown.map((bar) => (
          <BandBar
            key={`${bar.href}${bar.start}${bar.label}`}
            bar={bar}
            share={share}
            top={top + 5 + bar.lane * LANE}
          />
        ))}
        {open && hidden > 0 && (
          <Link href="/season" className="absolute right-24 bg-paper text-xs leading-6" style={{ top: height - 25 }}>
            {hidden} more on Season
          </Link>
        )}
        {inside && (
          <div
            role="slider"
            tabIndex={0}
            aria-label="As-of day. Arrow keys look ahead, Enter sets it"
            aria-valuemin={0}
            aria-valuemax={days - 1}
            aria-valuenow={Math.round((at(stake) - at(start)) / DAY)}
            aria-valuetext={dayInWords(stake, "long")}
            className="absolute top-0 z-10 cursor-ew-resize"
            style={{ left: `${share(stake)}%`, height: top }}
            onPointerDown={(event) => {
              event.preventDefault();
              setCarried(stake);
            }}
            onKeyDown={onKey}
          >
            <span aria-hidden className="absolute left-0 top-0 w-0.5 bg-damson" style={{ height }} />
            <span
              className={clsx(
                "absolute top-0.5 whitespace-nowrap bg-damson py-0.5 text-sm font-bold text-on-damson",
                share(stake) > 75 ? "right-0 pl-5 pr-2.5" : "left-0 pl-2.5 pr-5",
              )}
              style={{
                clipPath:
                  share(stake) > 75
                    ? "polygon(12px 0, 100% 0, 100% 100%, 12px 100%, 0 50%)"
                    : "polygon(0 0, calc(100% - 12px) 0, 100% 50%, calc(100% - 12px) 100%, 0 100%)",
              }}
            >
              {dayInWords(stake, "long")}
              <span className="pl-2 text-xs font-normal">{hoursInWords(lightOn(stake) ?? 0)} of light</span>
            </span>
          </div>
        )}
        {reading && reading !== today && (
          <div
            aria-hidden
            className="pointer-events-none absolute bottom-0 z-0 w-px bg-soft"
            style={{ left: `${share(reading)}%`, top: 40 }}
          />
        )}
      </div>
      {pinned && <StandsOn day={today} look={look} className="absolute left-7 top-6" />}
      {(more > 0 || open) && (
        <button
          type="button"
          aria-expanded={open}
          onClick={() => setOpen(!open)}
          className="absolute bottom-0 right-0 min-h-6 border-l border-t border-rule bg-paper px-3 text-xs font-semibold"
        >
          {open ? "Close" : `${more} more`}
        </button>
      )}
      <div className="absolute right-3 top-1 flex items-center gap-3 text-sm sm:right-7">
        {pointed && !carried && pointed !== today && (
          <span className="bg-paper px-1 text-soft">
            {dayInWords(pointed)}: {hoursInWords(lightOn(pointed) ?? 0)}
          </span>
        )}
        {carried && (
          <button type="button" className="opens bg-paper px-1" onClick={() => put(carried)}>
            Set this day
          </button>
        )}
      </div>
    </section>
  );
}
