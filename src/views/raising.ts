import { speciesById } from "@/catalogue/catalogue";
import { daysBetween } from "@/core/calendar/day";
import { addressOfStand } from "@/core/custody/address";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { chanceAbove } from "@/core/numbers/betaRange";
import { germinationAfter } from "@/core/seed/alive";
import { germinationInterval } from "@/core/seed/germination";
import { type Stage, sowingNumber } from "@/core/seed/sowing";
import { meanOf, NONE, stageFrom, type Through } from "@/core/work/losses";
import { STAYS_USUALLY } from "@/core/work/raise";
import type { LotRow } from "@/records/lot/queries";
import { type RaisedLine, raisedLines, type Sowing, sowingsOf } from "@/records/stand/queries";
import { livesOf } from "./alive";
import { livingOf, plantsToGoOn } from "./drawer";
import type { Outlook } from "./outlook";

/** What is sown: a line, of a lot where it is known which. */
type Of = { species: string; lineId: Id };
type OfLot = Of & { lot: Pick<LotRow, "id" | "species" | "gathered"> | null };

const added = (rows: RaisedLine[], of: (row: RaisedLine) => Through): Through =>
  rows.map(of).reduce((sum, one) => ({ through: sum.through + one.through, of: sum.of + one.of }), NONE);

const cameUp = ({ up, seeds }: RaisedLine): Through => ({ through: up, of: seeds });
const stood = (row: RaisedLine): Through => ({ through: row.stood, of: row.cameUp });

/** What gets through each stage of raising a line, learned from the grower's own counts. */
export type LineStages = { up: ReturnType<typeof stageFrom>; stays: ReturnType<typeof stageFrom> };

export const lineStages = (sky: Outlook): ((species: string, lineId: Id) => LineStages) =>
  sky.once("line stages", () => {
    const bySpecies = groupBy(raisedLines(sky.db, sky.today), ({ species }) => species);
    return (species, lineId) => {
      const rows = bySpecies.get(species) ?? [];
      const own = rows.filter((row) => row.lineId === lineId);
      const others = rows.filter((row) => row.lineId !== lineId);
      const { emergence } = speciesById(species).raise;
      return {
        up: stageFrom(emergence, added(others, cameUp), added(own, cameUp)),
        stays: stageFrom(STAYS_USUALLY, added(others, stood), added(own, stood)),
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

/** The stages that seeds to sow are reckoned through: coming up, staying, and how much of the lot still lives. */
export function stagesFor(sky: Outlook, { species, lineId, lot }: OfLot): Stage[] {
  const { up, stays } = lineStages(sky)(species, lineId);
  const vigour = Math.max(0.001, vigourOf(sky, lot));
  return vigour > FRESH_ENOUGH ? [up, stays] : [up, stays, { rate: vigour }];
}

/** A sowing and what came up of it; beside it those of other lots that were sown within days of it. */
export type Emergence = Pick<Sowing, "code" | "sown" | "seeds" | "up"> & {
  href: string;
  days: number | null;
  low: number;
  high: number;
  beside: { code: string; name: string; home: boolean; share: number; seeds: number; better: number }[];
};

/** Sown within so many days lots are side by side. */
const SIDE_BY_SIDE = 7;
const betaOf = ({ up, seeds }: Pick<Sowing, "up" | "seeds">) => ({ a: up + 0.5, b: seeds - up + 0.5 });

/** What came up of a lot in each sowing, compared with what was sown beside it. */
export function emergenceOf(sky: Outlook, lotId: Id, species: string): Emergence[] {
  const all = sowingsOf(sky.db, species, sky.today);
  return all
    .filter((one) => one.lotId === lotId)
    .map((one) => {
      const { low, high } = germinationInterval({ germinated: one.up, sown: one.seeds, confidence: 0.9 });
      const beside = all.filter(
        (other) => other.lotId !== lotId && Math.abs(daysBetween(other.sown, one.sown)) <= SIDE_BY_SIDE,
      );
      return {
        code: one.code,
        href: addressOfStand(one),
        sown: one.sown,
        seeds: one.seeds,
        up: one.up,
        days: one.upOn === null ? null : daysBetween(one.sown, one.upOn),
        low,
        high,
        beside: beside.slice(0, 4).map((other) => ({
          code: other.code,
          name: other.lineName,
          home: other.lotKind !== null && other.lotKind !== "received",
          share: other.up / other.seeds,
          seeds: other.seeds,
          better: chanceAbove(betaOf(one), betaOf(other)),
        })),
      };
    });
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
export function enoughOf(sky: Outlook, { species, lineId }: Of) {
  const stages = stagesFor(sky, { species, lineId, lot: null });
  const { sow } = sowingNumber({ target: plantsToGoOn(species), confidence: 0.9, stages });
  const have = (livingOf(sky).get(lineId) ?? []).reduce(
    (sum, lot) => sum + (lot.seedsLeft ?? 0) * vigourOf(sky, lot),
    0,
  );
  return { have: Math.round(have), need: SOWINGS_KEPT * sow };
}
