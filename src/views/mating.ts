import Joi from "joi";
import type { Id } from "@/core/custody/id";
import { sampledPedigree } from "@/core/pedigree/pedigree";
import { kinshipAmong } from "@/core/selection/kinship";
import { matingPlan, usesOf } from "@/core/selection/mating";
import { type Db, theDb } from "@/db/open";
import { type PlantOfStand, plantsByIds } from "@/records/plant/queries";
import { given, type Told, whole } from "@/records/record";
import { idOf } from "@/records/schema";
import { kinOf } from "./kin";

/** Parents, each with the share of the next generation that it is to have. */
export type MatingParent = { plantId: Id; share: number };

const parents = given<MatingParent[]>(
  "Parents",
  Joi.array()
    .items(Joi.object({ plantId: idOf().required(), share: Joi.number().min(0).max(1).required() }))
    .min(1)
    .max(200),
);

export const MATING = { parents, crosses: whole("Crosses", 1, 200) };
export type MatingAsked = Told<typeof MATING>;

/** Two who are crossed, and the inbreeding of their seed, 0–1. */
export type MatedPair = { mother: PlantOfStand; father: PlantOfStand; inbreeding: number };

export type Mating = {
  /** The least inbred first. */
  pairs: MatedPair[];
  /** Mean inbreeding of their seed; of seed that the same parents set at random; and of each selfed. */
  inbreeding: number;
  random: number;
  selfed: number;
};

/** Who is to be crossed with whom, so that the seed is as little inbred as these parents allow. */
export function matingOf(db: Db, { parents: told, crosses }: MatingAsked): Mating {
  const shareOf = new Map(told.map(({ plantId, share }) => [plantId, share]));
  const plants = plantsByIds(db, [...shareOf.keys()]);
  const all = plants.reduce((sum, { id }) => sum + shareOf.get(id)!, 0);
  if (plants.length === 0 || all <= 0) return { pairs: [], inbreeding: 0, random: 0, selfed: 0 };
  const shares = plants.map(({ id }) => shareOf.get(id)! / all);
  const asIndividuals = plants.map(({ id: plantId, standId }) => ({ plantId, standId }));
  const { tree, at } = kinOf(db, asIndividuals);
  const kinship = kinshipAmong(sampledPedigree(tree), asIndividuals.map(at));
  const { pairs, inbreeding } = matingPlan(usesOf(shares, crosses), kinship);
  const mated = pairs.map(([a, b]) => ({ mother: plants[a]!, father: plants[b]!, inbreeding: kinship[a]![b]! }));
  return {
    pairs: mated.sort((a, b) => a.inbreeding - b.inbreeding),
    inbreeding,
    random: shares.reduce((sum, a, i) => sum + a * shares.reduce((s, b, j) => s + b * kinship[i]![j]!, 0), 0),
    selfed: shares.reduce((sum, share, i) => sum + share * kinship[i]![i]!, 0),
  };
}

// biome-ignore lint/correctness/useYield: done before anyone could stop it
export function* matingJob(asked: MatingAsked): Generator<unknown, Mating> {
  return matingOf(theDb(), asked);
}
