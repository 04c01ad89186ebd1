import { speciesById } from "@/catalogue/catalogue";
import type { Id } from "@/core/custody/id";
import type { KernelRange, Kernels } from "@/core/isolation/kernel";
import type { Scene, SceneStand } from "@/core/isolation/scene";
import type { Arrival, SourceShare } from "@/core/isolation/share";
import { isJudged, type Verdict, verdictOf } from "@/core/isolation/verdict";
import { headOf } from "@/db/ops";
import type { Bed } from "@/records/bed/bed";
import { beds } from "@/records/bed/queries";
import type { Garden } from "@/records/garden/garden";
import { type BarrierRow, barriers, type SourceRow, sources } from "@/records/ground/queries";
import { seasonsWithStands, standByCode } from "@/records/stand/queries";
import { type Band, band } from "./band";
import { unseenAt } from "./foreseen";
import { type GroundStand, groundStand } from "./groundStand";
import { type ForecastStand, firstYearOf, type Outlook } from "./outlook";
import { arrivalsOf, sceneOf } from "./scene";
import type { WaysOutInput } from "./waysOut";

/** What arrives at a stand's flowers, and what is said of it. */
export type Judged = Verdict &
  Pick<Arrival, "low" | "likely" | "high" | "chanceOver"> & {
    standId: Id;
    code: string;
    name: string;
    limit: number;
    /** What the figure was reckoned with, for its working. */
    stand: {
      plants: number;
      spacing: number;
      outcrossing: { low: number; high: number };
      female: { start: string; end: string };
      male: { start: string; end: string };
      kernel: KernelRange;
    };
    bySource: SourceShare[];
  };

export type Ground = {
  garden: Garden;
  season: number;
  seasons: number[];
  band: Band;
  beds: Bed[];
  barriers: BarrierRow[];
  sources: (SourceRow & { speciesName: string; window: { start: string; end: string } })[];
  /** What the map needs of every stand, and the whole of the chosen one. */
  stands: MapStand[];
  stand: GroundStand | null;
  chosen: Id | null;
  /** Every stand for seed with what arrives at it, the worst against its limit first. */
  judged: Judged[];
  /** The one the right page is about: the chosen stand, else the worst over its limit. */
  concern: Id | null;
  /** The most foreign pollen that plants nobody knows of may bring, where that is over a limit and nobody looked around; else null. */
  unseen: number | null;
  /** What the ways out of that concern are asked with; null where none are needed. */
  askWays: WaysOutInput | null;
  /** The journal's head: the ways out are those of the ground as it is now. */
  head: Id | null;
};

export type MapStand = Pick<
  ForecastStand,
  "id" | "code" | "bedId" | "lineName" | "generation" | "backcrosses" | "numbered" | "seedWanted" | "season"
> & {
  /** It stands in its bed and flowers in the season after. */
  firstYear: boolean;
  isolation: { low: number; high: number };
};

function mapStand(stand: ForecastStand, { garden }: Outlook, firstYear: boolean): MapStand {
  const { id, code, bedId, lineName, generation, backcrosses, numbered, seedWanted, species, season } = stand;
  return {
    id,
    season,
    firstYear,
    code,
    bedId,
    lineName,
    generation,
    backcrosses,
    numbered,
    seedWanted,
    isolation: speciesById(species).isolation[garden.care],
  };
}

function workingOf({ plants, species, window }: SceneStand, ownAs: number, kernels: Kernels): Judged["stand"] {
  const { female, male } = window;
  return {
    plants,
    spacing: ownAs,
    outcrossing: species.outcrossing,
    female: { start: female.start, end: female.end },
    male: { start: male.start, end: male.end },
    kernel: kernels[species.vector],
  };
}

/** The likelier over its limit the worse; among equals by how far. */
const worse = (a: Judged, b: Judged) => b.chanceOver - a.chanceOver || b.likely / b.limit - a.likely / a.limit;

/** Stands of one line in one place are one worry to the grower: the worst speaks for them. */
function worstOfEach(judged: Judged[], stands: SceneStand[]): Judged[] {
  const lineOf = new Map(stands.map((s) => [s.id, s.lineId]));
  const seen = new Set<Id>();
  return judged.filter((j) => {
    const line = lineOf.get(j.standId)!;
    return !seen.has(line) && seen.add(line);
  });
}

