import Joi from "joi";
import { methodsOf, speciesById } from "@/catalogue/catalogue";
import type { Species } from "@/catalogue/types";
import { yearOf } from "@/core/calendar/day";
import { nextGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { canCross } from "@/core/isolation/crossing";
import { fruitsFor } from "@/core/pollination/flowersToDo";
import { meeting } from "@/core/pollination/steps";
import { refuse } from "@/db/ops";
import { writeCandidates } from "../candidate/commands";
import { nextCode } from "../code";
import { type Context, command, type Done } from "../command";
import { line } from "../line/line";
import { lineOfName, lineOfParents } from "../line/queries";
import { plantList } from "../plant/commands";
import type { Plant } from "../plant/plant";
import { plantById } from "../plant/queries";
import { choice, count, given, name, ref, type Told, yesNo } from "../record";
import { idOf } from "../schema";
import { existingStand } from "../stand/commands";
import { type Forecaster, forecaster } from "../stand/forecast";
import type { StandRow } from "../stand/queries";
import { type CrossKind, cross } from "./cross";

type Parent = { standId: Id; plantId?: Id };
const parents = (label: string) =>
  given<Parent[]>(
    label,
    Joi.array()
      .items(Joi.object({ standId: idOf().required(), plantId: idOf() }))
      .max(50),
  ).or([]);

const oneCross = {
  ...cross.adding("motherStandId", "fatherStandId", "motherPlantId", "fatherPlantId"),
  ...cross.adding("seedsWanted", "seedsPerFruit", "setLow", "setHigh", "confidence", "method", "perEvening"),
  fruitsWanted: cross.columns.fruitsWanted.optional(),
  lineName: name("New line's name").optional(),
  /** More fathers: their pollen is mixed, each with the same share. */
  moreFathers: parents("More fathers"),
};
type OneCross = Told<typeof oneCross>;

function parentPlant(context: Context, plantId: Id | null | undefined, stand: StandRow, field: string): Plant | null {
  if (!plantId) return null;
  const plant = plantById(context.db, plantId) ?? refuse(field, "That plant does not exist.");
  if (plant.standId !== stand.id) refuse(field, `That plant does not stand in ${stand.code}.`);
  if (plant.removedOn)
    refuse(field, `Plant ${plant.number} was taken out on ${plant.removedOn}; it can't be a parent.`);
  if (plant.mark === "out") refuse(field, `Plant ${plant.number} is marked out; take the mark off first.`);
  return plant;
}

/** The line that the seed will belong to: the parents' own, one they were crossed into before, or a new one. */
function offspringLine(context: Context, mother: StandRow, fathers: StandRow[], lineName: string | null): Id {
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

function wantedFruits(input: OneCross): number {
  if (input.seedsWanted) {
    if (!input.seedsPerFruit) refuse("seedsPerFruit", "Say how many seeds a fruit holds.");
    return fruitsFor(input.seedsWanted, input.seedsPerFruit!);
  }
  return input.fruitsWanted ?? refuse("fruitsWanted", "Say how many fruits or seeds are wanted.");
}

/** The way chosen, or the usual one; refused where there is none. */
function methodFor(mother: StandRow, species: Species, kind: CrossKind, wanted: string | null): string {
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

const NOTHING_SAID = {
  fruitsWanted: null,
  seedsWanted: null,
  seedsPerFruit: null,
  method: null,
  lineName: null,
  motherPlantId: null,
  fatherPlantId: null,
};

/** What a cross is planned with where nobody says otherwise: the catalogue's set rate, nine times in ten. */
export function usualPlan(species: string) {
  const { low, high } = speciesById(species).handSet;
  return { setLow: low, setHigh: high, confidence: 0.9, perEvening: 6, moreFathers: [], ...NOTHING_SAID };
}

/** Checks and writes one planned cross; says when the flowerings do not meet. */
export function planOne(context: Context, sky: Forecaster, input: OneCross): Done & { id: Id; code: string } {
  const { write, today } = context;
  const mother = existingStand(context, input.motherStandId, "motherStandId");
  const father = existingStand(context, input.fatherStandId, "fatherStandId");
  const [motherSpecies, fatherSpecies] = [speciesById(mother.species), speciesById(father.species)];
  const crossing = canCross(motherSpecies, fatherSpecies);
  if (!crossing.can) refuse("fatherStandId", crossing.why);
  const motherPlant = parentPlant(context, input.motherPlantId, mother, "motherPlantId");
  const fatherPlant = parentPlant(context, input.fatherPlantId, father, "fatherPlantId");
  const more = mixedFathers(context, motherSpecies, input.moreFathers);
  const fathers = [father, ...more.map((m) => m.stand)];
  const kind: CrossKind =
    motherPlant && motherPlant.id === fatherPlant?.id && more.length === 0
      ? "self"
      : fathers.every(({ lineId }) => lineId === mother.lineId)
        ? "intercross"
        : "cross";
  const method = methodFor(mother, motherSpecies, kind, input.method);
  const fruitsWanted = wantedFruits(input);
  const lineId = offspringLine(context, mother, fathers, input.lineName);
  const generation = nextGeneration(kind, mother.generation, father.generation);
  const { lineName: _, moreFathers: __, ...kept } = input;
  const code = nextCode(context, "cross", mother.season);
  const made = write.insert(cross, {
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
  const pollen = [labelOf(father, fatherPlant), ...more.map((m) => labelOf(m.stand, m.plant))].join(" + ");
  return {
    message: `${code} planned: ${labelOf(mother, motherPlant)} × ${kind === "self" ? "itself" : pollen}`,
    id: made,
    code,
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

const planned = {
  ...oneCross,
  /** More mothers: a cross of its own for each, with the same father. */
  moreMothers: parents("More mothers"),
  reciprocal: yesNo("The other way round too"),
};

/** One cross, or several at once: a mother each with the same father, and the other way round where asked. */
export const planCross = command("cross.plan", planned, (context, { moreMothers, reciprocal, ...input }) => {
  const sky = forecaster(context.db, context.today);
  const one = (patch: Partial<OneCross>) => planOne(context, sky, { ...input, ...patch });
  const made = [
    one({}),
    ...moreMothers.map(({ standId, plantId }) => {
      const mother = existingStand(context, standId, "moreMothers");
      const lineName = input.lineName && `${input.lineName} from ${mother.lineName}`.slice(0, 120);
      return one({ motherStandId: standId, motherPlantId: plantId ?? null, lineName });
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
        method: null,
      }),
    );
  const [first] = made as [(typeof made)[number]];
  return {
    message: made.length === 1 ? first.message : `${made.length} crosses planned`,
    id: first.id,
    code: first.code,
    ids: made.map((m) => m.id),
    warnings: [...new Set(made.flatMap((m) => m.warnings ?? []))],
  };
});

/** Selfs every chosen plant, or crosses each with the next in a ring so that all are mother once and father once. */
export const nextGenerationOf = command(
  "cross.next-generation",
  {
    standId: ref("stand", "Stand"),
    plantIds: plantList("Plants", 200),
    how: choice("How", ["self", "intercross"]),
    fruitsEach: count("Fruits of each", 100),
  },
  (context, { standId, plantIds, how, fruitsEach }) => {
    if (plantIds.length === 0) refuse("plantIds", "Choose at least one.");
    if (how === "intercross" && plantIds.length < 2)
      refuse("plantIds", "Choose at least two plants to cross among themselves.");
    const stand = existingStand(context, standId, "standId");
    const usual = usualPlan(stand.species);
    const sky = forecaster(context.db, context.today);
    const made = plantIds.map((motherPlantId, i) =>
      planOne(context, sky, {
        ...usual,
        motherStandId: standId,
        fatherStandId: standId,
        motherPlantId,
        fatherPlantId: how === "self" ? motherPlantId : plantIds[(i + 1) % plantIds.length]!,
        fruitsWanted: fruitsEach,
      }),
    );
    return {
      message: `${made.length} ${how === "self" ? "selfings" : "crosses"} planned in ${stand.code} ${stand.lineName}`,
      ids: made.map((m) => m.id),
    };
  },
);
