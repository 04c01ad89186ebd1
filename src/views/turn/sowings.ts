import type { Day } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { groupBy } from "@/core/lists/groupBy";
import { byWords } from "@/core/lists/order";
import { numberOf } from "@/core/numbers/numberOf";
import { type Near, placeAll } from "@/core/plans/placing";
import { seedsOfLot, seedsToSow } from "@/core/work/raise";
import { type LineSummary, lineDependants } from "@/records/line/queries";
import type { PlannedSowing } from "@/records/stand/commands";
import { groundOfSeason, wantsGround } from "../bedsToSow";
import { longestLived, plantsToGoOn, sowableOf, wholeLots } from "../drawer";
import { linePlan, linesKnown } from "../linePlan";
import { guardOf, type LotToSow, type Proposed, proposedOf } from "../nextSowing";
import type { Outlook } from "../outlook";
import { raisingFor } from "../raising";
import { stakeIn } from "../regrow";
import { grownFor, type Known } from "./standing";

/** A row that is proposed: of which lot, how many seeds, for how many plants. */
export type RowToSow = { lotId: Id; mother: LotToSow["mother"]; seeds: number; wanted: number };

/** A parent that stands beside its offspring to be compared with. */
export type ParentBeside = { name: string; lotId: Id; seeds: number };

/** What is proposed for a line: its rows, day and bed. */
export type SowingProposed = {
  rows: RowToSow[];
  /** Plants that stand there, and those that the plan wants. */
  plants: number;
  meant: number;
  sown: Day;
  sownIn: Proposed["sownIn"];
  /** Each plant has a number, as it is a cross on its way. */
  numbered: boolean;
  generation: number | null;
  /** Null where no bed has room; `tired` where its family stood there too lately. */
  bed: { id: Id; name: string; near: Near | null; tired: boolean } | null;
  /** Square metres that are missing. */
  missing: number;
  /** Plants whose seed is not sown and stays in the drawer. */
  stays: Pick<LotToSow, "mother" | "motherCode" | "code">[];
  /** Seeds that are missing for as many plants as are planned. */
  short: number;
};

/** Plants of a parent that stand beside its offspring. Working value. */
const BESIDE = 4;

/** The rows of a proposal: as many seeds of each lot as its share of the plants wants, as far as there are. */
function rowsOf({ lots }: Proposed, plants: number): { rows: RowToSow[]; short: number } {
  const able = lots.filter(({ chosen, left }) => chosen && left !== 0);
  const wanted = Math.ceil(plants / Math.max(1, able.length));
  let short = 0;
  const rows = able.flatMap((lot) => {
    const { needed, seeds } = seedsOfLot(wanted, lot);
    short += needed - seeds;
    return seeds > 0 ? [{ lotId: lot.id, mother: lot.mother, seeds, wanted }] : [];
  });
  return { rows, short };
}

/** Of what is crossed and fixed, its parents that go on. */
function parentsOf(known: Map<Id, LineSummary>, { motherLineId, fatherLineId, school }: LineSummary): LineSummary[] {
  if (school !== "cross-and-fix") return [];
  return [...new Set([motherLineId, fatherLineId])].flatMap((id) => {
    const parent = id === null ? undefined : known.get(id);
    return parent && parent.endedOn === null && parent.cloned === 0 ? [parent] : [];
  });
}

/** The next generation of what is crossed and fixed, a mix again, or seed that grows old. */
const WHY = ["next", "mix", "old"] as const;
export type Why = (typeof WHY)[number];

export const whyOf = ({ school }: LineSummary): Why =>
  school === "cross-and-fix" ? "next" : school === "let-it-mix" ? "mix" : "old";

/** Parents beside their offspring, each once: of what of them seed is there, and those without. */
export type Beside = { able: ParentBeside[]; without: string[] };

export function besideOf(sky: Outlook, all: Known[], season: number): Map<Id, Beside> {
  const known = linesKnown(sky);
  const byLine = new Map(all.map((one) => [one.line.id, one]));
  // What is sown anyway stands beside it.
  const there = new Set(
    all
      .filter(({ line, state }) => state === "decide" || grownFor(sky, line.id, season).length > 0)
      .map((one) => one.line.id),
  );
  return new Map(
    all
      .filter(({ state }) => state === "decide" || state === "planned")
      .map(({ line, lots: own }) => {
        const found: Beside = { able: [], without: [] };
        // What divides is compared with its parents; an F1 does not.
        const divided = [...own, ...grownFor(sky, line.id, season)].some(({ generation }) => (generation ?? 0) >= 2);
        for (const parent of parentsOf(known, line)) {
          if (there.has(parent.id) || !divided) continue;
          there.add(parent.id);
          const lots = (byLine.get(parent.id)?.lots ?? []).filter((lot) => sowableOf(sky, lot).left !== 0);
          const best = longestLived(lots);
          const { id: lineId, name, species } = parent;
          const seeds = best && numberOf(() => seedsToSow(BESIDE, raisingFor(sky, { species, lineId, lot: best })));
          if (!best || !seeds) found.without.push(name);
          else
            found.able.push({
              name,
              lotId: best.id,
              seeds: Math.min(seeds, sowableOf(sky, best).left ?? seeds),
            });
        }
        return [line.id, found] as const;
      }),
  );
}