function judgedOf(scene: Scene, arrived: Map<Id, Arrival>, rows: ForecastStand[]): Judged[] {
  const codes = new Map(rows.map((row) => [row.id, row.code]));
  return scene.stands
    .filter(isJudged)
    .map((stand) => {
      const arrival = arrived.get(stand.id)!;
      const { low, likely, high, chanceOver, bySource } = arrival;
      return {
        ...verdictOf(stand, arrival),
        standId: stand.id,
        code: codes.get(stand.id)!,
        name: stand.name,
        limit: stand.limit,
        stand: workingOf(stand, arrival.ownAs, scene.kernels),
        low,
        likely,
        high,
        chanceOver,
        bySource: bySource.slice(0, 8),
      };
    })
    .sort(worse);
}

/** What a season's ground shows whichever stand is asked for: its stands on the map, and each one's pollen, the worst first. */
const groundOf = (sky: Outlook, season: number) =>
  sky.once(`ground ${season}`, () => {
    const rows = sky.standsOf(season);
    const scene = sceneOf(sky, season);
    const judged = judgedOf(scene, arrivalsOf(sky, season).arrived, rows);
    return {
      band: band(sky, season, rows),
      judged,
      listed: worstOfEach(judged, scene.stands),
      windows: new Map(scene.sources.map((s) => [s.id, s.male])),
      stands: [
        ...rows.filter((stand) => !stand.endedOn).map((stand) => mapStand(stand, sky, false)),
        ...firstYearOf(sky, season).map((stand) => mapStand(stand, sky, true)),
      ],
    };
  });

/** The most that plants on no record may bring to open seed within its limit, where nobody looked around this season. */
function unseenOver(sky: Outlook, rows: ForecastStand[], judged: Judged[]): number | null {
  const limits = new Map(judged.flatMap((one) => (one.level === "within" ? [[one.standId, one.limit]] : [])));
  const over = rows.flatMap((stand) => {
    const limit = limits.get(stand.id);
    const unseen = limit === undefined ? null : unseenAt(sky, stand);
    return unseen && !unseen.looked && unseen.high > limit! ? [unseen.high] : [];
  });
  return over.length > 0 ? Math.max(...over) : null;
}

/** @param chosen the code of the stand that was asked for */
export function groundView(sky: Outlook, wantedSeason: number | null, chosen: string | null): Ground {
  const { db, garden } = sky;
  const current = sky.season;
  // A stand that is asked for by itself is shown in its own season.
  const asked = wantedSeason === null && chosen ? standByCode(db, chosen)?.season : null;
  const season = wantedSeason ?? asked ?? current;
  const rows = sky.standsOf(season);
  const chosenRow = rows.find((r) => r.code === chosen);
  const chosenStand = chosenRow?.id ?? null;
  const { band: whole, judged, listed, windows, stands } = groundOf(sky, season);
  const worst = judged.find((j) => j.level !== "within");
  const concern = chosenStand ?? worst?.standId ?? null;
  const pollen = sources(db);
  return {
    garden,
    season,
    seasons: [...new Set([season, current, ...seasonsWithStands(db)])].sort((a, b) => b - a),
    band: chosenStand === null ? whole : band(sky, season, rows, ({ id }) => id === chosenStand),
    beds: beds(db),
    barriers: barriers(db),
    sources: pollen.map((source) => {
      const { start, end } = windows.get(source.id)!;
      return { ...source, speciesName: source.wild || speciesById(source.species).name, window: { start, end } };
    }),
    stands,
    stand: chosenRow ? groundStand(chosenRow, sky) : null,
    chosen: chosenStand,
    judged:
      chosenStand === null
        ? listed.map((j) => (j.standId === concern ? j : { ...j, bySource: j.bySource.slice(0, 1) }))
        : judged.filter((j) => j.standId === chosenStand),
    concern,
    unseen: chosenStand === null ? unseenOver(sky, rows, judged) : null,
    askWays:
      concern !== null && judged.some((j) => j.standId === concern)
        ? { standId: concern, season, day: sky.today }
        : null,
    head: headOf(db),
  };
}
