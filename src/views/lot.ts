import { speciesById } from "@/catalogue/catalogue";
import { cautionsAt } from "@/catalogue/hazards";
import { seasonOf } from "@/core/climate/season";
import { divides } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { middle } from "@/core/flowering/facts";
import { degreeOf } from "@/core/isolation/crossing";
import type { Share } from "@/core/isolation/share";
import { type Germination, germinationAfter } from "@/core/seed/alive";
import { storageMoisture } from "@/core/seed/drying";
import { testPlan } from "@/core/seed/germination";
import { originsOf } from "@/core/seed/lineage";
import { type CountByWeight, countByWeight } from "@/core/seed/seedCount";
import type { RaisingStages } from "@/core/seed/sowing";
import { type CandidateRow, candidatesOf } from "@/records/candidate/queries";
import type { Garden } from "@/records/garden/garden";
import type { HandlingRow, SampleRow } from "@/records/handling/handling";
import { handlingsOf, samplesOf } from "@/records/handling/queries";
import { backcrossesOf, lineById } from "@/records/line/queries";
import { type PartRow, partsBefore, partsInto, partsOf } from "@/records/lot/parts";
import { type LotRow, lotByCode, lotById } from "@/records/lot/queries";
import type { Offtype } from "@/records/offtype/offtype";
import { offtypesOf } from "@/records/offtype/queries";
import type { Packet } from "@/records/packet/packet";
import { packetsOf } from "@/records/packet/queries";
import { seedReturn, standsOfSeason } from "@/records/stand/queries";
import { allStores, stays, stores } from "@/records/store/queries";
import type { Store } from "@/records/store/store";
import { type MoveRow, movesOf } from "@/records/vessel/queries";
import type { LotTest } from "./alive";
import { livesOf } from "./alive";
import { type Band, band } from "./band";
import { type StandChoice, standChoice } from "./choices";
import { drawerLot, type LifeCurve, lifeCurve, plantsToGoOn, type WholeLot } from "./drawer";
import { foreseenOf } from "./foreseen";
import { linePlan } from "./linePlan";
import type { Outlook } from "./outlook";
import {
  type Emergence,
  emergenceOf,
  enoughFor,
  enoughOf,
  type Losses,
  lossesOf,
  raisingFor,
  type SowingTime,
  sowingTime,
} from "./raising";
import { type SeedTable, seedTable, type TableLotView } from "./seedTable";
import { type SeedWords, seedWordsOf } from "./seedWords";

/** Where a lot lay, in order. */
export type StayView = { id: Id; since: string; name: string; temperature: number; humidity: number };

export type LotPage = {
  garden: Garden;
  band: Band;
  today: string;
  lot: WholeLot;
  now: Germination;
  curve: LifeCurve;
  tests: LotTest[];
  /** How many seeds a test takes now; null where too few are left. */
  test: { seeds: number; half: number; precious: boolean } | null;
  stays: StayView[];
  stores: Store[];
  /** As it stands on the table; null in the drawer. */
  onTable: TableLotView | null;
  vessels: SeedTable["vessels"];
  tableNow: SeedTable["now"];
  handled: HandlingRow[];
  moves: MoveRow[];
  madeOf: PartRow[];
  madeInto: PartRow[];
  /** Lots that were not made of others, where its seed comes from. */
  origins: { code: string; share: number }[];
  /** Of open seed: what share of strange fathers was foreseen, and what was counted; null for other seed. */
  strangers: { foreseen: Share | null; counts: Offtype[] } | null;
  /** What its seeds show at once; null where they show nothing of their own. */
  seedWords: SeedWords | null;
  samples: SampleRow[];
  counted: CountByWeight | null;
  packets: Packet[];
  /** Who may have been mother or father, where that is not sure. */
  candidates: CandidateRow[];
  /** Stands that could have been, of the season the seed is from. */
  possible: StandChoice[];
  /** What gets through each stage of raising it, for seeds to sow; what its line loses beside what is usual. */
  stages: RaisingStages;
  losses: Losses;
  /** When to sow what is planted out on the next good day; null for what is sown in its place. */
  time: SowingTime | null;
  emergence: Emergence[];
  /** Seeds that its line gave for each that was sown, and whether the line has enough of it: seed that still comes up. */
  seedReturn: { sown: number; given: number };
  enough: { have: number; need: number };
  plants: number;
  /** Plants that the plan has of its generation, where that still divides. */
  planned: number | null;
  species: {
    name: string;
    ripeSign: string;
    wake: string | null;
    warmth: { low: number; high: number };
    counts: { low: number; high: number };
    shelfYears: { low: number; high: number };
    published: boolean;
    /** The moisture to dry it to, wet basis. */
    moisture: number;
  };
  hazards: { title: string; caution: string }[];
};

