import { speciesById } from "@/catalogue/catalogue";
import { addDays, type Day, daysBetween } from "@/core/calendar/day";
import { plantingOut } from "@/core/climate/plantingOut";
import { addressOfStand } from "@/core/custody/address";
import type { Id } from "@/core/custody/id";
import { chanceAbove } from "@/core/numbers/betaRange";
import { germinationAfter } from "@/core/seed/alive";
import { germinationInterval } from "@/core/seed/germination";
import type { RaisingStages, Stage } from "@/core/seed/sowing";
import { meanOf, NONE, stageFrom, type Through } from "@/core/work/losses";
import { STAYS_USUALLY, seedsToSow } from "@/core/work/raise";
import { type StageCount, stagesCounted, stayed } from "@/core/work/raised";
import type { LotRow } from "@/records/lot/queries";
import { raisedStands, type Sowing, sowingsOf } from "@/records/stand/queries";
import type { Stand } from "@/records/stand/stand";
import { livesOf } from "./alive";
import { livingOf, plantsToGoOn } from "./drawer";
import type { Outlook } from "./outlook";

/** What is sown: a line, of a lot where it is known which. */
type Of = { species: string; lineId: Id };
type OfLot = Of & { lot: Pick<LotRow, "id" | "species" | "gathered"> | null };

/** What gets through each stage of raising a line, learned from the grower's own counts. */
export type LineStages = { up: ReturnType<typeof stageFrom>; stays: ReturnType<typeof stageFrom> };

/** What was seen of a line or species at each stage. */
type Seen = { up: Through; stays: Through };
const UNSEEN: Seen = { up: NONE, stays: NONE };
const plus = (one: Through, other: Through, sign = 1): Through => ({
  through: one.through + sign * other.through,
  of: one.of + sign * other.of,
});

/** A stand's counts as far as they tell of its raising: what stands after a winter tells of the winter. */
const asRaised = <S extends Pick<Stand, "plants" | "overwinter">>(stand: S): S =>
  stand.overwinter === null ? stand : { ...stand, plants: null };

/** Whether a stand was sown where it stands. */
const inPlace = (sownIn: Stand["sownIn"], species: string): boolean =>
  sownIn === null ? speciesById(species).raise.how === "ground" : sownIn === "ground";

export const lineStages = (sky: Outlook): ((species: string, lineId: Id) => LineStages) =>
  sky.once("line stages", () => {
    const seen = new Map<string, Seen>();
    for (const stand of raisedStands(sky.db, sky.today))
      for (const whose of [stand.species, stand.lineId]) {
        const { up, stays } = seen.get(whose) ?? UNSEEN;
        seen.set(whose, {
          up: plus(up, { through: stand.cameUp, of: stand.sowedSeeds }),
          stays: plus(stays, stayed(asRaised(stand), inPlace(stand.sownIn, stand.species)) ?? NONE),
        });
      }
    return (species, lineId) => {
      const all = seen.get(species) ?? UNSEEN;
      const own = seen.get(lineId) ?? UNSEEN;
      const { emergence } = speciesById(species).raise;
      return {
        up: stageFrom(emergence, plus(all.up, own.up, -1), own.up),
        stays: stageFrom(STAYS_USUALLY, plus(all.stays, own.stays, -1), own.stays),
      };
    };
  });

/** Fresh sound seed germinates so: what comes up of an older lot is less in proportion. */
const FRESH_SHARE = 0.93;

/** What is no more than so little below fresh seed is not told apart from it. Working value. */
const FRESH_ENOUGH = 0.98;

/** What of a lot still germinates beside fresh seed, 0–1; one where nobody knows. */
function vigourOf(sky: Outlook, lot: OfLot["lot"]): number {
  if (!lot) return 1;
  const { known, life } = livesOf(sky)(lot);
  return Math.min(1, germinationAfter(known, life.aged).likely / FRESH_SHARE);
}

/** The stages that what is sown goes through; a lot's age counts with coming up. */
export function raisingFor(sky: Outlook, { species, lineId, lot }: OfLot): RaisingStages {
  const { up, stays } = lineStages(sky)(species, lineId);
  const vigour = Math.max(0.001, vigourOf(sky, lot));
  return { up: vigour > FRESH_ENOUGH ? [up] : [up, { rate: vigour }], stays: [stays] };
}

/** The stages that seeds to sow are reckoned through, all in a row. */
export function stagesFor(sky: Outlook, of: OfLot): Stage[] {
  const { up, stays } = raisingFor(sky, of);
  return [...up, ...stays];
}

/** A sowing and what came up of it; beside it those of other seed that were sown within days of it. */
export type Emergence = Pick<Sowing, "code" | "sown" | "seeds" | "up"> & {
  href: string;
  days: number | null;
  low: number;
  high: number;
  beside: {
    code: string;
    name: string;
    home: boolean;
    share: number;
    seeds: number;
    days: number | null;
    better: number;
  }[];
};

