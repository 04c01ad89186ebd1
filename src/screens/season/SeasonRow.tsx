"use client";
import clsx from "clsx";
import type { KeyboardEvent, PointerEvent } from "react";
import { dayInWords } from "@/core/calendar/day";
import { addressOfStand } from "@/core/custody/address";
import { bedInWords } from "@/core/ground/bedInWords";
import type { Tried } from "@/core/isolation/tryout";
import { oneIn } from "@/core/isolation/verdict";
import { timesInTen } from "@/core/units/odds";
import Link from "@/ui/Link";
import type { SeasonStand } from "@/views/season";
import { RipeFigure } from "../common/figures";
import { FATES } from "../common/standNames";
import { sentence, spanInWords } from "../common/words";

const LEVEL_TONES = { within: "text-moss", perhaps: "text-quince", over: "font-bold text-rust" } as const;

const LEVEL_WORDS = { within: "within your limit", perhaps: "perhaps over", over: "over your limit" } as const;

export const figuresInWords = (tried: Tried | undefined) =>
  tried
    ? `${tried.share ? `${sentence(oneIn(tried.share.likely))} fathered by strangers. ` : ""}Ripe before frost ${timesInTen(tried.ripening.chance)}.`
    : "";

type RowProps = {
  stand: SeasonStand;
  tried: Tried | null;
  moved: number;
  share: (day: string) => number;
  season: number;
  end: string;
  hold: {
    down: (event: PointerEvent, stand: SeasonStand) => void;
    move: (event: PointerEvent, stand: SeasonStand) => void;
    up: () => void;
  };
  onKey: (event: KeyboardEvent, stand: SeasonStand) => void;
};

export function Row({ stand, tried, moved, share, season, end, hold, onKey }: RowProps) {
  const window = tried?.window ?? stand.window;
  const ripening = tried?.ripening ?? stand.ripening;
  const sown = tried?.sown ?? stand.sown;
  const across = (from: string, to: string) => {
    const left = Math.max(0, share(from));
    return { left: `${left}%`, width: `${Math.max(0, Math.min(100, share(to > end ? end : to)) - left)}%` };
  };
  const clashes =
    tried?.share && tried.share.level !== "within" ? tried.meets.filter((m) => m.likely > tried.share!.limit / 4) : [];
  return (
    <div role="group" aria-label={`${stand.code} ${stand.name}`} className="relative h-[3.6rem]">
      <p className="relative z-10 flex w-full items-baseline gap-x-3 overflow-hidden whitespace-nowrap px-4 text-sm sm:px-7">
        <Link href={addressOfStand({ ...stand, season })} className="font-bold">
          {stand.code}
        </Link>
        <span className="max-w-64 truncate">{stand.name}</span>
        <span className="text-soft">{stand.bedName ? bedInWords(stand.bedName) : "in trays"}</span>
        <span className="text-soft max-sm:hidden">
          {window.fate === "flowers" ? spanInWords(window.start, window.end) : ""}
          {window.observed ? ", first flower seen" : ""}
        </span>
        {window.fate !== "flowers" ? (
          <span className="font-bold text-rust">{FATES[window.fate]}</span>
        ) : stand.seedWanted ? (
          <>
            {tried?.share && (
              <span className={LEVEL_TONES[tried.share.level]}>
                {oneIn(tried.share.likely)}
                <span className="sr-only"> {LEVEL_WORDS[tried.share.level]}</span>
              </span>
            )}
            <span
              className={clsx("max-sm:hidden", ripening.verdict === "too-late" ? "font-bold text-rust" : "text-soft")}
            >
              ripe{" "}
              <RipeFigure
                asked={{
                  from: window.female.start,
                  ripe: window.ripe,
                  observed: window.observed,
                  range: stand.daysToRipe,
                }}
              />
              {ripening.verdict === "no-frost" ? "" : `, before frost ${timesInTen(ripening.chance)}`}
            </span>
          </>
        ) : (
          <span className="text-soft">no seed wanted</span>
        )}
        {stand.next && (
          <span className="text-soft max-xl:hidden">
            {stand.next.what.toLowerCase()} by {dayInWords(stand.next.last)}
          </span>
        )}
      </p>
      {window.fate === "flowers" && (
        <span aria-hidden className="bar absolute h-px bg-soft" style={{ ...across(sown, window.ripe), top: 44 }} />
      )}
      {sown >= "0" && share(sown) >= 0 && (
        <span
          aria-hidden
          className="bar absolute size-2 rounded-full bg-ink"
          style={{ left: `calc(${share(sown)}% - 4px)`, top: 40 }}
        />
      )}
      {window.fate === "flowers" && (
        <>
          <Bar tone="bg-dusk" window={window.male} across={across} top={27} />
          <Bar tone="bg-damson" window={window.female} across={across} top={37} />
        </>
      )}
      {clashes.map((clash) => (
        <span
          key={clash.name}
          title={`${clash.name}: ${oneIn(clash.likely)}`}
          className="absolute h-6 border border-rust text-rust"
          style={{
            ...across(clash.start, clash.end),
            top: 25,
            backgroundImage: "repeating-linear-gradient(45deg, currentColor 0 2px, transparent 2px 7px)",
          }}
        />
      ))}
      {stand.seedWanted && window.fate === "flowers" && (
        <span
          aria-hidden
          className={clsx(
            "bar absolute size-2.5 rotate-45",
            ripening.verdict === "too-late" ? "bg-rust" : ripening.verdict === "doubtful" ? "bg-quince" : "bg-moss",
          )}
          style={{ left: `calc(${Math.min(99.5, share(window.ripe))}% - 5px)`, top: 39 }}
        />
      )}
      {stand.ahead && (
        <div
          role="slider"
          tabIndex={0}
          aria-label={`Sowing of ${stand.code} ${stand.name}. Arrow keys move it, Enter keeps it`}
          aria-valuemin={-180}
          aria-valuemax={180}
          aria-valuenow={moved}
          aria-valuetext={`sown ${dayInWords(sown)}; ${figuresInWords(tried ?? undefined)}`}
          className="absolute z-10 h-7 cursor-ew-resize touch-none"
          style={{ ...across(sown, window.end), top: 24 }}
          onPointerDown={(event) => hold.down(event, stand)}
          onPointerMove={(event) => hold.move(event, stand)}
          onPointerUp={hold.up}
          onKeyDown={(event) => onKey(event, stand)}
        />
      )}
    </div>
  );
}

function Bar(props: {
  tone: string;
  window: { start: string; end: string; earliest: string; latest: string };
  across: (from: string, to: string) => { left: string; width: string };
  top: number;
}) {
  const { tone, window, across, top } = props;
  return (
    <>
      <span
        aria-hidden
        className={clsx("bar absolute h-2 opacity-25", tone)}
        style={{ ...across(window.earliest, window.latest), top }}
      />
      <span
        aria-hidden
        className={clsx("bar absolute h-2", tone)}
        style={{ ...across(window.start, window.end), top }}
      />
    </>
  );
}
