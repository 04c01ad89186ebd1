import { speciesById } from "@/catalogue/catalogue";
import { dayNumber } from "@/core/calendar/day";
import { seasonSpan } from "@/core/climate/season";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import type { Scene, School } from "@/core/isolation/scene";
import { type Tried, tryOut } from "@/core/isolation/tryout";
import type { Garden } from "@/records/garden/garden";
import { seasonsWithStands } from "@/records/stand/queries";
import type { Outlook } from "@/views/outlook";
import { type Band, band } from "./band";
import type { ForecastStand } from "./outlook";
import { sceneOf } from "./scene";

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
};

export type Season = {
  garden: Garden;
  band: Band;
  season: number;
  seasons: number[];
  /** Whether the season before is drawn too. */
  before: boolean;
  stands: SeasonStand[];
  /** What the worker reckons with, and its first answer. */
  scene: Scene;
  tried: Tried[];
};

function seasonStand(stand: ForecastStand, today: string): SeasonStand {
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
    name: nameWithGeneration(stand.lineName, stand.generation),
    species: species.name,
    group: species.crossingGroup,
    family: stand.family === 1,
    seedWanted: stand.seedWanted === 1,
    ahead: sown >= today && stand.firstFlower === null,
    daysToRipe: species.daysToRipe,
  };
}

/** Only the days that this season's forecasts can look at go to the browser. */
function trimmed(scene: Scene, from: number, to: number): Scene {
  const measured = new Map([...scene.climate.measured].filter(([day]) => day >= from && day <= to));
  return { ...scene, climate: { ...scene.climate, measured } };
}

export function seasonView(sky: Outlook, wantedSeason: number | null, before = false): Season {
  const { garden, today } = sky;
  const current = sky.season;
  const season = wantedSeason ?? current;
  const rows = [...sky.standsOf(season)];
  rows.sort((a, b) => (a.window.start < b.window.start ? -1 : 1));
  const span = seasonSpan(season, garden.latitude);
  const scene = sceneOf(sky, season);
  const first = Math.min(dayNumber(span.start), ...rows.map((r) => dayNumber(r.sown)));
  return {
    garden,
    band: band(sky, season, [], undefined, 1, before ? 2 : 1),
    season,
    seasons: [...new Set([season, current, ...seasonsWithStands(sky.db)])].sort((a, b) => b - a),
    before,
    stands: rows.map((stand) => seasonStand(stand, today)),
    scene: trimmed(scene, first - 130, dayNumber(span.end) + 30),
    tried: sky.once(`tried ${season}`, () => tryOut(scene, [], new Map())),
  };
}