/** Sown within so many days seed is side by side. */
const SIDE_BY_SIDE = 7;
/** So many of those are told of. */
const BESIDE_SHOWN = 4;
const betaOf = ({ up, seeds }: Pick<Sowing, "up" | "seeds">) => ({ a: up + 0.5, b: seeds - up + 0.5 });
const daysUp = ({ sown, upOn }: Sowing) => (upOn === null ? null : daysBetween(sown, upOn));

/** What came up in the sowings of a species that are asked for, compared with what was sown beside them. */
function emergences(sky: Outlook, species: string, asked: (one: Sowing) => boolean): Emergence[] {
  const all = sowingsOf(sky.db, species, sky.today);
  return all.filter(asked).map((one) => {
    const { low, high } = germinationInterval({ germinated: one.up, sown: one.seeds, confidence: 0.9 });
    const beside = all.filter(
      (other) =>
        other.id !== one.id &&
        (other.lotId === null || other.lotId !== one.lotId) &&
        Math.abs(daysBetween(other.sown, one.sown)) <= SIDE_BY_SIDE,
    );
    return {
      code: one.code,
      href: addressOfStand(one),
      sown: one.sown,
      seeds: one.seeds,
      up: one.up,
      days: daysUp(one),
      low,
      high,
      beside: beside.slice(0, BESIDE_SHOWN).map((other) => ({
        code: other.code,
        name: other.lineName,
        home: other.lotKind !== null && other.lotKind !== "received",
        share: other.up / other.seeds,
        seeds: other.seeds,
        days: daysUp(other),
        better: chanceAbove(betaOf(one), betaOf(other)),
      })),
    };
  });
}

/** What came up of a lot in each sowing. */
export const emergenceOf = (sky: Outlook, lotId: Id, species: string): Emergence[] =>
  emergences(sky, species, (one) => one.lotId === lotId);

/** How a stand was raised: what was counted at each stage, and what came up of it beside what was sown with it. */
export type Raised = { stages: StageCount[]; spare: number | null; came: Emergence | null };

export function raisedOf(sky: Outlook, stand: Stand & { species: string }): Raised {
  const { id, species, sownIn, cameUp, spare } = stand;
  return {
    stages: stagesCounted(asRaised(stand), speciesById(species).raise.emergence, inPlace(sownIn, species)),
    spare,
    came: cameUp === null ? null : (emergences(sky, species, (one) => one.id === id)[0] ?? null),
  };
}

/** When to sow what is planted out on the next good day; null for what is sown in its place. */
export type SowingTime = { out: Day; grown: { low: number; high: number } };

export function sowingTime({ today, climate }: Outlook, species: string): SowingTime | null {
  const { tender, raise } = speciesById(species);
  const { plantOut: grown } = raise;
  return grown && { out: plantingOut(addDays(today, grown.low), tender, climate.frosts).best, grown };
}

/** What a line loses at each stage, beside what is usual. */
export type Losses = { up: { own: number; usual: number }; stays: { own: number; usual: number } };

export function lossesOf(sky: Outlook, { species, lineId }: Of): Losses {
  const { up, stays } = lineStages(sky)(species, lineId);
  const { emergence } = speciesById(species).raise;
  const usual = (range: { low: number; high: number }) => (range.low + range.high) / 2;
  return {
    up: { own: meanOf(up), usual: usual(emergence) },
    stays: { own: meanOf(stays), usual: usual(STAYS_USUALLY) },
  };
}

/** A line has enough seed when it could be sown twice, tested, and kept in reserve once more. Working value. */
const SOWINGS_KEPT = 3;

/** Seed of a line that still comes up, against what it takes to sow it three times: beyond that, cleaning can stop. */
export const enoughOf = (sky: Outlook, of: Of) =>
  enoughFor(sky, of, { plants: plantsToGoOn(of.species), sowings: SOWINGS_KEPT, generation: null });

/** So many sowings for so many plants, of all its seed or of that of one generation, which no older seed stands in for. */
export function enoughFor(
  sky: Outlook,
  { species, lineId }: Of,
  { plants, sowings, generation }: { plants: number; sowings: number; generation: number | null },
) {
  const sow = seedsToSow(plants, raisingFor(sky, { species, lineId, lot: null }));
  const lots = livingOf(sky).get(lineId) ?? [];
  const have = lots
    .filter((lot) => generation === null || lot.generation === generation)
    .reduce((sum, lot) => sum + (lot.seedsLeft ?? 0) * vigourOf(sky, lot), 0);
  return { have: Math.round(have), need: sowings * sow };
}
