import Joi from "joi";
import { methodsOf, speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import { yearOf } from "@/core/calendar/day";
import { nextGeneration } from "@/core/custody/generation";
import { canCross } from "@/core/isolation/crossing";
import { fruitsFor } from "@/core/pollination/flowersToDo";
import { meeting } from "@/core/pollination/steps";
import { refuse } from "@/db/journal";
import { writeCandidates } from "../candidate/commands";
import { type Context, command, type Done, nextCode } from "../command";
import { count, id, name } from "../fields";
import { type Plant, plantById } from "../plant/queries";
import { existingStand } from "../stand/commands";
import { type Forecaster, forecaster } from "../stand/forecast";
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
  method?: string;
  perEvening: number;
  /** More mothers: a cross of its own for each, with the same father. */
  moreMothers: Parent[];
  /** More fathers: their pollen is mixed, each with the same share. */
  moreFathers: Parent[];
  /** The other way round as well. */
  reciprocal: boolean;
};
type Parent = { standId: number; plantId?: number };

const rate = (label: string) => Joi.number().min(0.01).max(1).label(label);

const parents = (label: string) =>
  Joi.array()
    .items(Joi.object({ standId: id().required(), plantId: id() }))
    .max(50)
    .default([])
    .label(label);

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
  method: Joi.string().label("Method"),
  perEvening: count("Flowers in one evening", 500).default(6),
  moreMothers: parents("More mothers"),
  moreFathers: parents("More fathers"),
  reciprocal: Joi.boolean().default(false).label("The other way round too"),
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

function wantedFruits(input: OneCross): number {
  if (input.seedsWanted) {
    if (!input.seedsPerFruit) refuse("seedsPerFruit", "Say how many seeds a fruit holds.");
    return fruitsFor(input.seedsWanted, input.seedsPerFruit!);
  }
  return input.fruitsWanted ?? refuse("fruitsWanted", "Say how many fruits or seeds are wanted.");
}

type OneCross = Omit<PlanCross, "moreMothers" | "reciprocal">;

