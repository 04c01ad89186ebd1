import Joi from "joi";
import { protocolOf, speciesById } from "@/catalogue/catalogue";
import { yearOf } from "@/core/calendar/day";
import { nextGeneration } from "@/core/custody/generation";
import { canCross } from "@/core/isolation/crossing";
import { meeting } from "@/core/pollination/steps";
import { fruitsFor } from "@/core/pollination/tally";
import { refuse } from "@/db/journal";
import { type Context, command, type Done, nextCode } from "../command";
import { count, id, name } from "../fields";
import { type Plant, plantById } from "../plant/queries";
import { existingStand } from "../stand/commands";
import { forecaster } from "../stand/forecast";
import type { StandRow } from "../stand/queries";
import type { CrossKind } from "./queries";

export type PlanCross = {
  motherStandId: number;
  fatherStandId: number;
  motherPlantId?: number;
  fatherPlantId?: number;
  lineName?: string;
  fruitsWanted?: number;
  seedsWanted?: number;
  seedsPerFruit?: number;
  setLow: number;
  setLikely: number;
  setHigh: number;
  confidence: number;
};

const rate = (label: string) => Joi.number().min(0.01).max(1).label(label);

const planSchema = Joi.object<PlanCross>({
  motherStandId: id().required().label("Mother"),
  fatherStandId: id().required().label("Father"),
  motherPlantId: id().label("Mother plant"),
  fatherPlantId: id().label("Father plant"),
  lineName: name("New line's name"),
  fruitsWanted: count("Fruits wanted", 10_000),
  seedsWanted: count("Seeds wanted", 10_000_000),
  seedsPerFruit: count("Seeds in a fruit", 100_000),
  setLow: rate("Lowest set rate").required(),
  setLikely: rate("Likely set rate")
    .min(Joi.ref("setLow"))
    .required()
    .messages({ "number.min": "The likely rate can't be under the lowest." }),
  setHigh: rate("Highest set rate")
    .min(Joi.ref("setLikely"))
    .required()
    .messages({ "number.min": "The highest rate can't be under the likely one." }),
  confidence: Joi.number().min(0.5).max(0.999).required().label("How sure"),
});

function parentPlant(context: Context, plantId: number | undefined, stand: StandRow, field: string): Plant | null {
  if (!plantId) return null;
  const plant = plantById(context.db, plantId) ?? refuse(field, "That plant does not exist.");
  if (plant.standId !== stand.id) refuse(field, `That plant does not stand in ${stand.code}.`);
  if (plant.removedOn)
    refuse(field, `Plant ${plant.number} was taken out on ${plant.removedOn}; it can't be a parent.`);
  if (plant.mark === "out") refuse(field, `Plant ${plant.number} is marked out; take the mark off first.`);
  return plant;
}

/** The line that the seed will belong to: the parents' own, one they were crossed into before, or a new one. */
function offspringLine(context: Context, mother: StandRow, father: StandRow, lineName: string | undefined): number {
  const { db, write, today } = context;
  if (mother.lineId === father.lineId) return mother.lineId;
  const known = db
    .prepare("SELECT id FROM line WHERE motherLineId = ? AND fatherLineId = ? ORDER BY id LIMIT 1")
    .pluck()
    .get(mother.lineId, father.lineId) as number | undefined;
  if (known && !lineName) return known;
  const wanted = lineName ?? refuse("lineName", "Give the new line a working name.");
  const taken = db
    .prepare("SELECT id, motherLineId, fatherLineId FROM line WHERE species = ? AND name = ?")
    .get(mother.species, wanted) as
    | { id: number; motherLineId: number | null; fatherLineId: number | null }
    | undefined;
  if (taken) {
    if (taken.motherLineId === mother.lineId && taken.fatherLineId === father.lineId) return taken.id;
    refuse("lineName", "Another line has that name already.");
  }
  return write.insert("line", {
    code: nextCode(db, "line", yearOf(today)),
    name: wanted,
    species: mother.species,
    school: "cross-and-fix",
    status: "breeding-line",
    origin: `${mother.lineName} × ${father.lineName}`.slice(0, 200),
    year: yearOf(today),
    motherLineId: mother.lineId,
    fatherLineId: father.lineId,
  });
}

