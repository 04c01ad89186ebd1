import Joi from "joi";
import { methodsOf, speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import { yearOf } from "@/core/calendar/day";
import type { Id } from "@/core/custody/id";
import { canCross } from "@/core/isolation/crossing";
import { fruitsFor } from "@/core/pollination/flowersToDo";
import { refuse } from "@/db/ops";
import { nextCode } from "../code";
import type { Context } from "../command";
import { line } from "../line/line";
import { lineOfName, lineOfParents } from "../line/queries";
import type { Plant } from "../plant/plant";
import { plantById } from "../plant/queries";
import { given, name, type Told } from "../record";
import { idOf } from "../schema";
import { existingStand } from "../stand/commands";
import type { StandRow } from "../stand/queries";
import { type CrossKind, cross } from "./cross";

type Parent = { standId: Id; plantId?: Id };

export const parents = (label: string) =>
  given<Parent[]>(
    label,
    Joi.array()
      .items(Joi.object({ standId: idOf().required(), plantId: idOf() }))
      .max(50),
  ).or([]);

export const oneCross = {
  ...cross.adding("motherStandId", "fatherStandId", "motherPlantId", "fatherPlantId"),
  ...cross.adding("seedsWanted", "seedsPerFruit", "setLow", "setHigh", "confidence", "method", "perEvening"),
  fruitsWanted: cross.columns.fruitsWanted.optional(),
  lineName: name("New line's name").optional(),
  /** More fathers: their pollen is mixed, each with the same share. */
  moreFathers: parents("More fathers"),
};

export type OneCross = Told<typeof oneCross>;

export function parentPlant(
  context: Context,
  plantId: Id | null | undefined,
  stand: StandRow,
  field: string,
): Plant | null {
  if (!plantId) return null;
  const plant = plantById(context.db, plantId) ?? refuse(field, "That plant does not exist.");
  if (plant.standId !== stand.id) refuse(field, `That plant does not stand in ${stand.code}.`);
  if (plant.removedOn)
    refuse(field, `Plant ${plant.number} was taken out on ${plant.removedOn}; it can't be a parent.`);
  if (plant.mark === "out") refuse(field, `Plant ${plant.number} is marked out; take the mark off first.`);
  return plant;
}

type OfLine = Pick<StandRow, "lineId" | "lineName" | "species">;

/** The line that the seed will belong to: the parents' own, one they were crossed into before, or a new one. */
export function offspringLine(
  context: Context,
  mother: OfLine,
  fathers: Pick<OfLine, "lineId" | "lineName">[],
  lineName: string | null,
): Id {
  const { db, write, today } = context;
  const strange = fathers.find((father) => father.lineId !== mother.lineId);
  if (!strange) return mother.lineId;
  const known = lineOfParents(db, mother.lineId, strange.lineId);
  if (known && !lineName) return known.id;
  const wanted = lineName ?? refuse("lineName", "Give the new line a working name.");
  const taken = lineOfName(db, wanted, mother.species);
  if (taken?.motherLineId === mother.lineId && taken.fatherLineId === strange.lineId) return taken.id;
  // Seed of the cross would be mixed up with that line's on every screen and packet.
  if (taken) refuse("lineName", "Another line has that name already.");
  const origin = [mother, ...fathers].map((s) => s.lineName);
  return write.insert(line, {
    code: nextCode(context, "line", yearOf(today)),
    name: wanted,
    species: mother.species,
    school: "cross-and-fix",
    status: "breeding-line",
    origin: [origin[0], [...new Set(origin.slice(1))].join(" + ")].join(" × ").slice(0, 200),
    year: yearOf(today),
    motherLineId: mother.lineId,
    // Where several lines gave pollen, which is the father of a seed is not known.
    fatherLineId: fathers.every((father) => father.lineId === strange.lineId) ? strange.lineId : null,
  });
}

export function wantedFruits(input: OneCross): number {
  if (input.seedsWanted) {
    if (!input.seedsPerFruit) refuse("seedsPerFruit", "Say how many seeds a fruit holds.");
    return fruitsFor(input.seedsWanted, input.seedsPerFruit!);
  }
  return input.fruitsWanted ?? refuse("fruitsWanted", "Say how many fruits or seeds are wanted.");
}

/** The way chosen, or the usual one; refused where there is none. */
export function methodFor(mother: StandRow, species: Species, kind: CrossKind, wanted: string | null): string {
  const ways = methodsOf(species, kind === "self", mother.anthers);
  if (ways.length === 0)
    refuse(
      "motherStandId",
      kind === "self"
        ? `${species.name} has males and females on plants of their own; no plant can be selfed.`
        : `${species.name} is not pollinated by hand; grow both under one cage instead.`,
    );
  if (wanted && !ways.some((way) => way.id === wanted)) refuse("method", "That method does not serve this cross.");
  return wanted ?? ways[0]!.id;
}

export const labelOf = (stand: StandRow, plant: Plant | null) =>
  `${stand.lineName}${plant ? ` plant ${plant.number}` : ""}`;

/** Further fathers of mixed pollen, checked like the first. */
export function mixedFathers(
  context: Context,
  mother: Species,
  more: Parent[],
): { stand: StandRow; plant: Plant | null }[] {
  return more.map(({ standId, plantId }) => {
    const stand = existingStand(context, standId, "moreFathers");
    const crossing = canCross(mother, speciesById(stand.species));
    if (!crossing.can) refuse("moreFathers", crossing.why);
    return { stand, plant: parentPlant(context, plantId, stand, "moreFathers") };
  });
}
