import { speciesById } from "@/catalogue/catalogue";
import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { groupBy } from "@/core/lists/groupBy";
import { comeOut, storeShare, toStore } from "@/core/selection/lifting";
import { removal, shedBy } from "@/core/selection/roguing";
import { deedsOfSeason } from "@/records/deed/queries";
import { roguedStands, type TakenOut, takenOutOfLine } from "@/records/line/rogued";
import type { Offkind } from "@/records/offkind/offkind";
import { offkindsOf } from "@/records/offkind/queries";
import type { Photo } from "@/records/photo/photo";
import { photosOfOffkinds } from "@/records/photo/queries";
import type { Plant } from "@/records/plant/plant";
import { plantsOfStand, reasonsOf } from "@/records/plant/queries";
import { keptInStore, type SortingOfStand, sortingsOfLine } from "@/records/sorting/queries";
import type { Sorting } from "@/records/sorting/sorting";
import { standByCode, standsOfLine } from "@/records/stand/queries";
import { type Band, band } from "./band";
import { plantsToGoOn } from "./drawer";
import type { ForecastStand, Outlook } from "./outlook";

/** What was taken out of one stand. */
export type RoguedSeason = {
  code: string;
  season: number;
  generation: number | null;
  grown: number;
  out: number;
  /** Of them after the first flower, and the most of its pollen that one of them had shed. */
  late: number;
  shed: number;
  reasons: { reason: string; plants: number }[];
};

/** What was lifted and replanted, sorted; and what comes of what is stored. */
export type Lifting = {
  /** What is to be sorted next; null once both are done. */
  next: Sorting["moment"] | null;
  now: { lift: Sorting | null; replant: Sorting | null };
  /** Plants wanted at flowering, and how many sound ones to store for them. */
  wanted: number;
  store: number;
  /** How many of those stored come out sound; null before they are stored. */
  out: ReturnType<typeof comeOut> | null;
  /** How many winters that rests on. */
  winters: number;
  /** How the line was sorted, the last first. */
  sorts: SortingOfStand[];
};

export type Roguing = {
  band: Band;
  stand: Pick<
    ForecastStand,
    "id" | "code" | "lineName" | "lineId" | "generation" | "backcrosses" | "season" | "family" | "window" | "school"
  >;
  /** By which day every plant must have been looked at, and when that was done. */
  by: Day;
  doneOn: Day | null;
  today: Day;
  standing: Pick<Plant, "id" | "number" | "mark" | "version">[];
  /** Its plants have no numbers: a walk is written down with how many were looked at. */
  walkable: boolean;
  kinds: (Offkind & { photos: Photo[] })[];
  /** Reasons that were given before and have no definition. */
  other: string[];
  seasons: RoguedSeason[];
  /** For what is lifted and replanted; null for what is not. */
  lifting: Lifting | null;
  /** Share of seed that is of the plant's own pollen, in the middle of what is known of its kind. */
  selfing: number;
};

const plantsIn = (out: TakenOut[]): number => out.reduce((sum, { plants }) => sum + plants, 0);

/** What does not belong, what was done about it, and what that comes to over the generations. */
export function roguingView(sky: Outlook, code: string): Roguing | null {
  const { db, today } = sky;
  const row = standByCode(db, code);
  if (!row) return null;
  const stand = sky.forecast(row);
  const out = groupBy(takenOutOfLine(db, row.lineId), ({ standId }) => standId);
  const windows = sky.once(`flowerings of ${row.lineId}`, () => flowerings(sky, row.lineId));
  const photos = groupBy(photosOfOffkinds(db, row.lineId), ({ offkindId }) => offkindId!);
  const kinds = offkindsOf(db, row.lineId).map((kind) => ({ ...kind, photos: photos.get(kind.id) ?? [] }));
  const named = new Set(kinds.map(({ name }) => name));
  const rogued = (deedsOfSeason(db, row.season).get(row.id) ?? []).filter(
    ({ act, how }) => act === "rogue" && how === "done",
  );
  return {
    band: band(sky, row.season, [stand]),
    stand,
    by: stand.window.start,
    doneOn: rogued.at(-1)?.on ?? null,
    today,
    standing: plantsOfStand(db, row.id)
      .filter(({ removedOn }) => removedOn === null)
      .map(({ id, number, mark, version }) => ({ id, number, mark, version })),
    walkable: row.family === 0 && !row.planned && row.endedOn === null,
    kinds,
    other: reasonsOf(db, row.lineId)
      .map(({ reason }) => reason)
      .filter((reason) => !named.has(reason)),
    seasons: roguedStands(db, row.lineId, today)
      .filter(({ grown }) => grown > 0)
      .map((one) => seasonOf(one, out.get(one.id) ?? [], windows.get(one.id))),
    lifting: liftingOf(sky, stand),
    selfing: 1 - middle(speciesById(row.species).outcrossing),
  };
}

function liftingOf({ db }: Outlook, stand: ForecastStand): Lifting | null {
  const sorts = sortingsOfLine(db, stand.lineId);
  if (stand.overwinter !== "lifted" && !stand.liftedOn && sorts.length === 0) return null;
  const of = (moment: Sorting["moment"]) =>
    sorts.find((one) => one.standId === stand.id && one.moment === moment) ?? null;
  const [lift, replant] = [of("lift"), of("replant")];
  const seen = keptInStore(db, stand.species);
  const share = storeShare(seen);
  const wanted = stand.wanted ?? plantsToGoOn(stand.species);
  return {
    next: replant ? null : lift ? "replant" : "lift",
    now: { lift, replant },
    wanted,
    store: toStore(wanted, share),
    out: lift && !replant ? comeOut(lift.fit, share) : null,
    winters: seen.length,
    sorts,
  };
}

const flowerings = (sky: Outlook, lineId: Id) =>
  new Map(standsOfLine(sky.db, lineId).map((stand) => [stand.id, sky.forecast(stand).window]));

function seasonOf(
  { code, season, generation, grown }: ReturnType<typeof roguedStands>[number],
  out: TakenOut[],
  window: ForecastStand["window"] | undefined,
): RoguedSeason {
  const late = window ? out.filter(({ on }) => removal(on, window.start).late) : [];
  const reasons = [...groupBy(out, ({ reason }) => reason || "no reason given")].map(([reason, of]) => ({
    reason,
    plants: plantsIn(of),
  }));
  return {
    code,
    season,
    generation,
    // What was counted out was grown too.
    grown: Math.max(grown, plantsIn(out)),
    out: plantsIn(out),
    late: plantsIn(late),
    shed: window ? Math.max(0, ...late.map(({ on }) => shedBy(window, on))) : 0,
    reasons: reasons.sort((a, b) => b.plants - a.plants),
  };
}
