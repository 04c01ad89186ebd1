import { speciesById } from "@/catalogue/catalogue";
import { cautionsAt } from "@/catalogue/hazards";
import { addDays, type Day, dayNumber, dayOf } from "@/core/calendar/day";
import { nextFrost } from "@/core/climate/season";
import { addressOfStand } from "@/core/custody/address";
import { nameWithGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { flowersAtAll, middleDay } from "@/core/flowering/facts";
import { ripeBy } from "@/core/flowering/heat";
import { groupBy } from "@/core/lists/groupBy";
import { inOrder } from "@/core/lists/order";
import { type Cut, page } from "@/core/lists/page";
import { below } from "@/core/numbers/normal";
import { crossesOfSeason } from "@/records/cross/queries";
import { deedsOfSeason } from "@/records/deed/queries";
import { flowersUnderWay } from "@/records/flower/queries";
import type { Garden } from "@/records/garden/garden";
import { lineDescriptions } from "@/records/line/queries";
import { standsWithSeed } from "@/records/lot/queries";
import { markedPlants, type PickRow, picksOfSeason } from "@/records/pick/queries";
import { chosenPlants } from "@/records/plant/queries";
import { standByCode } from "@/records/stand/queries";
import { type Band, band } from "./band";
import type { ForecastStand, Outlook } from "./outlook";

/** A stand whose fruit or heads are picked for seed. */
export type HarvestStand = {
  id: Id;
  version: Id;
  code: string;
  href: string;
  name: string;
  bed: string | null;
  dry: boolean;
  sign: string;
  /** Days its fruit ripens on indoors. */
  after: { low: number; high: number } | null;
  ripe: { early: Day; likely: Day; late: Day };
  /** The chance that the first seed is ripe before frost, and the frost that it races; null where none is known. */
  race: { chance: number; frost: Day } | null;
  description: string;
  passesWanted: number | null;
  releasedOn: Day | null;
  /** Passes so far: days, fruits, plants. */
  passes: number;
  fruits: number;
  plants: number[];
  setAside: { fruits: number; why: string }[];
  lots: string[];
  chosen: { id: Id; number: number }[];
  /** How near ripe it is: picked now, soon, later, or past its latest; or its seed is in. */
  when: "now" | "soon" | "later" | "past" | "in";
};

/** Hand-pollinated fruit of a cross that hangs: how many, when ripe, and whether frost may catch it. */
export type HarvestCross = { code: string; name: string; fruits: number; first: Day; last: Day; chance: number | null };

export type Harvest = {
  garden: Garden;
  band: Band;
  today: string;
  /** What is ripe first, as far as it is on the page. */
  stands: HarvestStand[];
  cut: Cut;
  /** Stands that may be ripe now, and the next one that is not yet. */
  ripe: number;
  next: string | null;
  /** Of hand-pollinated fruit what is ripe first, and how many more crosses have some. */
  crosses: HarvestCross[];
  moreCrosses: number;
};

/** So many crosses with fruit are named. */
const CROSSES = 12;

/** Ripe so soon is soon. */
const SOON = 21;

function whenOf(today: Day, early: Day, late: Day, isIn: boolean): HarvestStand["when"] {
  if (isIn) return "in";
  if (today > addDays(late, SOON)) return "past";
  if (today >= early) return "now";
  return addDays(today, SOON) >= early ? "soon" : "later";
}

type Beside = { picks: PickRow[]; chosen: HarvestStand["chosen"]; description: string; today: Day; isIn: boolean };

function standOf(stand: ForecastStand, { picks, chosen, description, today, isIn }: Beside): HarvestStand {
  const species = speciesById(stand.species);
  const { ripe, ripeEarliest, ripeLatest } = stand.window;
  const { chance, frost } = stand.ripening;
  const kept = picks.filter(({ verdict }) => verdict === "matches");
  return {
    id: stand.id,
    version: stand.version,
    code: stand.code,
    href: addressOfStand(stand),
    name: nameWithGeneration(stand),
    bed: stand.bedName,
    dry: species.extraction === "dry",
    sign: species.ripeSign,
    after: species.ripensIndoors ?? species.seed.afterRipening,
    ripe: { early: ripeEarliest, likely: ripe, late: ripeLatest },
    race: frost ? { chance, frost } : null,
    description: description.slice(0, 400),
    passesWanted: stand.passesWanted,
    releasedOn: stand.releasedOn,
    passes: new Set(kept.map(({ on }) => on)).size,
    fruits: kept.reduce((sum, { fruits }) => sum + fruits, 0),
    plants: [...new Set(kept.flatMap(({ plantNumber }) => (plantNumber === null ? [] : [plantNumber])))].sort(
      (a, b) => a - b,
    ),
    setAside: picks.flatMap(({ verdict, fruits, why }) => (verdict === "set-aside" ? [{ fruits, why }] : [])),
    lots: [...new Set(picks.flatMap(({ lotCode }) => (lotCode ? [lotCode] : [])))],
    chosen,
    when: whenOf(today, ripeEarliest, ripeLatest, isIn),
  };
}

/** Hand-pollinated fruit of the season that hangs. */
const crossesOf = (sky: Outlook): HarvestCross[] =>
  sky.once("hanging fruit", () => hanging(sky).sort((a, b) => inOrder(a.first, b.first)));

function hanging(sky: Outlook): HarvestCross[] {
  const { db, season, today, climate } = sky;
  const flowers = flowersUnderWay(db, season, today, today);
  return crossesOfSeason(db, season).flatMap((cross) => {
    const set = (flowers.get(cross.id) ?? []).filter(({ state, pollinatedOn }) => state === "set" && pollinatedOn);
    if (set.length === 0) return [];
    const { daysToRipe, heat } = speciesById(cross.species);
    const days = set.map(({ pollinatedOn }) => pollinatedOn!).sort();
    const [firstDay, lastDay] = [dayNumber(days[0]!), dayNumber(days.at(-1)!)];
    // It hangs in the open.
    const ripe = (from: number, count: number) => ripeBy(from, count, from, heat, climate).day;
    const [low, likely, high] = [daysToRipe.low, middleDay(daysToRipe), daysToRipe.high].map((of) =>
      ripe(lastDay, of),
    ) as [number, number, number];
    const frosts = climate.frosts?.first;
    const frost = frosts && nextFrost(today, frosts.day);
    const doubt = frosts ? Math.max(1, Math.hypot(frosts.spread, (high - low) / 4)) : 1;
    return [
      {
        code: cross.code,
        name: nameWithGeneration(cross),
        fruits: set.length,
        first: dayOf(ripe(firstDay, daysToRipe.low)),
        last: dayOf(high),
        chance: frost ? below(dayNumber(frost), likely, doubt) : null,
      },
    ];
  });
}

/** Whether a stand's seed was gathered, or lies in the drawer already. */
function seedIsIn({ db, season, today }: Outlook): (standId: Id) => boolean {
  const lots = standsWithSeed(db, season);
  const deeds = deedsOfSeason(db, season);
  return (id) =>
    lots.has(id) || (deeds.get(id) ?? []).some(({ act, how, on }) => act === "gather" && how === "done" && on <= today);
}

const ORDER = { now: 0, past: 1, soon: 2, later: 3, in: 4 } as const;

/** Stands and hand-pollinated fruit grown for seed in this season, what is ripe first. */
export function harvestView(sky: Outlook, from: number | null = null): Harvest {
  const { band: now, stands } = sky.once("harvest", () => ripening(sky));
  const { items, cut } = page(stands, from);
  const hanging = crossesOf(sky);
  const crosses = hanging.slice(0, CROSSES);
  return {
    garden: sky.garden,
    band: now,
    today: sky.today,
    stands: items,
    cut,
    ripe: stands.filter(({ when, releasedOn }) => when === "now" && !releasedOn).length,
    next: stands.find(({ when }) => when === "soon" || when === "later")?.name ?? null,
    crosses,
    moreCrosses: hanging.length - crosses.length,
  };
}

function ripening(sky: Outlook): Pick<Harvest, "band" | "stands"> {
  const { db, season, today } = sky;
  const picks = groupBy(picksOfSeason(db, season), ({ standId }) => standId);
  const chosen = groupBy(chosenPlants(db, season), ({ standId }) => standId);
  const described = lineDescriptions(db);
  const isIn = seedIsIn(sky);
  const stands = sky
    .standsOf(season)
    .filter((s) => s.seedWanted === 1 && !s.outside && !s.endedOn && !(s.planned === 1) && s.sown <= today)
    .filter(({ window }) => flowersAtAll(window));
  return {
    band: band(sky, season, stands),
    stands: stands
      .map((s) =>
        standOf(s, {
          picks: picks.get(s.id) ?? [],
          chosen: (chosen.get(s.id) ?? []).map(({ id, number }) => ({ id, number })),
          description: described.get(s.lineId) ?? "",
          today,
          isIn: isIn(s.id),
        }),
      )
      .sort((a, b) => ORDER[a.when] - ORDER[b.when] || inOrder(a.ripe.likely, b.ripe.likely)),
  };
}

/** A list for helpers who pick: which plants, by what sign, and what to leave. Null where there is no such stand. */
export function pickersList(sky: Outlook, code: string): string | null {
  const row = standByCode(sky.db, code);
  if (!row) return null;
  const species = speciesById(row.species);
  const marked = markedPlants(sky.db, row.id);
  const numbers = (marks: string[]) =>
    marked
      .filter(({ mark }) => marks.includes(mark))
      .map(({ number, reason }) => `  plant ${number}${reason ? `: ${reason}` : ""}`);
  const from = numbers(["keep", "seed-parent"]);
  const leave = numbers(["out", "watch"]);
  return [
    `Picking for seed: ${nameWithGeneration(row)}, ${row.code}`,
    `Bed ${row.bedName ?? "not set"}`,
    "",
    `Ripe when: ${species.ripeSign}`,
    ...(row.releasedOn ? ["", "RELEASED FOR EATING: nothing more is picked for seed here."] : []),
    "",
    from.length > 0 ? "Pick only from:" : "Pick from the best of all plants, never only one.",
    ...from,
    ...(leave.length > 0 ? ["", "Leave, for seed they are no good:", ...leave] : []),
    "",
    "Marked fruit (a tag: for seed, do not pick) stays for the one who marked it.",
    "What looks different from the rest goes into a bag of its own, with the plant written on it.",
    "Soft and dropped fruit is taken too, apart: its seed is mostly sound.",
    "A label goes into the crate with the fruit, not only onto it.",
    "",
    ...cautionsAt(species.hazards, "touch", "fruit", "clean", "eat").map(
      ({ title, caution }) => `${title}. ${caution}`,
    ),
    "",
  ].join("\n");
}
