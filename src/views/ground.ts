import { speciesById } from "@/catalogue/catalogue";
import { seasonOf } from "@/core/climate/season";
import { type Clash, findClashes, type StandOnGround } from "@/core/isolation/clashes";
import { clashInWords, type Remedy, remediesFor } from "@/core/isolation/remedies";
import type { Db } from "@/db/open";
import { asOfDay, type Bed, beds, type Garden, garden } from "@/records/garden/queries";
import { type LineSummary, lines } from "@/records/line/queries";
import { type LotRow, lots } from "@/records/lot/queries";
import { seasonsWithStands, standsOfSeason } from "@/records/stand/queries";
import { type Band, band, type ForecastStand, forecast } from "./band";

export type ClashView = {
  key: string;
  standId: number;
  sourceId: number;
  standName: string;
  sourceName: string;
  metres: number;
  wanted: number;
  days: number;
  words: string;
  remedies: Remedy[];
};

export type Ground = {
  garden: Garden;
  season: number;
  seasons: number[];
  band: Band;
  beds: Bed[];
  stands: (ForecastStand & {
    speciesName: string;
    isolation: { low: number; high: number };
    enough: { low: number; high: number };
  })[];
  chosen: number | null;
  clashes: ClashView[];
  /** For the stand form. */
  lines: Pick<LineSummary, "id" | "name" | "species">[];
  lots: Pick<LotRow, "id" | "code" | "lineId" | "lineName">[];
};

function onGround(stand: ForecastStand, care: Garden["care"]): StandOnGround | null {
  const { x, y, width, length, bedName } = stand;
  if (x === null || y === null || width === null || length === null || bedName === null) return null;
  const species = speciesById(stand.species);
  return {
    id: stand.id,
    lineId: stand.lineId,
    name: stand.lineName,
    crossingGroup: species.crossingGroup,
    school: stand.school,
    wild: stand.status === "wild",
    plot: { x, y, width, length, name: bedName, outside: stand.outside === 1 },
    window: stand.window,
    flowers: stand.flowers,
    seedWanted: stand.seedWanted === 1,
    isolation: species.isolation[care].low,
  };
}

function viewOf(
  clash: Clash,
  all: StandOnGround[],
  stands: Map<number, ForecastStand>,
  view: { day: string; garden: Garden; beds: Bed[] },
): ClashView {
  const stand = stands.get(clash.stand.id)!;
  const species = speciesById(stand.species);
  const used = new Set([...stands.values()].map((s) => s.bedId));
  const remedies = remediesFor(clash, {
    today: view.day,
    sown: stand.sown,
    facts: species,
    firstFrost: view.garden.firstFrost,
    beds: view.beds.map((bed) => ({ ...bed, outside: bed.outside === 1, free: !used.has(bed.id) })),
    rivals: all.filter((s) => s.crossingGroup === clash.stand.crossingGroup && s.lineId !== clash.stand.lineId),
    selfs: species.breeding === "selfing" || species.vector.startsWith("own"),
  });
  return {
    key: `${clash.stand.id}-${clash.source.id}`,
    standId: clash.stand.id,
    sourceId: clash.source.id,
    standName: clash.stand.name,
    sourceName: clash.source.name,
    metres: clash.metres,
    wanted: clash.wanted,
    days: clash.days,
    words: clashInWords(clash),
    remedies,
  };
}

/** Stands of one line against one source line are one clash to the grower: the nearest speaks for them. */
function nearestOfEach(clashes: Clash[]): Clash[] {
  const seen = new Map<string, Clash>();
  for (const clash of clashes) {
    const key = `${clash.stand.lineId}-${clash.source.lineId}`;
    if (!seen.has(key)) seen.set(key, clash);
  }
  return [...seen.values()];
}

export function groundView(db: Db, wantedSeason: number | null, chosen: number | null): Ground {
  const place = garden(db);
  const day = asOfDay(place);
  const season = wantedSeason ?? seasonOf(day, place.latitude);
  const rows = standsOfSeason(db, season).map((s) => forecast(s, place));
  const placed = rows.map((r) => onGround(r, place.care)).filter((s) => s !== null);
  const byId = new Map(rows.map((r) => [r.id, r]));
  const ground = beds(db);
  const all = findClashes(placed);
  const chosenStand = chosen !== null && byId.has(chosen) ? chosen : null;
  const concerned =
    chosenStand === null
      ? nearestOfEach(all)
      : all.filter((c) => c.stand.id === chosenStand || c.source.id === chosenStand);
  return {
    garden: place,
    season,
    seasons: [...new Set([season, ...seasonsWithStands(db), seasonOf(day, place.latitude)])].sort((a, b) => b - a),
    band: band(place, season, rows, (s) => chosenStand === null || s.id === chosenStand),
    beds: ground,
    stands: rows.map((r) => {
      const species = speciesById(r.species);
      return {
        ...r,
        speciesName: species.name,
        isolation: species.isolation[place.care],
        enough: species.plants[r.school === "keep-pure" ? "keep well" : "keep going"],
      };
    }),
    chosen: chosenStand,
    clashes: concerned.slice(0, 12).map((c) => viewOf(c, placed, byId, { day, garden: place, beds: ground })),
    lines: lines(db).map(({ id, name, species }) => ({ id, name, species: speciesById(species).name })),
    lots: lots(db, null, 400).map(({ id, code, lineId, lineName }) => ({ id, code, lineId, lineName })),
  };
}
