import { sceneSpecies, speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import { addDays, type Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { flowersAtAll } from "@/core/flowering/facts";
import { groupBy } from "@/core/lists/groupBy";
import type { RaisingStages } from "@/core/seed/sowing";
import { lengthInWords } from "@/core/units/units";
import { actsOf } from "@/core/work/acts";
import { inPlaces, type WorkGroup } from "@/core/work/groups";
import type { LivingStand } from "@/core/work/living";
import { memoryOf } from "@/core/work/memory";
import { nextScoring } from "@/core/work/score";
import { byLastChance, type Standing, standingOn, type Work } from "@/core/work/work";
import { weatherAhead } from "@/records/climate/queries";
import { mothersOfSeason } from "@/records/cross/queries";
import { type DeedOf, deedsOfSeason } from "@/records/deed/queries";
import { standsWithFlowers } from "@/records/flower/queries";
import { lotsToSow, mothersSownFrom, standsWithSeed } from "@/records/lot/queries";
import { type ChosenPlant, chosenPlants } from "@/records/plant/queries";
import { type OpenScore, openScores } from "@/records/score/queries";
import { inCells } from "@/records/stand/stand";
import type { ForecastStand, Outlook } from "./outlook";
import { raisingFor } from "./raising";
import { toKeepOf } from "./toKeep";

/** What a piece of work says of its stand. */
export type WorkStand = Pick<
  ForecastStand,
  "id" | "family" | "code" | "lineName" | "bedName" | "generation" | "backcrosses" | "season"
> & {
  /** Its flowers, or its plants, are male or female. */
  oneSex: boolean;
  /** Its seed ripens dry, and may be cut on its stalk. */
  dry: boolean;
  /** It sets its own seed. */
  selfs: boolean;
  /** Of what is crossed and fixed the plants that are kept: the seed of each is a lot of its own. */
  kept: Id[];
  /** The number of the one plant whose seed it is; null where it is of several, or not known. */
  mother: number | null;
};
/** `waits` where something must be done before it. */
export type StandWork = Omit<Work, "waitsFor"> & { standing: Standing; waits: boolean; stand: WorkStand };
/** Work of one act in one bed, or in trays. */
export type BedWork = WorkGroup<StandWork>;

/** Work by act and bed. */
export const byBed = (works: StandWork[]): BedWork[] => inPlaces(works, ({ stand }) => stand.bedName);

/** Past its last chance a piece of work is asked about for so long; then it leaves by itself. */
const ASKED = 14;

type Known = {
  deeds: Map<Id, DeedOf[]>;
  flowered: Set<Id>;
  gathered: Set<Id>;
  mothers: Set<Id>;
  /** Stands of which it is asked what flowers around them. */
  around: Set<Id>;
  stagesOf: (stand: ForecastStand) => RaisingStages;
  /** Plants that are kept, by their planting. */
  kept: Map<Id, ChosenPlant[]>;
  /** Rows of one generation of a line that stand. */
  sisters: Map<string, ForecastStand[]>;
  /** What families are still to be scored on. */
  toScore: Map<Id, OpenScore[]>;
};

function living(
  stand: ForecastStand,
  sky: Outlook,
  { deeds, flowered, gathered, mothers, around, stagesOf, toScore, kept, sisters }: Known,
): LivingStand {
  const { climate, today } = sky;
  const weather = sky.once("weather", () => weatherAhead(sky.db, today));
  const species = speciesById(stand.species);
  const { selfs } = sceneSpecies(species);
  const raising = raisedAs(species.raise, stand);
  return {
    ...stand,
    scoring: nextScoring({ ...stand, raising }, toScore.get(stand.id) ?? [], today),
    planned: stand.planned === 1 || stand.sown > today,
    // As the forecast reckons it: what should be sown by now is sown today at the soonest.
    sown: stand.planned === 1 && stand.sown < today ? today : stand.sown,
    seedWanted: stand.seedWanted === 1,
    mix: stand.school === "let-it-mix",
    allDiffer: stand.school === "cross-and-fix" && stand.generation !== null && stand.generation <= ALL_DIFFER,
    secondYear: species.cold !== null,
    tender: species.tender,
    staked: species.stake,
    separatePlants: species.flowerType === "separate-sex plants",
    selfs,
    around: around.has(stand.id) ? lengthInWords(species.isolation[sky.garden.care].high, sky.garden.units) : null,
    // What selfs needs no hand for it.
    fixing: stand.school === "cross-and-fix" && stand.generation !== null && !selfs && !mothers.has(stand.id),
    choosing: choosingOf(sky, stand, selfs, sisters.get(sistersKey(stand)) ?? [stand], kept),
    // Fruit of what is being bred or adapted is tasted before its mothers are chosen.
    tasted: !isDry(stand) && stand.school !== "keep-pure",
    fleshy: !isDry(stand),
    separateSexes: isOfOneSex(stand),
    ripeSign: species.ripeSign,
    handled: flowered.has(stand.id),
    gathered: gathered.has(stand.id),
    raising,
    perCell: stand.perCell ?? 1,
    // Only what is still to be sown is reckoned.
    stages: stand.planned === 1 || stand.sown > today ? stagesOf(stand) : UNREAD,
    frosts: climate.frosts,
    frostNight: weather.frostNight?.day ?? null,
    rainDay: weather.rain?.day ?? null,
    ...memoryOf(deeds.get(stand.id) ?? []),
  };
}

const sistersKey = ({ lineId, generation }: ForecastStand) => `${lineId} ${generation}`;

/** Of a family that divides and sets its own seed: how many plants of it and its sisters are to go on. */
function choosingOf(
  sky: Outlook,
  stand: ForecastStand,
  selfs: boolean,
  rows: ForecastStand[],
  kept: Known["kept"],
): LivingStand["choosing"] {
  const { school, family, generation } = stand;
  if (school !== "cross-and-fix" || family === 0 || !selfs || generation === null || generation < 2) return null;
  const numbered = rows.reduce((sum, row) => sum + row.numbered, 0);
  const wanted = toKeepOf(sky, stand).count;
  const own = ({ id }: ForecastStand) => kept.get(id)?.length ?? 0;
  if (wanted >= numbered) return null;
  return { wanted, kept: rows.reduce((sum, row) => sum + own(row), 0), rows: rows.length, own: own(stand) };
}

/** Up to an F2 the plants of a cross are all different, and an off-type is only what can't come of it. */
const ALL_DIFFER = 2;

const UNREAD: RaisingStages = { up: [], stays: [] };

/** A species' raising, as this stand was sown: in the ground it stays, in cells and pots nothing is pricked out. */
const raisedAs = (raise: Species["raise"], stand: ForecastStand): LivingStand["raising"] => {
  if (stand.sownIn === "ground") return { ...raise, how: "ground", prickOut: null, plantOut: null };
  return inCells(stand) ? { ...raise, prickOut: null } : raise;
};

const ONE_SEX: ReadonlySet<string> = new Set(["large separate-sex flowers", "separate-sex plants"]);
const isOfOneSex = (stand: ForecastStand) => ONE_SEX.has(speciesById(stand.species).flowerType);

const isDry = (stand: ForecastStand) => speciesById(stand.species).extraction === "dry";

const standOf = (stand: ForecastStand, mother: number | null, kept: ChosenPlant[]): WorkStand => {
  const { id, family, code, lineName, bedName, generation, backcrosses, season } = stand;
  const named = { id, family, code, lineName, bedName, generation, backcrosses, season };
  const { selfs } = sceneSpecies(speciesById(stand.species));
  return {
    ...named,
    oneSex: isOfOneSex(stand),
    dry: isDry(stand),
    selfs,
    mother,
    kept: kept.map(({ id: plant }) => plant),
  };
};

/** What gets through each stage of raising what is still to be sown, of its lot where it has one. */
function stagesOfPlanned(sky: Outlook): Known["stagesOf"] {
  const lots = sky.once("lots to be sown", () => new Map(lotsToSow(sky.db, sky.today).map((lot) => [lot.id, lot])));
  return ({ species, lineId, lotId }) => raisingFor(sky, { species, lineId, lot: (lotId && lots.get(lotId)) || null });
}

/**
 * Of each kind that others' pollen reaches in open flowers, the stand that flowers first: one look around serves all. Where
 * something was done about it with one of them, it stays with that one, whichever comes to flower first now.
 */
function firstOfKinds(stands: ForecastStand[], deeds: Known["deeds"]): Set<Id> {
  const first = new Map<string, ForecastStand>();
  const dealt = ({ id }: ForecastStand) => deeds.get(id)?.some(({ act }) => act === "look-around") ?? false;
  for (const stand of stands) {
    const { selfs, crossingGroup } = sceneSpecies(speciesById(stand.species));
    if (selfs || stand.seedWanted === 0 || stand.flowers !== "open" || !flowersAtAll(stand.window)) continue;
    const known = first.get(crossingGroup);
    const sooner = !known || (!dealt(known) && stand.window.start < known.window.start);
    if (sooner || (known && dealt(stand) && !dealt(known))) first.set(crossingGroup, stand);
  }
  return new Set([...first.values()].map(({ id }) => id));
}

/** Everything that is open on the stands of one season, the soonest impossible first. */
export const workOfSeason = (sky: Outlook, season: number): StandWork[] =>
  sky.once(`work ${season}`, () => {
    const { db, today } = sky;
    const stands = sky.standsOf(season).filter((s) => !s.outside && !s.endedOn);
    const deeds = deedsOfSeason(db, season);
    const known: Known = {
      around: firstOfKinds(stands, deeds),
      deeds,
      flowered: standsWithFlowers(db, season),
      gathered: standsWithSeed(db, season),
      mothers: mothersOfSeason(db, season),
      stagesOf: stagesOfPlanned(sky),
      sisters: groupBy(
        stands.filter(({ family, planned }) => family === 1 && planned === 0),
        sistersKey,
      ),
      kept: groupBy(chosenPlants(db, season), ({ standId }) => standId),
      toScore: groupBy(openScores(db, season), ({ standId }) => standId),
    };
    const mothers = mothersSownFrom(db, season);
    return stands
      .flatMap((stand) => {
        const works = actsOf(living(stand, sky, known));
        const open = new Set(works.map(({ key }) => key));
        return works.map(({ waitsFor, ...work }) => ({
          ...work,
          standing: standingOn({ ...work, waitsFor }, today, open),
          waits: waitsFor.some((key) => open.has(key)),
          stand: standOf(
            stand,
            mothers.get(stand.id) ?? null,
            stand.school === "cross-and-fix" ? (known.kept.get(stand.id) ?? []) : [],
          ),
        }));
      })
      .filter(({ standing, last }) => standing !== "missed" || last! >= addDays(today, -ASKED))
      .sort(byLastChance);
  });

/** Everything that is open: on stands that flower in this season, and on those of the next that are sown or planned. */
export const openWork = (sky: Outlook): StandWork[] =>
  sky.once("work", () => [...workOfSeason(sky, sky.season), ...workOfSeason(sky, sky.season + 1)].sort(byLastChance));

/** What is to be done now. */
export const dueWork = (sky: Outlook): StandWork[] => openWork(sky).filter(({ standing }) => standing === "due");

/** Of several pieces of work the one that is soonest impossible, and how many more there are. */
export type Due = { what: string; last: Day | null; more: number };

export const dueOf = (works: StandWork[]): Due => {
  const { what, last } = works[0]!;
  return { what, last, more: works.length - 1 };
};
