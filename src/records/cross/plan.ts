import Joi from "joi";
import { speciesById } from "@/catalogue/catalogue";
import { nextGeneration } from "@/core/custody/generation";
import type { Id } from "@/core/custody/id";
import { canCross } from "@/core/isolation/crossing";
import { meeting } from "@/core/pollination/steps";
import { plural } from "@/core/units/plural";
import { refuse } from "@/db/ops";
import { writeCandidates } from "../candidate/commands";
import { nextCode } from "../code";
import { type Context, command, type Done } from "../command";
import { plantList } from "../plant/commands";
import { plantById } from "../plant/queries";
import { choice, count, given, ref, yesNo } from "../record";
import { idOf } from "../schema";
import { existingStand } from "../stand/commands";
import { type Forecaster, forecaster } from "../stand/forecast";
import { type CrossKind, cross } from "./cross";
import {
  labelOf,
  methodFor,
  mixedFathers,
  type OneCross,
  offspringLine,
  oneCross,
  parentPlant,
  parents,
  wantedFruits,
} from "./planParts";

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
export function planOne(
  context: Context,
  sky: Forecaster,
  input: OneCross,
  note = "",
): Done & { id: Id; code: string } {
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
    note,
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

type Pair = { motherPlantId: Id; fatherPlantId: Id };

const pairList = given<Pair[]>(
  "Pairs",
  Joi.array()
    .items(Joi.object({ motherPlantId: idOf().required(), fatherPlantId: idOf().required() }))
    .min(1)
    .max(200),
);

/** Crosses of chosen pairs of plants, of one stand or several. */
export const planPairs = command(
  "cross.pairs",
  { pairs: pairList, fruitsEach: count("Fruits of each", 100) },
  (context, { pairs, fruitsEach }) => {
    const sky = forecaster(context.db, context.today);
    const standOf = (id: Id) => (plantById(context.db, id) ?? refuse("pairs", "That plant does not exist.")).standId;
    const made = pairs.map(({ motherPlantId, fatherPlantId }) => {
      const motherStandId = standOf(motherPlantId);
      const usual = usualPlan(existingStand(context, motherStandId, "pairs").species);
      const fatherStandId = standOf(fatherPlantId);
      return planOne(context, sky, {
        ...usual,
        motherStandId,
        fatherStandId,
        motherPlantId,
        fatherPlantId,
        fruitsWanted: fruitsEach,
      });
    });
    return {
      message: `${plural(made.length, "cross", "crosses")} planned`,
      ids: made.map((m) => m.id),
      warnings: [...new Set(made.flatMap((m) => m.warnings ?? []))],
    };
  },
);

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