/** The way chosen, or the usual one; refused where there is none. */
function methodFor(mother: StandRow, species: Species, kind: CrossKind, wanted: string | undefined): string {
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

const labelOf = (stand: StandRow, plant: Plant | null) => `${stand.lineName}${plant ? ` plant ${plant.number}` : ""}`;

/** Further fathers of mixed pollen, checked like the first. */
function mixedFathers(context: Context, mother: Species, more: Parent[]): { stand: StandRow; plant: Plant | null }[] {
  return more.map(({ standId, plantId }) => {
    const stand = existingStand(context, standId, "moreFathers");
    const crossing = canCross(mother, speciesById(stand.species));
    if (!crossing.can) refuse("moreFathers", crossing.why);
    return { stand, plant: parentPlant(context, plantId, stand, "moreFathers") };
  });
}

/** What a cross is planned with where nobody says otherwise: the catalogue's set rate, nine times in ten. */
export function usualPlan(species: string) {
  const { low, high } = speciesById(species).handSet;
  return { setLow: low, setLikely: (low + high) / 2, setHigh: high, confidence: 0.9, perEvening: 6, moreFathers: [] };
}

/** Checks and writes one planned cross; says when the flowerings do not meet. */
export function planOne(context: Context, sky: Forecaster, input: OneCross): Done & { id: number } {
  const { db, write, today } = context;
  const mother = existingStand(context, input.motherStandId, "motherStandId");
  const father = existingStand(context, input.fatherStandId, "fatherStandId");
  const [motherSpecies, fatherSpecies] = [speciesById(mother.species), speciesById(father.species)];
  const crossing = canCross(motherSpecies, fatherSpecies);
  if (!crossing.can) refuse("fatherStandId", crossing.why);
  const motherPlant = parentPlant(context, input.motherPlantId, mother, "motherPlantId");
  const fatherPlant = parentPlant(context, input.fatherPlantId, father, "fatherPlantId");
  const more = mixedFathers(context, motherSpecies, input.moreFathers);
  const kind: CrossKind =
    motherPlant && motherPlant.id === fatherPlant?.id && more.length === 0
      ? "self"
      : [father, ...more.map((m) => m.stand)].every((stand) => stand.lineId === mother.lineId)
        ? "intercross"
        : "cross";
  const method = methodFor(mother, motherSpecies, kind, input.method);
  const fruitsWanted = wantedFruits(input);
  const lineId = offspringLine(context, mother, father, input.lineName);
  const generation = nextGeneration(kind, mother.generation, father.generation);
  const { lineName: _, moreFathers: __, ...kept } = input;
  const code = nextCode(db, "cross", mother.season);
  const made = write.insert("cross", {
    code,
    kind,
    season: mother.season,
    lineId,
    generation,
    plannedOn: today,
    ...kept,
    method,
    fruitsWanted,
  });
  if (more.length > 0) {
    const all = [{ stand: father, plant: fatherPlant }, ...more];
    writeCandidates(
      context,
      "cross",
      made,
      "father",
      all.map(({ stand, plant }) => ({ standId: stand.id, plantId: plant?.id ?? null, share: 1 / all.length })),
    );
  }
  const meet = meeting(sky.of(mother).female, sky.of(father).male);
  const fathers = [labelOf(father, fatherPlant), ...more.map((m) => labelOf(m.stand, m.plant))].join(" + ");
  return {
    message: `${code} planned: ${labelOf(mother, motherPlant)} × ${kind === "self" ? "itself" : fathers}`,
    id: made,
    warnings: [
      ...(meet.days > 0
        ? []
        : [
            `The flowerings miss each other by ${meet.gapDays} days; the ${meet.first} is first. Meet in flower, on its page, lists the ways out.`,
          ]),
      ...(kind === "self" && motherSpecies.ownPollen === "refused" && method !== "cabbage-bud"
        ? [`${motherSpecies.name} mostly refuses its own pollen in open flowers; few will set.`]
        : []),
      ...(crossing.degree === "freely"
        ? []
        : [`These species cross ${crossing.degree}: expect few seeds, and many that are weak or sterile.`]),
    ],
  };
}

/** One cross, or several at once: a mother each with the same father, and the other way round where asked. */
function plan(context: Context, { moreMothers, reciprocal, ...input }: PlanCross): Done {
  const sky = forecaster(context.db);
  const one = (patch: Partial<OneCross>) => planOne(context, sky, { ...input, ...patch });
  const made = [
    one({}),
    ...moreMothers.map(({ standId, plantId }) => {
      const mother = existingStand(context, standId, "moreMothers");
      const lineName = input.lineName && `${input.lineName} from ${mother.lineName}`.slice(0, 120);
      return one({ motherStandId: standId, motherPlantId: plantId, lineName });
    }),
  ];
  if (reciprocal)
    made.push(
      one({
        motherStandId: input.fatherStandId,
        motherPlantId: input.fatherPlantId,
        fatherStandId: input.motherStandId,
        fatherPlantId: input.motherPlantId,
        moreFathers: [],
        lineName: input.lineName && `${input.lineName}, the other way`.slice(0, 120),
        method: undefined,
      }),
    );
  return {
    message: made.length === 1 ? made[0]!.message : `${made.length} crosses planned`,
    id: made[0]!.id,
    ids: made.map((m) => m.id),
    warnings: [...new Set(made.flatMap((m) => m.warnings ?? []))],
  };
}

export const planCross = command<PlanCross>({ name: "cross.plan", schema: planSchema, run: plan });

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
    const usual = usualPlan(stand.species);
    const sky = forecaster(context.db);
    const made = plantIds.map((motherPlantId, i) =>
      planOne(context, sky, {
        motherStandId: standId,
        fatherStandId: standId,
        motherPlantId,
        fatherPlantId: how === "self" ? motherPlantId : plantIds[(i + 1) % plantIds.length]!,
        fruitsWanted: fruitsEach,
        ...usual,
      }),
    );
    return {
      message: `${made.length} ${how === "self" ? "selfings" : "crosses"} planned in ${stand.code} ${stand.lineName}`,
      ids: made.map((m) => m.id),
    };
  },
});
