import { dayInWords, dayNumber } from "@/core/calendar/day";
import { hoursOn } from "@/core/climate/climate";
import { everyDay, inSeason, seasonSpan } from "@/core/climate/season";
import { addressOfStand } from "@/core/custody/address";
import { nameWithGeneration } from "@/core/custody/generation";
import { flowersAtAll } from "@/core/flowering/facts";
import { inOrder } from "@/core/lists/order";
import type { ForecastStand, Look, Outlook } from "./outlook";

export type BandBar = {
  label: string;
  href: string;
  tone: "strong" | "other";
  start: string;
  end: string;
  earliest: string;
  latest: string;
  lane: number;
  point?: { day: string; words: string; bad: boolean };
};

/** A frost's usual day and its spread, days. */
export type BandFrost = { day: string; spread: number };

export type Band = {
  place: string;
  start: string;
  end: string;
  today: string;
  pinned: boolean;
  look: Look;
  demo: boolean;
  light: number[];
  lastFrost: BandFrost | null;
  firstFrost: BandFrost | null;
  bars: BandBar[];
  hidden: number;
};

/** An opened band has so many lanes; the first of them shows while it is closed. */
const LANES = 8;

/** Stands that share line and days are one bar. */
function barsOf(stands: ForecastStand[], strong: (stand: ForecastStand) => boolean): Omit<BandBar, "lane">[] {
  const seen = new Map<string, { bar: Omit<BandBar, "lane">; stands: number; name: string }>();
  for (const stand of stands) {
    const { window, ripening } = stand;
    const key = `${stand.lineId} ${window.start} ${window.end}`;
    const known = seen.get(key);
    if (known) {
      known.stands++;
      known.bar.label = `${known.name}, ${known.stands} stands`;
      continue;
    }
    const short = stand.lineName.length > 26 ? `${stand.lineName.slice(0, 25)}…` : stand.lineName;
    const name = nameWithGeneration({ ...stand, lineName: short });
    const bad = stand.seedWanted === 1 && ripening.verdict === "too-late";
    seen.set(key, {
      stands: 1,
      name,
      bar: {
        label: name,
        href: addressOfStand(stand),
        tone: strong(stand) ? "strong" : "other",
        start: window.start,
        end: window.end,
        earliest: window.earliest,
        latest: window.latest,
        point:
          stand.seedWanted === 1
            ? { day: window.ripe, words: bad ? "frost comes before its seed" : `seed ${dayInWords(window.ripe)}`, bad }
            : undefined,
      },
    });
  }
  return [...seen.values()].map((s) => s.bar);
}

/** Puts bars into lanes so that neither bars nor their words run into each other; those that do not fit are counted. */
function inLanes(bars: Omit<BandBar, "lane">[], lanes: number, share: (day: string) => number) {
  const taken: { from: number; to: number }[][] = Array.from({ length: lanes }, () => []);
  const placed: BandBar[] = [];
  // What concerns the screen comes first; the rest fills what is left, the soonest first.
  const order = (bar: Omit<BandBar, "lane">) => `${bar.tone === "strong" ? 0 : 1}${bar.earliest}`;
  for (const bar of [...bars].sort((a, b) => inOrder(order(a), order(b)))) {
    // A letter is about 0.55 % of a 1280-pixel band; words stand left of bars that end late.
    const letters = (bar.label.length + (bar.point ? bar.point.words.length + 2 : 0)) * 0.56 + 2;
    const left = share(bar.latest) > 72;
    const from = share(bar.earliest) - (left ? letters : 0);
    const to = Math.max(share(bar.latest), bar.point ? share(bar.point.day) : 0) + (left ? 1 : letters);
    const lane = taken.findIndex((spans) => spans.every((span) => to < span.from || from > span.to));
    if (lane < 0) continue;
    taken[lane]!.push({ from, to });
    placed.push({ ...bar, lane });
  }
  return { placed, hidden: bars.length - placed.length };
}

/** The season as a landscape, with the flowerings that concern a screen. */
export function band(
  { garden, today, pinned, look, climate }: Outlook,
  season: number,
  stands: ForecastStand[],
  strong: (stand: ForecastStand) => boolean = () => true,
  seasons = 1,
  lanes = LANES,
): Band {
  const span = {
    start: seasonSpan(season - seasons + 1, garden.latitude).start,
    end: seasonSpan(season, garden.latitude).end,
  };
  const days = everyDay(span);
  const index = new Map(days.map((day, i) => [day, i]));
  const share = (day: string) => ((day < span.start ? 0 : (index.get(day) ?? days.length)) / days.length) * 100;
  const meets = stands.filter(
    ({ window }) => flowersAtAll(window) && window.latest >= span.start && window.earliest <= span.end,
  );
  const { placed, hidden } = inLanes(barsOf(meets, strong), lanes, share);
  const frostOn = ({ day, spread }: BandFrost) => ({ day: inSeason(day, season, garden.latitude), spread });
  return {
    place: garden.name,
    ...span,
    today,
    pinned,
    look,
    demo: garden.demo === 1,
    light: days.map((day) => Number(hoursOn(climate, dayNumber(day)).toFixed(2))),
    lastFrost: climate.frosts && frostOn(climate.frosts.last),
    firstFrost: climate.frosts && frostOn(climate.frosts.first),
    bars: placed,
    hidden,
  };
}

/** The band of all that grows in the season, for pages that are about no stand in particular. */
export const seasonBand = (sky: Outlook): Band =>
  sky.once("season band", () => band(sky, sky.season, sky.standsOf(sky.season)));
