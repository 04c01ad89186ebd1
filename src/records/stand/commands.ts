import Joi from "joi";
import { addDays, type Day, dayInWords, daysBetween } from "@/core/calendar/day";
import { seasonOf } from "@/core/climate/season";
import { divides } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import type { Flowering, Sowing } from "@/core/flowering/facts";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { bedById } from "../bed/queries";
import { nextCode } from "../code";
import { type Context, command } from "../command";
import { cross } from "../cross/cross";
import { openCrossesOfMother } from "../cross/queries";
import { lineById } from "../line/queries";
import { amountOf, takenFrom } from "../lot/left";
import { lotById, lotsFor } from "../lot/queries";
import { plant } from "../plant/plant";
import { plantsOfStand } from "../plant/queries";
import { day, given, type Patch, ref, seen, whole } from "../record";
import { idOf, schemaOf } from "../schema";
import { forecaster } from "./forecast";
import { othersGrowing, plannedOfLots, type StandRow, standById, standGoingOn } from "./queries";
import { rotationWarning, stoodInBeds } from "./rotation";
import { type Stand, stand } from "./stand";

/** A stand that must exist. */
export function existingStand({ db }: Pick<Context, "db">, id: Id, field: string): StandRow {
  return standById(db, id) ?? refuse(field, "That stand does not exist.");
}

/**
 * The season in which a stand flowers for seed: a crop of the second year belongs to that year, one that cold kills before
 * it flowers to the season it dies in.
 */
export const seasonOfFlowering = (
  { garden }: Pick<Context, "garden">,
  { fate, start, kill }: Pick<Flowering, "fate" | "start" | "kill">,
): number => seasonOf(fate === "killed-by-cold" && kill ? kill.day : start, garden.latitude);

/** The same of a sowing, by its forecast. */
export function floweringSeason(
  context: Pick<Context, "db" | "garden" | "today">,
  sowing: Sowing & { lineId: Id; species: string },
): number {
  return seasonOfFlowering(context, forecaster(context.db, context.today).of({ ...sowing, firstFlower: null }));
}

/** Gives a family's plants their numbers, up to as many as were planted. */
function numberPlants({ write }: Context, standId: Id, from: number, to: number): void {
  for (let number = from + 1; number <= to; number++) write.insert(plant, { standId, number });
}

/**
 * Changes a stand with all that follows from it: the season in which it flowers, and with it that of the crosses it is
 * the mother of; the numbers of a family's plants; what a way of guarding the flowers leaves without sense.
 */
export function changeStand(context: Context, before: StandRow, patch: Patch<typeof stand>, version?: Id | null): void {
  const { db, write } = context;
  const next = { ...before, ...patch };
  const resown = (["sown", "plantedOut", "replantedOn", "overwinter", "cutBack"] as const).some(
    (c) => next[c] !== before[c],
  );
  const season = resown && !before.wintering ? floweringSeason(context, next) : before.season;
  write.update(
    stand,
    before.id,
    {
      ...patch,
      season,
      cover: next.flowers === "covered" ? (next.cover ?? "cage") : null,
      mesh: next.flowers === "covered" && next.cover !== "bags" ? next.mesh : null,
      removeEvery: next.flowers === "removed" ? next.removeEvery : null,
    },
    version,
  );
  if (season !== before.season)
    for (const { id } of openCrossesOfMother(db, before.id)) write.update(cross, id, { season });
  // What is only planned has no plants yet.
  if (next.family && !next.planned) numberPlants(context, before.id, before.numbered, next.plants ?? 0);
}

/** Whether a stand is in the ground already, so that its sowing can't be moved any more. */
export const isSown = ({ today }: Context, { planned, sown, firstFlower }: StandRow) =>
  !planned && (sown < today || firstFlower !== null);

/** A second sowing of a stand's line, from the same lot into the same bed, as a stand of its own. */
export function sowSecond(context: Context, first: StandRow, sown: Day, more: Patch<typeof stand>) {
  const { lineId, lotId, bedId, generation, plants } = first;
  const season = floweringSeason(context, { ...first, plantedOut: null, cutBack: null, sown });
  const code = nextCode(context, "stand", season);
  const id = context.write.insert(stand, { code, lineId, lotId, bedId, generation, plants, sown, season, ...more });
  return { id, code };
}

