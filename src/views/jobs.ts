import type Joi from "joi";
import type { Fields, Told } from "@/records/record";
import { schemaOf } from "@/records/schema";
import { GENOTYPES, genotypesJob } from "./genotypes";
import { KIN, kinJob } from "./kinship";
import { MATING, matingJob } from "./mating";
import { PLANS, plansJob } from "./plans";
import { WAYS_OUT, waysOutJob } from "./waysOut";
import { WORTH, worthJob } from "./worth";

/** A job that pages ask for: what may be asked, and the work. */
export type ViewJob = { fields: Fields; schema: Joi.ObjectSchema; run: (input: never) => Generator<unknown, unknown> };

const job = <F extends Fields>(fields: F, run: (input: Told<F>) => Generator<unknown, unknown>): ViewJob => ({
  fields,
  schema: schemaOf(fields),
  run,
});

/** What takes too long for a page and is asked for when it is there, by the server's worker. */
export const VIEW_JOBS: ReadonlyMap<string, ViewJob> = new Map<string, ViewJob>([
  ["ground.ways-out", job(WAYS_OUT, waysOutJob)],
  ["nursery.worth", job(WORTH, worthJob)],
  ["nursery.mating", job(MATING, matingJob)],
  ["nursery.genotypes", job(GENOTYPES, genotypesJob)],
  ["lines.plans", job(PLANS, plansJob)],
  ["lines.kin", job(KIN, kinJob)],
]);
