import { speciesById } from "@/catalogue/catalogue";
import type { Day } from "@/core/calendar/day";
import { type Bred, divides } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import type { Share } from "@/core/isolation/share";
import { groupBy } from "@/core/lists/groupBy";
import { lotsToSow } from "@/core/plans/chooseLots";
import type { Guard, PlanWay } from "@/core/plans/linePlan";
import type { RaisingStages } from "@/core/seed/sowing";
import type { Units } from "@/core/units/units";
import { type LineSummary, lineByCode } from "@/records/line/queries";
import { seasonOfFlowering } from "@/records/stand/commands";
import type { Stand } from "@/records/stand/stand";
import { type BedToSow, bedsToSow } from "./bedsToSow";
import { type DrawerLot, drawer, longestLived, sowableOf, type WholeLot, wholeLots } from "./drawer";
import { foreseenOf } from "./foreseen";
import { type Ahead, linePlan, linesKnown } from "./linePlan";
import type { Outlook } from "./outlook";
import { raisingFor } from "./raising";
import { nextSowing as sowingDay } from "./regrow";
import { wantedShare } from "./wanted";

/** A lot that may be sown for the next generation. */
export type LotToSow = Bred & {
  id: Id;
  code: string;
  /** The number of the plant whose seed it is, and the code of its planting. */
  mother: number | null;
  motherCode: string | null;
  gathered: Day;
  /** Seeds left beside its reserve; null where nobody counted. */
  left: number | null;
  /** Of open seed, the share that other pollen fathered. */
  strangers: Share | null;
  /** What its seed goes through until it is a plant. */
  stages: RaisingStages;
  chosen: boolean;
};

/** What is asked before a line's next generation is sown, with what its plan proposes. */
export type NextSowing = {
  line: { id: Id; code: string; name: string };
  way: PlanWay;
  /** The plan's generation that it is sown for; null where the plan has none. */
  step: Ahead | null;
  /** Each plant has a number, as it is a cross on its way. */
  numbered: boolean;
  lots: LotToSow[];
  sown: Day;
  season: number;
  sownIn: Exclude<Stand["sownIn"], null>;
  beds: BedToSow[];
  /** The bed that is proposed. */
  bedId: Id | null;
  /** Of an F2, the share that shows every wanted single-gene trait. */
  share: number | null;
  outcrosses: boolean;
  units: Units;
};

/** What a sowing of a line's next generation is made of: the plan's step, the season, and the lots. */
export type Proposed = Omit<NextSowing, "beds" | "bedId">;

const UNREAD: RaisingStages = { up: [], stays: [] };

/** Lots of lines that go on of which something may be sown, the newest first; what is dead is among them. */
const sowableLots = (sky: Outlook): Map<Id, DrawerLot[]> =>
  sky.once("sowable lots", () =>
    groupBy(
      drawer(sky).filter(({ doubt }) => doubt === null),
      ({ lineId }) => lineId,
    ),
  );

/**
 * How the next generation of a line is sown.
 * @param able its lots, whole
 * @param code of a lot that is to be sown, where it was begun from one
 * @param brief what nobody chose is not reckoned through, nor whose pollen its seed is of
 */
export function proposedOf(
  sky: Outlook,
  line: LineSummary,
  able: WholeLot[],
  code: string | null = null,
  brief = false,
): Proposed {
  const kind = speciesById(line.species);
  const { backcrosses } = line;
  const newest = able.length > 0 ? Math.max(...able.map(({ generation }) => generation ?? 0)) : 0;
  const plan = linePlan(sky, line, able.length > 0 ? newest || null : undefined);
  const asked = code === null ? null : (able.find((one) => one.code === code) ?? null);
  const generation = asked ? asked.generation : newest || null;
  const step =
    plan.ahead.find((one) => one.generation === generation) ?? (generation === null ? plan.ahead[0] : null) ?? null;
  const sowable = able.map((one) => ({ ...one, ...sowableOf(sky, one) }));
  const fixing = line.school === "cross-and-fix";
  const longest = longestLived(sowable);
  // A variety is sown of the seed that lives longest, a cross of its newest.
  const best = fixing ? lotsToSow(sowable, step?.mothers ?? 1) : sowable.filter((one) => one === longest);
  const chosen = new Set((asked ? sowable.filter(({ id }) => id === asked.id) : best).map(({ id }) => id));
  const sown = sowingDay(sky, line);
  const meant = { sown, plantedOut: null, overwinter: null, firstFlower: null, lineId: line.id, species: line.species };
  return {
    line: { id: line.id, code: line.code, name: line.name },
    way: plan.way,
    step,
    numbered: divides({ ...line, generation }),
    lots: sowable
      .filter((one) => !fixing || one.generation === generation)
      .map((one) => {
        const whole = !brief || chosen.has(one.id);
        return {
          id: one.id,
          code: one.code,
          generation: one.generation,
          backcrosses,
          mother: one.motherNumber,
          motherCode: one.motherCode,
          gathered: one.gathered,
          left: one.left,
          strangers: !brief && one.kind === "open" ? foreseenOf(sky, one) : null,
          stages: whole ? raisingFor(sky, { species: line.species, lineId: line.id, lot: one }) : UNREAD,
          chosen: chosen.has(one.id),
        };
      }),
    sown,
    season: seasonOfFlowering(sky, sky.flowering(meant)),
    sownIn: kind.raise.how,
    share: generation === 2 ? wantedShare(sky, line.id).share : null,
    outcrosses: kind.breeding !== "selfing",
    units: sky.garden.units,
  };
}

/** Whether a season's sowing of a line is kept from other pollen, and how: as the plan says, else as its approach does. */
export const guardOf = ({ step }: Pick<Proposed, "step">, { school }: Pick<LineSummary, "school">): Guard =>
  step?.guard ?? (school === "keep-pure" ? "apart" : "none");

/** What the one sheet of the whole program asks before a line's next generation is sown. */
export function nextSowing(sky: Outlook, code: string, lot: string | null = null): NextSowing | null {
  const id = lineByCode(sky.db, code)?.id;
  const line = id === undefined ? undefined : linesKnown(sky).get(id);
  if (!line) return null;
  const proposed = proposedOf(sky, line, wholeLots(sky, sowableLots(sky).get(line.id) ?? []), lot);
  const what = { ...line, plants: proposed.step?.plants ?? 0, guard: guardOf(proposed, line) };
  return { ...proposed, ...bedsToSow(sky, what, proposed.season) };
}