/**
 * Sows a stand's line a second time; the first is given up for seed and keeps what
 * was seen of it.
 */
export function sowAnew(context: Context, first: StandRow, sown: Day, version?: Id): void {
  const { spacing, rowCount } = first;
  sowSecond(context, first, sown, { spacing, rowCount });
  changeStand(context, first, { flowers: "removed", removeEvery: null, seedWanted: 0 }, version);
}

/** Moves a sowing that is still ahead; planting out moves along with it. */
export function moveSowing(context: Context, before: StandRow, sown: Day, version?: Id | null): void {
  if (isSown(context, before)) refuse("sown", `${before.code} was sown on ${before.sown}; sow a second time instead.`);
  const plantedOut = before.plantedOut && addDays(before.plantedOut, daysBetween(before.sown, sown));
  changeStand(context, before, { sown, plantedOut }, version);
}

/** Warns where a stand, as it now is, comes back to its bed too soon by its family. */
function rotated(context: Context, id: Id): string[] {
  const warning = rotationWarning(stoodInBeds(context.db, id), existingStand(context, id, "id"));
  return warning ? [warning] : [];
}

type NewSowing = Patch<typeof stand> & Pick<Stand, "lineId" | "sown">;

/** Writes a sowing: its season by the forecast, its code by its kind, planned where its day is to come. */
export function writeSowing(context: Context, species: string, sowing: NewSowing) {
  const season = floweringSeason(context, { ...sowing, species });
  const code = nextCode(context, sowing.family ? "family" : "stand", season);
  const planned = sowing.sown > context.today ? 1 : 0;
  const id = context.write.insert(stand, { ...sowing, code, season, planned });
  return { id, code, planned };
}

const addStand = command(
  "stand.add",
  {
    ...stand.adding("lineId", "lotId", "bedId", "sown", "sowedSeeds", "seedWanted", "family"),
    ...stand.adding("plantedOut", "overwinter", "spacing", "rowCount", "wanted", "sownIn", "trays", "perCell"),
    plants: whole("Plants", 1, 100_000).optional(),
  },
  (context, input) => {
    const { db } = context;
    const line = lineById(db, input.lineId) ?? refuse("lineId", "That line does not exist.");
    if (input.bedId && !bedById(db, input.bedId)) refuse("bedId", "That bed does not exist.");
    const lot = input.lotId ? (lotById(db, input.lotId) ?? refuse("lotId", "That lot does not exist.")) : null;
    if (lot && input.sowedSeeds === null) refuse("sowedSeeds", "Say how many seeds of the lot are sown.");
    // A bought hybrid is itself the F1.
    const generation = lot ? lot.generation : line.status === "f1-hybrid" ? 1 : null;
    const family = input.family || divides({ ...line, generation }) ? 1 : 0;
    const { id, code, planned } = writeSowing(context, line.species, { ...input, family, generation });
    if (family && !planned) numberPlants(context, id, 0, Math.min(input.plants ?? 0, 2001));
    const hybrid = line.status === "f1-hybrid" && line.school === "keep-pure" && input.seedWanted === 1;
    return {
      message: `${code} ${line.name} ${planned ? `to be sown on ${dayInWords(input.sown)}` : input.plants ? `planted, ${input.plants} plants` : "sown"}`,
      id,
      code,
      warnings: [
        ...(hybrid ? ["This line is an F1 hybrid: seed saved from it as if pure will not come true."] : []),
        ...rotated(context, id),
      ],
    };
  },
);

type SownLot = { lotId: Id; seeds: number; wanted: number | null };

/** Lots that are sown together, as a caller sends them. */
const sownLots = Joi.array()
  .items(
    Joi.object({
      lotId: idOf().required(),
      seeds: Joi.number().integer().min(1).max(1_000_000).required(),
      wanted: Joi.number().integer().min(1).max(100_000).allow(null).default(null),
    }),
  )
  .min(1)
  .max(60)
  .unique("lotId")
  .messages({ "array.min": "Choose whose seed is sown.", "array.unique": "One lot is named twice." });

type SownTogether = { lots: SownLot[] } & Pick<Stand, "bedId" | "sown" | "sownIn" | "trays" | "perCell"> & {
    family?: 0 | 1;
    seedWanted?: 0 | 1;
  };

