import type { Id } from "@/core/custody/id";
import { isKept } from "@/core/selection/marks";
import { removal } from "@/core/selection/roguing";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { type Context, command } from "../command";
import { notAhead } from "../facts";
import { lineById } from "../line/queries";
import { day, given, ref, seen, text } from "../record";
import { idList } from "../schema";
import { existingStand } from "../stand/commands";
import { forecaster } from "../stand/forecast";
import { type Plant, plant } from "./plant";
import { plantById } from "./queries";

function existingPlant({ db }: Pick<Context, "db">, id: Id): Plant {
  return plantById(db, id) ?? refuse("id", "That plant does not exist.");
}

const markPlant = command(
  "plant.mark",
  {
    id: ref("plant", "Plant"),
    version: seen().optional(),
    mark: plant.columns.mark.needed(),
    reason: text("Reason").kept(),
  },
  (context, { id, version, mark, reason }) => {
    const before = existingPlant(context, id);
    if (before.removedOn) refuse("mark", `Plant ${before.number} was taken out on ${before.removedOn}.`);
    // Why a plant was kept is not why it goes: a mark of another kind needs a reason of its own.
    const why = reason ?? (mark === before.mark ? before.reason : "");
    context.write.update(plant, id, { mark, reason: why }, version);
    const stand = existingStand(context, before.standId, "id");
    return { message: `${stand.code} plant ${before.number}: ${mark.replace("-", " ")}`, id };
  },
);

/** Lists of plants chosen on a screen. */
export const plantList = (label: string, most: number) => given<Id[]>(label, idList(most));

const markPlants = command(
  "plant.marks",
  { ids: plantList("Plants", 2000), mark: plant.columns.mark.needed(), reason: text("Reason") },
  (context, { ids, mark, reason }) => {
    if (ids.length === 0) refuse("ids", "Choose at least one.");
    const codes = new Set<string>();
    for (const id of ids) {
      const before = existingPlant(context, id);
      if (before.removedOn) refuse("ids", `Plant ${before.number} was taken out on ${before.removedOn}.`);
      context.write.update(plant, id, { mark, reason: reason || (mark === before.mark ? before.reason : "") });
      codes.add(existingStand(context, before.standId, "ids").code);
    }
    return { message: `${plural(ids.length, "plant")} of ${[...codes].join(", ")}: ${mark.replace("-", " ")}`, ids };
  },
);

/** Plants of a known line among a family: they measure the place, and are chosen from never. */
const checkPlants = command(
  "plant.check",
  { ids: plantList("Plants", 2000), checkOfId: plant.columns.checkOfId },
  (context, { ids, checkOfId }) => {
    if (ids.length === 0) refuse("ids", "Choose at least one.");
    const of = checkOfId ? (lineById(context.db, checkOfId) ?? refuse("checkOfId", "That line does not exist.")) : null;
    for (const id of ids) {
      const before = existingPlant(context, id);
      const { species } = existingStand(context, before.standId, "ids");
      if (of && of.species !== species) refuse("checkOfId", `${of.name} is another species.`);
      if (of && isKept(before.mark)) refuse("ids", `Plant ${before.number} is kept: take the mark off first.`);
      context.write.update(plant, id, { checkOfId });
    }
    const many = plural(ids.length, "plant");
    return { message: of ? `Checks of ${of.name}: ${many}` : `No checks any more: ${many}`, ids };
  },
);

const SORTED = {
  small: ["out", "too small"],
  large: ["out", "largest, eaten"],
  fit: ["keep", "of the right size"],
} as const;

/** Plants sorted by size in one press: those between are kept, unless something else was decided of them. */
const sortPlants = command(
  "plant.sort",
  { small: plantList("Too small", 2000), fit: plantList("Of the right size", 2000), large: plantList("Largest", 2000) },
  (context, sorted) => {
    const all = Object.values(sorted).flat();
    if (all.length === 0) refuse("fit", "Nothing is sorted.");
    if (new Set(all).size < all.length) refuse("fit", "One plant can't be of two sizes.");
    for (const band of ["small", "fit", "large"] as const)
      for (const id of sorted[band]) {
        const before = existingPlant(context, id);
        if (before.removedOn) refuse(band, `Plant ${before.number} was taken out on ${before.removedOn}.`);
        const [mark, reason] = SORTED[band];
        if (band === "fit" && before.mark !== "none") continue;
        context.write.update(plant, id, { mark, reason });
      }
    const { small, fit, large } = sorted;
    return {
      message: `${fit.length} of the right size, ${small.length} too small, ${large.length} too large`,
      ids: all,
    };
  },
);

const removePlants = command(
  "plant.remove",
  { ids: plantList("Plants", 2000), on: day("Day").optional(), reason: text("Reason") },
  (context, { ids, on: told, reason }) => {
    const on = told ?? context.today;
    notAhead(context, on);
    if (ids.length === 0) refuse("ids", "Choose at least one.");
    const late: number[] = [];
    const sky = forecaster(context.db, context.today);
    const stands = new Map<Id, ReturnType<typeof existingStand>>();
    for (const id of ids) {
      const before = existingPlant(context, id);
      if (before.removedOn) refuse("ids", `Plant ${before.number} was taken out on ${before.removedOn} already.`);
      // Only a reason for going out is a reason for having gone.
      const why = reason || (before.mark === "out" ? before.reason : "");
      const stand = stands.get(before.standId) ?? existingStand(context, before.standId, "ids");
      stands.set(stand.id, stand);
      if (on < stand.sown) refuse("on", `${stand.code} was sown on ${stand.sown}, after that day.`);
      if (removal(on, sky.of(stand).start).late) late.push(before.number);
      context.write.update(plant, id, { mark: "out", reason: why, removedOn: on });
    }
    const codes = [...stands.values()].map((s) => s.code).join(", ");
    return {
      message: `${plural(ids.length, "plant")} taken out of ${codes}`,
      ids,
      warnings: late.length
        ? [
            `After first flower: the pollen of ${late.length === 1 ? `plant ${late[0]}` : `${late.length} plants`} may already be in the neighbours' seed.`,
          ]
        : [],
    };
  },
);

export const plantCommands = [markPlant, markPlants, checkPlants, sortPlants, removePlants] as const;
