import Joi from "joi";
import { seasonOf } from "@/core/climate/season";
import type { Id } from "@/core/custody/id";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { nextCode } from "../code";
import { command } from "../command";
import { lineById } from "../line/queries";
import { lot, part } from "../lot/lot";
import { type LotRow, lotById } from "../lot/queries";
import { given } from "../record";
import { idOf } from "../schema";
import { refuseStrangers, togetherOf } from "./together";

type Taken = { lotId: Id; seeds: number };

const TAKEN = Joi.array()
  .items(Joi.object({ lotId: idOf().required(), seeds: Joi.number().integer().min(1).max(10_000_000).required() }))
  .min(2)
  .max(200)
  .unique("lotId");

/** So many seeds of each of some lots in the drawer become one lot; each keeps its rest. Parts of one line may meet again. */
export const bulkLots = command(
  "lot.bulk",
  { lots: given<Taken[]>("Lots", TAKEN), note: lot.columns.note },
  (context, { lots, note }) => {
    const { db, write, today, garden } = context;
    const found = lots.map(({ lotId }): LotRow => {
      const one = lotById(db, lotId) ?? refuse("lots", "That lot does not exist.");
      if (one.endedOn) refuse("lots", `Lot ${one.code} is no more.`);
      if (one.onTable) refuse("lots", `Lot ${one.code} is still on the table.`);
      return one;
    });
    const [first] = found as [LotRow, ...LotRow[]];
    const wholeOf = ({ lineId }: LotRow): Id => lineById(db, lineId)!.subOfId ?? lineId;
    refuseStrangers(found, "lots", wholeOf);
    const all = lots.reduce((sum, { seeds }) => sum + seeds, 0);
    const code = nextCode(context, "lot", seasonOf(today, garden.latitude));
    const id = write.insert(lot, {
      code,
      // Parts of one line that meet again are the whole.
      lineId: found.every(({ lineId }) => lineId === first.lineId) ? first.lineId : wholeOf(first),
      ...togetherOf(found),
      seeds: all,
      note,
    });
    for (const { lotId, seeds } of lots) write.insert(part, { lotId: id, fromId: lotId, share: seeds / all, seeds });
    return { message: `Lot ${code}: ${plural(all, "seed")} of ${plural(lots.length, "lot")}`, id, code };
  },
);
