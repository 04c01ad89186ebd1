import Joi from "joi";
import { seasonOf } from "@/core/climate/season";
import type { Id } from "@/core/custody/id";
import { mergedShares } from "@/core/seed/lineage";
import { refuse } from "@/db/ops";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { FRACTIONS, lot, part } from "../lot/lot";
import { type LotRow, lotById } from "../lot/queries";
import { given, text } from "../record";
import { idList } from "../schema";
import { bulkLots } from "./bulk";
import { into, lotOf, moveLot, onTheTable, when } from "./commands";
import { handling } from "./handling";
import { handlingsOf } from "./queries";
import { refuseStrangers, togetherOf } from "./together";

type SplitPart = { fraction: (typeof FRACTIONS)[number]; share: number; vesselId?: Id | null };

const SPLIT = Joi.array()
  .items(
    Joi.object({
      fraction: Joi.string()
        .valid(...FRACTIONS)
        .required(),
      share: Joi.number().greater(0).max(1).required(),
      vesselId: Joi.string().allow(null),
    }),
  )
  .min(1)
  .max(6);

/** What a lot hands on to those made of it. */
const handedOn = (found: LotRow) => {
  const { lineId, kind, generation, crossId, motherStandId, motherPlantId, gathered, doubt } = found;
  const { way, warmth, starter, brokenOn, brokenWhy } = found;
  const about = { lineId, kind, generation, crossId, motherStandId, motherPlantId, gathered, doubt };
  return { ...about, way, warmth, starter, brokenOn, brokenWhy };
};

/** What was done with a lot was done with those made of it. */
function handOnHandlings({ db, write }: Context, from: Id, lotId: Id): void {
  for (const { act, on, at, value, note } of handlingsOf(db, from))
    write.insert(handling, { lotId, act, on, at, value, note });
}

/** Fractions of a lot become lots of their own; what is not named stays. */
const split = command(
  "table.split",
  { ...lotOf, parts: given<SplitPart[]>("Parts", SPLIT), on: when.on, at: when.at },
  (context, { lotId, parts, on, at }) => {
    const { write, garden, today } = context;
    const found = onTheTable(context, lotId);
    const whole = parts.reduce((sum, { share }) => sum + share, 0);
    if (whole > 1 + 1e-9) refuse("parts", `The parts come to ${Math.round(whole * 100)} in 100 of the lot.`);
    const made = parts.map(({ fraction, share, vesselId }) => {
      const code = nextCode(context, "lot", seasonOf(found.gathered, garden.latitude));
      const id = write.insert(lot, { ...handedOn(found), code, fraction, onTable: 1 });
      write.insert(part, { lotId: id, fromId: lotId, share: Math.min(1, share) });
      handOnHandlings(context, lotId, id);
      moveLot(context, { id, code, vesselId: null }, { vesselId, on, at });
      return { id, code };
    });
    // All of it is named: the lot itself is no more.
    if (whole > 1 - 1e-9) write.update(lot, lotId, { ending: "parted", endedOn: on ?? today, vesselId: null });
    return {
      message: `Lot ${found.code} parted: ${made.map(({ code }) => code).join(", ")}`,
      ids: made.map(({ id }) => id),
      id: made[0]!.id,
      code: made[0]!.code,
    };
  },
);

/** Lots of one line are put together; their shares stay on record. */
const merge = command(
  "table.merge",
  { lotIds: given<Id[]>("Lots", idList(20)), vesselId: into.vesselId, ...when },
  (context, { lotIds, vesselId, on, at }) => {
    const { write, garden, today } = context;
    const lots = [...new Set(lotIds)].map((id) => onTheTable(context, id));
    if (lots.length < 2) refuse("lotIds", "Choose two lots or more.");
    const [first] = lots as [LotRow, ...LotRow[]];
    refuseStrangers(lots, "lotIds", ({ lineId }) => lineId);
    const { shares, by } = mergedShares(lots);
    const added = (column: "seeds" | "mass") =>
      lots.every((one) => one[column] !== null) ? lots.reduce((sum, one) => sum + one[column]!, 0) : null;
    const code = nextCode(context, "lot", seasonOf(first.gathered, garden.latitude));
    const id = write.insert(lot, {
      code,
      lineId: first.lineId,
      ...togetherOf(lots),
      seeds: added("seeds"),
      mass: added("mass"),
      onTable: 1,
      way: first.way,
      warmth: first.warmth,
      starter: first.starter,
    });
    for (const [i, one] of lots.entries()) {
      write.insert(part, { lotId: id, fromId: one.id, share: shares[i]! });
      write.update(lot, one.id, { ending: "parted", endedOn: on ?? today, vesselId: null });
    }
    handOnHandlings(context, first.id, id);
    moveLot(context, { id, code, vesselId: null }, { vesselId: vesselId ?? first.vesselId, on, at });
    return { message: `${lots.map((one) => one.code).join(" and ")} put together as ${code}, by ${by}`, id, code };
  },
);

/** The chain broke: what is in the vessel can't be said for sure any more. It stays with the lot, and what is made of it. */
const breakChain = command(
  "table.break",
  { ...lotOf, why: text("What happened", 300).needed(), on: when.on },
  (context, { lotId, why, on }) => {
    const found = lotById(context.db, lotId) ?? refuse("lotId", "That lot does not exist.");
    if (found.brokenOn) refuse("lotId", `The chain of lot ${found.code} is broken already: ${found.brokenWhy}`);
    context.write.update(lot, lotId, { brokenOn: on ?? context.today, brokenWhy: why });
    return { message: `Lot ${found.code}: the chain is broken`, id: lotId, code: found.code };
  },
);

export const partingCommands = [split, merge, breakChain, bulkLots] as const;
