import { speciesById } from "@/catalogue/catalogue";
import { yearsLater } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { freeBed } from "@/core/ground/rotation";
import { plural } from "@/core/units/plural";
import { beds } from "../bed/queries";
import { nextCode } from "../code";
import { command } from "../command";
import { newestLotFor } from "../lot/left";
import { given, whole, yesNo } from "../record";
import { idList } from "../schema";
import { existingStand, floweringSeason } from "./commands";
import type { StandRow } from "./queries";
import { rotationWarning, stoodInBeds } from "./rotation";
import { stand } from "./stand";

/** What of a stand is wished for again; how it did is its own. */
function wishedAgain(before: StandRow) {
  const { lineId, spacing, rowCount, overwinter, flowers, cover, mesh, removeEvery, seedWanted } = before;
  const wanted = before.wanted ?? before.plants;
  return { lineId, spacing, rowCount, overwinter, flowers, cover, mesh, removeEvery, seedWanted, wanted };
}

/** Copies stands into a later season as plans of their own: line, bed, day and plants, with the newest seed there is. */
const copyStands = command(
  "stand.copy",
  {
    standIds: given<Id[]>("Stands", idList(200).min(1)),
    years: whole("Seasons later", 1, 9).or(1),
    turn: yesNo("Turn the beds"),
  },
  (context, { standIds, years, turn }) => {
    const { db, write } = context;
    const stood = stoodInBeds(db);
    const grounds = beds(db).filter(({ outside }) => !outside);
    const warnings: string[] = [];
    const ids = standIds.map((standId) => {
      const before = existingStand(context, standId, "standIds");
      const { species, lineName } = before;
      const sown = yearsLater(before.sown, years);
      const season = floweringSeason(context, { ...before, sown, plantedOut: null, cutBack: null });
      const { family, rotation } = speciesById(species);
      const taken = new Set(stood.filter((one) => one.season === season).map(({ bedId }) => bedId));
      const warning = rotationWarning(stood, { ...before, season });
      const free = grounds.map(({ id }) => id).filter((id) => !taken.has(id));
      const other = warning && turn ? freeBed(stood, { family, season }, rotation.low, free) : null;
      if (warning && !other) warnings.push(warning);
      const bedId = other ?? before.bedId;
      const lot = newestLotFor(db, before.lineId, standId, sown);
      const made = write.insert(stand, {
        ...wishedAgain(before),
        code: nextCode(context, "stand", season),
        season,
        sown,
        bedId,
        lotId: lot?.id ?? null,
        generation: lot ? lot.generation : before.generation,
        planned: 1,
      });
      if (bedId) stood.push({ bedId, family, season, name: lineName });
      return made;
    });
    return { message: `${plural(ids.length, "stand")} copied as plans, ${plural(years, "year")} on`, ids, warnings };
  },
);

export const copyCommands = [copyStands] as const;