/** A planting of each lot that is sown, beside each other where there are several. */
function sowTogether(context: Context, { lots, bedId, family, ...input }: SownTogether) {
  const { db } = context;
  if (bedId && !bedById(db, bedId)) refuse("bedId", "That bed does not exist.");
  return lots.map(({ lotId, seeds, wanted }) => {
    const lot = lotById(db, lotId) ?? refuse("lots", "That lot does not exist.");
    const { lineId, species, generation, lineName } = lot;
    const numbered = family === 1 || lots.length > 1 || divides({ ...lineById(db, lineId)!, generation }) ? 1 : 0;
    const about = { lineId, lotId, bedId, generation, sowedSeeds: seeds, wanted, family: numbered } as const;
    const { id, code } = writeSowing(context, species, { ...input, ...about });
    return { code, id, lineName };
  });
}

/** The next generation of a line. */
const sowLots = command(
  "stand.sow",
  {
    lots: given<SownLot[]>("Lots", sownLots),
    ...stand.adding("bedId", "sown", "sownIn", "trays", "perCell", "family"),
  },
  (context, { lots, ...input }) => {
    const ahead = input.sown > context.today;
    const made = sowTogether(context, { lots, ...input });
    const [first, last] = [made[0]!, made.at(-1)!];
    const seeds = plural(
      lots.reduce((sum, one) => sum + one.seeds, 0),
      "seed",
    );
    const what = made.length > 1 ? `${made.length} rows, ${first.code} to ${last.code}` : first.code;
    return {
      message: `${first.lineName}: ${seeds} ${ahead ? `to be sown on ${dayInWords(input.sown)}` : "sown"}, ${what}`,
      id: first.id,
      code: first.code,
      ids: made.map((one) => one.id),
      warnings: rotated(context, first.id),
    };
  },
);

export type PlannedSowing = Pick<SownTogether, "lots" | "bedId" | "sown" | "sownIn" | "seedWanted">;

/** What several lines are sown with in a season, planned at one sitting: all of it, or none. */
const sowSeason = command(
  "stand.sow-season",
  {
    sowings: given<PlannedSowing[]>(
      "Sowings",
      Joi.array()
        .items(schemaOf(stand.adding("bedId", "sown", "sownIn", "seedWanted")).append({ lots: sownLots.required() }))
        .min(1)
        .max(400),
    ),
  },
  (context, { sowings }) => {
    // Two devices, or two presses, plan a line once.
    const lotIds = sowings.flatMap(({ lots }) => lots.map(({ lotId }) => lotId));
    const [twice] = plannedOfLots(context.db, lotIds);
    if (twice)
      refuse("sowings", `${twice.lineName} is planned already, as ${twice.code}. Look at the page as it is now.`);
    const made = sowings.flatMap((one) => sowTogether(context, { trays: null, perCell: null, ...one }));
    const named = [...new Set(made.map(({ lineName }) => lineName))];
    const what = named.length > 3 ? plural(named.length, "line") : named.join(", ");
    return {
      message: `${what}: ${plural(made.length, "sowing")} planned`,
      ids: made.map(({ id }) => id),
      warnings: [...new Set(made.flatMap(({ id }) => rotated(context, id)))],
    };
  },
);

const changeIt = command(
  "stand.change",
  {
    id: ref("stand", "Stand"),
    version: seen(),
    ...stand.patching("bedId", "sown", "sowedSeeds", "cameUp", "plants", "firstFlower", "flowers", "seedWanted"),
    ...stand.patching("sownIn", "trays", "perCell", "potted", "crates", "spare"),
    ...stand.patching("cover", "mesh", "removeEvery", "saveFrom", "plantedOut", "overwinter", "spacing", "rowCount"),
    ...stand.patching(
      "planned",
      "wanted",
      "upOn",
      "pottedOn",
      "liftedOn",
      "storedIn",
      "replantedOn",
      "setOn",
      "ripeOn",
    ),
  },
  (context, { id, version, ...patch }) => {
    const before = existingStand(context, id, "id");
    if (patch.bedId && !bedById(context.db, patch.bedId)) refuse("bedId", "That bed does not exist.");
    changeStand(context, before, patch, version);
    const { code, lineName } = before;
    const warnings = patch.bedId && patch.bedId !== before.bedId ? rotated(context, id) : [];
    return { message: `${code} ${lineName} changed`, id, code, warnings };
  },
);