function wantedFruits(input: PlanCross): number {
  if (input.seedsWanted) {
    if (!input.seedsPerFruit) refuse("seedsPerFruit", "Say how many seeds a fruit holds.");
    return fruitsFor(input.seedsWanted, input.seedsPerFruit!);
  }
  return input.fruitsWanted ?? refuse("fruitsWanted", "Say how many fruits or seeds are wanted.");
}

/** Checks and writes one planned cross; says when the flowerings do not meet. */
function planOne(context: Context, input: PlanCross): Done & { id: number } {
  const { db, write, today } = context;
  const mother = existingStand(context, input.motherStandId, "motherStandId");
  const father = existingStand(context, input.fatherStandId, "fatherStandId");
  const [motherSpecies, fatherSpecies] = [speciesById(mother.species), speciesById(father.species)];
  const crossing = canCross(motherSpecies, fatherSpecies);
  if (!crossing.can) refuse("fatherStandId", crossing.why);
  if (!protocolOf(motherSpecies))
    refuse(
      "motherStandId",
      `No hand pollination is laid out yet for ${motherSpecies.flowerType}; grow both under one cage instead.`,
    );
  const motherPlant = parentPlant(context, input.motherPlantId, mother, "motherPlantId");
  const fatherPlant = parentPlant(context, input.fatherPlantId, father, "fatherPlantId");
  const kind: CrossKind =
    motherPlant && motherPlant.id === fatherPlant?.id
      ? "self"
      : mother.lineId === father.lineId
        ? "intercross"
        : "cross";
  const fruitsWanted = wantedFruits(input);
  const lineId = offspringLine(context, mother, father, input.lineName);
  const generation = nextGeneration(kind, mother.generation, father.generation);
  const { lineName: _, ...kept } = input;
  const code = nextCode(db, "cross", mother.season);
  const made = write.insert("cross", {
    code,
    kind,
    season: mother.season,
    lineId,
    generation,
    plannedOn: today,
    ...kept,
    fruitsWanted,
  });
  const sky = forecaster(db);
  const meet = meeting(sky.of(mother).female, sky.of(father).male);
  const who = (stand: StandRow, plant: Plant | null) => `${stand.lineName}${plant ? ` plant ${plant.number}` : ""}`;
  return {
    message: `${code} planned: ${who(mother, motherPlant)} × ${kind === "self" ? "itself" : who(father, fatherPlant)}`,
    id: made,
    warnings:
      meet.days > 0
        ? []
        : [
            `The flowerings miss each other by ${meet.gapDays} days; the ${meet.first} is first. Sow the other earlier, or a second time.`,
          ],
  };
}

export const planCross = command<PlanCross>({ name: "cross.plan", schema: planSchema, run: planOne });

type NextGeneration = { standId: number; plantIds: number[]; how: "self" | "intercross"; fruitsEach: number };

/** Selfs every chosen plant, or crosses each with the next in a ring so that all are mother once and father once. */
export const nextGenerationOf = command<NextGeneration>({
  name: "cross.next-generation",
  schema: Joi.object<NextGeneration>({
    standId: id().required(),
    plantIds: Joi.array().items(id()).min(1).max(200).unique().required().label("Plants"),
    how: Joi.string().valid("self", "intercross").required().label("How"),
    fruitsEach: count("Fruits of each", 100).required(),
  }),
  run(context, { standId, plantIds, how, fruitsEach }) {
    if (how === "intercross" && plantIds.length < 2)
      refuse("plantIds", "Choose at least two plants to cross among themselves.");
    const stand = existingStand(context, standId, "standId");
    const { handSet } = speciesById(stand.species);
    const made = plantIds.map((motherPlantId, i) =>
      planOne(context, {
        motherStandId: standId,
        fatherStandId: standId,
        motherPlantId,
        fatherPlantId: how === "self" ? motherPlantId : plantIds[(i + 1) % plantIds.length]!,
        fruitsWanted: fruitsEach,
        setLow: handSet.low,
        setLikely: (handSet.low + handSet.high) / 2,
        setHigh: handSet.high,
        confidence: 0.9,
      }),
    );
    return {
      message: `${made.length} ${how === "self" ? "selfings" : "crosses"} planned in ${stand.code} ${stand.lineName}`,
      ids: made.map((m) => m.id),
    };
  },
});
