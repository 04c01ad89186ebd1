import { speciesById } from "@/catalogue/catalogue";
import { type Day, dayNumber } from "@/core/calendar/day";
import type { Frosts } from "@/core/climate/frost";
import { seasonSpan } from "@/core/climate/season";
import type { Temperature } from "@/core/climate/temperature";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import type { Bed, Scene, School } from "@/core/isolation/scene";
import { type Tried, triedAs } from "@/core/isolation/tryout";
import { headOf } from "@/db/ops";
import type { Garden } from "@/records/garden/garden";
import { seasonsWithStands } from "@/records/stand/queries";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";
import { lineStandings, linesKnown } from "./linePlan";
import { type ForecastStand, firstYearOf } from "./outlook";
import { arrivalsOf, sceneOf } from "./scene";
import { workOfSeason } from "./work";

export type SeasonStand = {
  id: Id;
  version: Id;
  code: string;
  name: string;
  species: string;
  group: string;
  school: School;
  bedId: Id | null;
  bedName: string | null;
  family: boolean;
  seedWanted: boolean;
  sown: string;
  /** A sowing that is still ahead can be moved. */
  ahead: boolean;
  window: ForecastStand["window"];
  ripening: ForecastStand["ripening"];
  daysToRipe: { low: number; high: number };
  /** The work on it that is soonest impossible, and its last chance. */
  next: { what: string; last: Day } | null;
};

export type Season = {
  garden: Garden;
  band: Band;
  season: number;
  seasons: number[];
  /** Whether the season before is drawn too. */
  before: boolean;
  /** Whether there is a season before it to copy from. */
  copyable: boolean;
  stands: SeasonStand[];
  /** Crops of the second year that stand in this season and flower in the next. */
  firstYear: {
    code: string;
    name: string;
    bedName: string | null;
    sown: Day;
    season: number;
    family: 0 | 1;
  }[];
  /** What the worker would say of the season as it is. */
  tried: Tried[];
  /** What lines' plans have for it that nobody sowed or planned a sowing of yet. */
  inPlans: { code: string; name: string; plants: number; mothers: number }[];
  beds: Pick<Bed, "id" | "name" | "outside">[];
  frosts: Frosts | null;
  head: string | null;
};

function seasonStand(stand: ForecastStand, today: string, next: SeasonStand["next"]): SeasonStand {
  const species = speciesById(stand.species);
  const { id, version, code, school, bedId, bedName, sown, window, ripening } = stand;
  return {
    id,
    version,
    code,
    school,
    bedId,
    bedName,
    sown,
    window,
    ripening,
    name: nameWithGeneration(stand),
    species: species.name,
    group: species.crossingGroup,
    family: stand.family === 1,
    seedWanted: stand.seedWanted === 1,
    ahead: (stand.planned === 1 || sown >= today) && stand.firstFlower === null,
    daysToRipe: species.daysToRipe,
    next,
  };
}

/** A scene on its way to the browser: what is measured as a list of days. */
export type SentScene = Omit<Scene, "climate"> & {
  climate: Omit<Scene["climate"], "measured"> & { measured: [number, Temperature][] };
};

/** What the season's worker reckons with; of the weather only the days that this season's forecasts can look at. */
export function seasonScene(sky: Outlook, season: number): SentScene {
  const span = seasonSpan(season, sky.garden.latitude);
  const scene = sceneOf(sky, season);
  const first = Math.min(dayNumber(span.start), ...sky.standsOf(season).map((r) => dayNumber(r.sown))) - 130;
  const last = dayNumber(span.end) + 30;
  const measured = [...scene.climate.measured].filter(([day]) => day >= first && day <= last);
  return { ...scene, climate: { ...scene.climate, measured } };
}

export function seasonView(sky: Outlook, wantedSeason: number | null, before = false): Season {
  const season = wantedSeason ?? sky.season;
  return { ...sky.once(`season ${season} ${before}`, () => seen(sky, season, before)), head: headOf(sky.db) };
}

/** Of lines that go on, what their plans have for a season that is not past, once their seed can be there. */
function inPlans(sky: Outlook, season: number): Season["inPlans"] {
  if (season < sky.season) return [];
  const standings = lineStandings(sky);
  return [...linesKnown(sky).values()].flatMap((line) => {
    if (line.endedOn !== null) return [];
    const { plan, step } = standings.get(line.id)!;
    const planned = step === "lost" || step === "begin" ? null : plan.ahead.find((one) => one.season === season);
    if (!planned) return [];
    const { generation, plants, mothers } = planned;
    const name = nameWithGeneration({ lineName: line.name, generation, backcrosses: line.backcrosses });
    return { code: line.code, name, plants, mothers };
  });
}

function seen(sky: Outlook, season: number, before: boolean): Omit<Season, "head"> {
  const { garden, today, season: current } = sky;
  const rows = [...sky.standsOf(season)];
  const known = seasonsWithStands(sky.db);
  const next = new Map<Id, { what: string; last: Day }>();
  for (const { what, last, standing, stand } of workOfSeason(sky, season))
    if (last !== null && standing !== "missed" && !next.has(stand.id)) next.set(stand.id, { what, last });
  rows.sort((a, b) => (a.window.start < b.window.start ? -1 : 1));
  const scene = sceneOf(sky, season);
  return {
    garden,
    band: band(sky, season, [], undefined, before ? 2 : 1),
    season,
    seasons: [...new Set([season, current, current + 1, ...known])].sort((a, b) => b - a),
    before,
    copyable: season >= current && known.includes(season - 1),
    stands: rows.map((stand) => seasonStand(stand, today, next.get(stand.id) ?? null)),
    firstYear: firstYearOf(sky, season).map((stand) => ({
      code: stand.code,
      name: nameWithGeneration(stand),
      bedName: stand.bedName,
      sown: stand.sown,
      season: stand.season,
      family: stand.family,
    })),
    inPlans: inPlans(sky, season),
    beds: scene.beds.map(({ id, name, outside }) => ({ id, name, outside })),
    frosts: scene.climate.frosts,
    tried: triedOf(sky, season),
  };
}

/** The season as it is, with the same windows as the stands', under the same objects: they go to the browser once. */
const triedOf = (sky: Outlook, season: number): Season["tried"] =>
  sky.once(`tried ${season}`, () => {
    const stands = new Map(sky.standsOf(season).map((stand) => [stand.id, stand]));
    return triedAs(sceneOf(sky, season), arrivalsOf(sky, season).arrived).map((tried) => {
      const { window, ripening } = stands.get(tried.id)!;
      return { ...tried, window, ripening };
    });
  });