const observeFlower = command(
  "stand.first-flower",
  { id: ref("stand", "Stand"), version: seen().optional(), firstFlower: day("First flower") },
  (context, { id, version, firstFlower }) => {
    const { code, lineName } = existingStand(context, id, "id");
    context.write.update(stand, id, { firstFlower }, version);
    return { message: `${code} ${lineName}: first flower ${dayInWords(firstFlower)}`, id };
  },
);

/** What can still be done where a planting was lost: what else grows of its line, and what seed of it is left. */
export function whatIsLeft({ db, today }: Context, lost: StandRow): string {
  const { id, lineId, lineName, generation } = lost;
  const others = othersGrowing(db, lost);
  const seeds = lotsFor(db, lineId, id, today)
    .filter((lot) => lot.generation === generation)
    .reduce((sum, lot) => sum + Math.max(0, (amountOf(lot)?.likely ?? 0) - takenFrom(lot)), 0);
  const grows = others.length > 0 ? `${lineName} still grows as ${others.slice(0, 3).join(", ")}. ` : "";
  if (seeds > 0) return `${grows}${plural(seeds, "seed")} of it are left: sow again while there is time.`;
  return grows || `No seed of this generation is left. Go back to seed of the one before, or ask whom you gave some.`;
}

/** A stand is finished, lost or pulled up; it stays in every season's records. */
const endIt = command(
  "stand.end",
  {
    id: ref("stand", "Stand"),
    version: seen(),
    ending: stand.columns.ending.needed(),
    on: day("Ended on").optional(),
    why: stand.columns.endedWhy,
  },
  (context, { id, version, ending, on, why }) => {
    const before = existingStand(context, id, "id");
    const { code, lineName, endedOn } = before;
    if (endedOn) refuse("id", `${code} ended on ${dayInWords(endedOn)} already.`);
    const day = on ?? context.today;
    context.write.update(stand, id, { ending, endedOn: day, endedWhy: why }, version);
    return {
      message: `${code} ${lineName}: ${ending} ${dayInWords(day)}`,
      id,
      warnings: ending === "lost" ? [whatIsLeft(context, before)] : [],
    };
  },
);

const bringBack = command(
  "stand.bring-back",
  { id: ref("stand", "Stand"), version: seen() },
  (context, { id, version }) => {
    const { code, lineName, endedOn } = existingStand(context, id, "id");
    if (!endedOn) refuse("id", `${code} has not ended.`);
    context.write.update(stand, id, { ending: null, endedOn: null, endedWhy: "" }, version);
    return { message: `${code} ${lineName} brought back`, id };
  },
);

/** Its plants live on: a stand of the next season goes on from this one, with those that stand. */
const goOn = command(
  "stand.go-on",
  { id: ref("stand", "Stand"), version: seen(), wintering: stand.columns.wintering.needed() },
  (context, { id, wintering }) => {
    const { db, write } = context;
    const before = existingStand(context, id, "id");
    if (before.endedOn) refuse("id", `${before.code} ended on ${dayInWords(before.endedOn)}. Bring it back first.`);
    const known = standGoingOn(db, id);
    if (known) refuse("id", `${before.code} goes on as ${known} already.`);
    const { lineId, lotId, bedId, generation, family, sown, spacing, rowCount, seedWanted } = before;
    const living = plantsOfStand(db, id).filter(({ removedOn }) => !removedOn);
    const season = before.season + 1;
    const code = nextCode(context, family ? "family" : "stand", season);
    const plants = family ? living.length || before.plants : before.plants;
    const kept = { lineId, lotId, bedId, generation, family, sown, spacing, rowCount, seedWanted, plants };
    const made = write.insert(stand, { ...kept, code, season, continuesId: id, wintering });
    for (const { number } of family ? living : []) write.insert(plant, { standId: made, number });
    const where = wintering === "house" ? "in the house" : "where it stands";
    return {
      message: `${before.code} ${before.lineName} goes on as ${code}, over the winter ${where}`,
      id: made,
      code,
    };
  },
);

export const standCommands = [sowLots, sowSeason, goOn, addStand, changeIt, observeFlower, endIt, bringBack] as const;