/** A line that is to be decided on, with what its plan has for it. */
type Draft = { line: LineSummary; proposed: Proposed; plants: number };

/** The lines to be decided on, what stands to lose most first among those of one kind. */
export function draftsOf(sky: Outlook, toDecide: Known[]): Draft[] {
  const rests = lineDependants(sky.db);
  const lossOf = new Map(
    toDecide.map(({ line, lots }) => [
      line.id,
      stakeIn(sky, { lineId: line.id, species: line.species }, lots, rests.get(line.id) ?? 0).loss,
    ]),
  );
  const all = wholeLots(
    sky,
    toDecide.flatMap(({ lots }) => lots),
  );
  const lotsOf = groupBy(all, ({ lineId }) => lineId);
  return toDecide
    .toSorted(
      ({ line: a }, { line: b }) =>
        WHY.indexOf(whyOf(a)) - WHY.indexOf(whyOf(b)) ||
        lossOf.get(b.id)! - lossOf.get(a.id)! ||
        byWords(a.name, b.name),
    )
    .map(({ line }) => {
      const proposed = proposedOf(sky, line, lotsOf.get(line.id)!, null, true);
      return { line, proposed, plants: proposed.step?.plants ?? plantsToGoOn(line.species) };
    });
}

/** Each draft with its bed: what is sown first gets its ground first. */
export function sowingsOf(
  sky: Outlook,
  drafts: Draft[],
  beside: Map<Id, Beside>,
  season: number,
): Map<Id, SowingProposed> {
  const ground = groundOfSeason(sky, season);
  const names = new Map(ground.beds.map(({ id, name }) => [id, name]));
  const wants = drafts.map(({ line, proposed, plants }) => {
    const together = plants + BESIDE * beside.get(line.id)!.able.length;
    return wantsGround(sky, ground, { ...line, plants: together, guard: guardOf(proposed, line) }, season);
  });
  const placed = placeAll(wants, ground.beds, ground.flowers);
  return new Map(
    drafts.map(({ line, proposed, plants }, i) => {
      const { bedId, fits, near, tired } = placed[i]!;
      const { plants: together, each } = wants[i]!;
      const standing = bedId === null ? plants : Math.max(1, Math.min(plants, fits - (together - plants)));
      const { rows, short } = rowsOf(proposed, standing);
      const sown = new Set(rows.map(({ lotId }) => lotId));
      return [
        line.id,
        {
          rows,
          plants: standing,
          meant: plants,
          short,
          sown: proposed.sown,
          sownIn: proposed.sownIn,
          numbered: proposed.numbered,
          generation: proposed.lots[0]?.generation ?? null,
          missing: (together - fits) * each,
          bed: bedId === null ? null : { id: bedId, name: names.get(bedId)!, near, tired },
          stays: proposed.lots.filter(({ id, left }) => !sown.has(id) && left !== 0),
        },
      ] as const;
    }),
  );
}

/** What of a line is planned for a season, or stands in it, in short. */
export type PlannedInShort = {
  ahead: boolean;
  bedId: Id | null;
  bed: string | null;
  family: boolean;
  rows: number;
  plants: number;
  sown: Day;
};

export function plannedOf(sky: Outlook, id: Id, season: number): PlannedInShort | null {
  const there = grownFor(sky, id, season);
  const [first] = there;
  if (!first) return null;
  return {
    ahead: first.planned === 1,
    bedId: first.bedId,
    bed: groundOfSeason(sky, season).beds.find(({ id: bedId }) => bedId === first.bedId)?.name ?? null,
    family: first.family === 1,
    rows: there.reduce((sum, { stands }) => sum + stands, 0),
    plants: there.reduce((sum, { plants, wanted }) => sum + (plants || wanted), 0),
    sown: first.sown,
  };
}

/** What a press plans of a line. */
export function toPlanOf(
  sowing: SowingProposed | null,
  planned: PlannedInShort | null,
  beside: ParentBeside[],
  noBeds: boolean,
) {
  const parents = (where: Omit<PlannedSowing, "lots">): PlannedSowing[] =>
    beside.map(({ lotId, seeds }) => ({ ...where, lots: [{ lotId, seeds, wanted: BESIDE }], seedWanted: 0 }));
  if (planned) return parents({ bedId: planned.bedId, sown: planned.sown, sownIn: null });
  if (!sowing || sowing.rows.length === 0 || (sowing.bed === null && !noBeds)) return [];
  const where = { bedId: sowing.bed?.id ?? null, sown: sowing.sown, sownIn: sowing.sownIn };
  const lots = sowing.rows.map(({ lotId, seeds, wanted }) => ({ lotId, seeds, wanted }));
  return [{ ...where, lots, seedWanted: 1 as const }, ...parents(where)];
}

/** Plants whose flowers the plan keeps by hand in the generation that comes next: each wants its bag. */
export function toBag(sky: Outlook, line: LineSummary, generation: number | null): number {
  const [next] = linePlan(sky, line, generation).ahead;
  return next?.guard === "hand" ? next.kept : 0;
}