/** A dividing generation is sown as its plan has it, and could be once more if that fails. */
const PLANNED_SOWINGS = 2;

/** What its line's plan has of a lot's generation; null where that does not divide. */
function plannedFor(sky: Outlook, { lineId, generation }: LotRow) {
  const line = lineById(sky.db, lineId)!;
  if (!divides({ ...line, generation })) return null;
  const plan = linePlan(sky, { ...line, backcrosses: backcrossesOf(sky.db, lineId) }, generation);
  const step = plan.ahead.find((one) => one.generation === generation);
  return step ? { plants: step.plants, mothers: step.mothers, generation } : null;
}

export function lotPage(sky: Outlook, code: string): LotPage | null {
  const { db, garden, season, today } = sky;
  const row = lotByCode(db, code);
  if (!row) return null;
  const species = speciesById(row.species);
  const { life, known, tests } = livesOf(sky)(row);
  const lot = drawerLot(row, life);
  const now = germinationAfter(known, life.aged);
  const places = allStores(db);
  const samples = samplesOf(db, row.id);
  const planned = plannedFor(sky, row);
  const table = seedTable(sky);
  const origins = originsOf(row.id, partsBefore(db, row.id));
  return {
    garden,
    band: band(
      sky,
      season,
      sky.standsOf(season).filter((s) => s.lineId === row.lineId),
    ),
    today,
    lot,
    now,
    curve: lifeCurve(sky, row, life, known, tests),
    tests,
    test: testPlan(now.likely, lot.seedsLeft),
    stays: stays(db, row.id).map(({ id, since, storeId }) => {
      const { name, temperature, humidity } = places.get(storeId)!;
      return { id, since, name, temperature, humidity };
    }),
    stores: stores(db),
    onTable: table.lots.find(({ id }) => id === row.id) ?? null,
    vessels: table.vessels,
    tableNow: table.now,
    handled: handlingsOf(db, row.id),
    moves: movesOf(db, row.id),
    madeOf: partsOf(db, row.id),
    madeInto: partsInto(db, row.id),
    origins: origins.length > 1 ? origins.map(({ id, share }) => ({ code: lotById(db, id)!.code, share })) : [],
    strangers: row.kind === "open" ? { foreseen: foreseenOf(sky, row), counts: offtypesOf(db, row.id) } : null,
    seedWords: seedWordsOf(db, row),
    samples,
    counted: samples.length > 0 ? countByWeight(samples, row.mass ?? 0) : null,
    packets: packetsOf(db, row.id),
    candidates: candidatesOf(db, "lot", row.id),
    possible: standsOfSeason(db, seasonOf(row.gathered, garden.latitude))
      .filter((s) => degreeOf(species, speciesById(s.species)) !== null)
      .map(standChoice),
    stages: raisingFor(sky, { species: row.species, lineId: row.lineId, lot: row }),
    losses: lossesOf(sky, row),
    time: sowingTime(sky, row.species),
    emergence: emergenceOf(sky, row.id, row.species),
    seedReturn: seedReturn(db, row.lineId),
    enough: planned ? enoughFor(sky, row, { ...planned, sowings: PLANNED_SOWINGS }) : enoughOf(sky, row),
    plants: planned ? Math.ceil(planned.plants / planned.mothers) : plantsToGoOn(row.species),
    planned: planned?.plants ?? null,
    species: {
      name: species.name,
      ripeSign: species.ripeSign,
      wake: species.seed.wake,
      warmth: species.seed.warmth,
      counts: species.seed.counts,
      shelfYears: species.shelfYears,
      published: species.seed.viability !== null,
      moisture: storageMoisture(middle(species.seed.oil)),
    },
    // What its table calls for stands at the step there.
    hazards: cautionsAt(species.hazards, row.onTable ? "clean" : "keep"),
  };
}
