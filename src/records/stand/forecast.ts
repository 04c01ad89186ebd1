import { mean } from "simple-statistics";
import { sceneSpecies, speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import { addDays, type Day, daysBetween } from "@/core/calendar/day";
import type { Climate } from "@/core/climate/climate";
import { inSeason, seasonSpan } from "@/core/climate/season";
import type { Id } from "@/core/custody/id";
import { type Correction, correctionFrom } from "@/core/flowering/correction";
import { type Flowering, middle, type Overwintering, type Sowing } from "@/core/flowering/facts";
import { flowering } from "@/core/flowering/forecast";
import { heatUntil } from "@/core/flowering/heat";
import { groupBy } from "@/core/lists/groupBy";
import type { Db } from "@/db/open";
import { prepared } from "@/db/rows";
import { climateOf } from "../climate/queries";
import type { Stand } from "./stand";

type Seen = {
  lineId: Id;
  sown: Day;
  plantedOut: Day | null;
  overwinter: Overwintering | null;
  firstFlower: Day;
  firstSex: Stand["firstSex"];
  season: number;
  species: string;
};

/** The first flowers that were seen of each line, every season. */
function firstFlowers(db: Db): Map<Id, Seen[]> {
  const seen = prepared(
    db,
    `SELECT s.lineId, s.sown, coalesce(s.replantedOn, s.plantedOut) plantedOut, s.overwinter, s.firstFlower, s.firstSex, s.season, l.species
     FROM stand s JOIN line l ON l.id = s.lineId
     WHERE s.firstFlower IS NOT NULL AND s.wintering IS NULL
       -- What flowers again after it was cut back says nothing of the wait from sowing.
       AND (s.cutBack IS NULL OR s.firstFlower < s.cutBack)`,
  ).all() as Seen[];
  return groupBy(seen, ({ lineId }) => lineId);
}

/** The first male flower, which the figure is about, where the first female one was seen instead. */
function firstMale({ firstFlower, firstSex }: Seen, { femaleLag }: Species): Day {
  return firstSex === "female" ? addDays(firstFlower, -Math.round(middle(femaleLag))) : firstFlower;
}

/**
 * What a line's own first flowers say of the catalogue's figure. A season is one lesson, however many stands were sown in it:
 * they had the same weather.
 */
function lineCorrection(seen: Seen[], climate: Climate): Correction | null {
  const species = speciesById(seen[0]!.species);
  const heat = climate.daily.length > 0;
  const range = heat ? species.heat.degreeDays : species.daysToFlower;
  const expected = middle(range);
  const ratio = (stand: Seen): number => {
    const day = firstMale(stand, species);
    return heat
      ? (heatUntil(stand, sceneSpecies(species), climate, day) ?? Number.NaN) / expected
      : daysBetween(stand.sown, day) / expected;
  };
  const seasons = [...groupBy(seen, ({ season }) => season).values()].map((stands) => {
    const ratios = stands.map(ratio).filter((r) => r > 0);
    return ratios.length > 0 ? Math.exp(mean(ratios.map(Math.log))) : Number.NaN;
  });
  return correctionFrom(seasons, range);
}

type Forecastable = Sowing & {
  lineId: Id;
  species: string;
  planned?: 0 | 1;
  replantedOn?: Day | null;
  season?: number;
  wintering?: Stand["wintering"];
};

export type Forecaster = {
  climate: Climate;
  correction: (lineId: Id) => Correction | null;
  /** A sowing that is planned and not done by its day is reckoned as if it were sown today. */
  of: (stand: Forecastable) => Flowering;
};

/** What stood outside grows again so long before the last frost; where no frost comes, so long after the season began. */
const WAKES = { beforeFrost: 30, withoutFrost: 60 };

/** The day from which plants that came through a winter grow again: as put out, or about the last frost. Working values. */
function wakesOn({ replantedOn, season, wintering, sown }: Forecastable, { frosts, latitude }: Climate): Day {
  if (replantedOn) return replantedOn;
  if (season === undefined) return sown;
  if (!frosts) return addDays(seasonSpan(season, latitude).start, WAKES.withoutFrost);
  const frost = inSeason(frosts.last.day, season, latitude);
  return wintering === "house" ? frost : addDays(frost, -WAKES.beforeFrost);
}

/** Forecasts flowerings with the garden's climate and each line's own record. */
export function forecaster(db: Db, today: Day): Forecaster {
  const climate = climateOf(db, today);
  const seen = firstFlowers(db);
  const kept = new Map<Id, Correction | null>();
  const correction = (lineId: Id) => {
    const own = seen.get(lineId);
    if (own && !kept.has(lineId)) kept.set(lineId, lineCorrection(own, climate));
    return kept.get(lineId) ?? null;
  };
  return {
    climate,
    correction,
    of: (stand) => {
      const sown = stand.planned && stand.sown < today ? today : stand.sown;
      const sowing = stand.wintering
        ? { ...stand, sown: wakesOn(stand, climate), plantedOut: null, wintered: true }
        : { ...stand, sown, plantedOut: stand.replantedOn ?? stand.plantedOut };
      return flowering(sowing, sceneSpecies(speciesById(stand.species)), climate, correction(stand.lineId));
    },
  };
}
