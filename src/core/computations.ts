import Joi from "joi";
import { daysBetween, isDay } from "./calendar/day";
import { growingDegreeDays } from "./climate/degreeDays";
import { sunOn } from "./climate/sun";
import { heterozygosity } from "./inheritance/heterozygosity";
import { alleleRetention, effectiveSize, inbreedingGrowth } from "./inheritance/smallPopulation";
import { contamination } from "./isolation/contamination";
import { ended } from "./lists/ended";
import { plantsNeeded } from "./numbers/plantsNeeded";
import { germinationInterval } from "./seed/germination";
import { moistureTarget } from "./seed/moisture";
import { sowingNumber } from "./seed/sowing";
import { seedViability } from "./seed/viability";

export type Computation = {
  name: string;
  what: string;
  source: string;
  schema: Joi.ObjectSchema;
  run: (input: never) => unknown;
  /** It may take over 100 ms: it is asked of the server's worker; its run may be a generator that rests now and then. */
  long?: true;
};

/** What has no answer, by a code that a program can go by. */
export class NoAnswer extends RangeError {
  constructor(
    readonly code: string,
    message: string,
  ) {
    super(message);
  }
}

/** A share, 0–1. */
export const share = Joi.number().min(0).max(1);
const inner = Joi.number().greater(0).less(1);
/** A calendar day that exists. */
export const day = Joi.string()
  .custom((text: string, helpers) => (isDay(text) ? text : helpers.error("any.invalid")))
  .messages({ "any.invalid": "{{#label}} must be a day that exists, written YYYY-MM-DD" });

const number = Joi.number();
export const plants = number.greater(0).max(1e9);
const degrees = number.min(-90).max(90);
const metres = number.min(0).max(1e7);
/** A flowering: at most two years, and it does not end before it starts. */
export const span = Joi.object({ start: day.required(), end: day.required() })
  .custom(({ start, end }: { start: string; end: string }, helpers) => {
    const days = daysBetween(start, end);
    return days >= 0 && days < 731 ? { start, end } : helpers.error("any.invalid");
  })
  .messages({ "any.invalid": "{{#label}} must end on or after its start, at most two years later" });

/**
 * A field that some kinds need and the others do not know.
 * @example compute(COMPUTATIONS[5], { kind: "dioecious", males: 2, females: 2, plants: 4 }).ok // false
 */
export const onlyFor = (kind: string | string[], schema: Joi.Schema) =>
  Joi.forbidden().when("kind", { not: Joi.valid(...[kind].flat()), otherwise: schema.required() });

/** Every computation that can be called from outside, with its input's schema. The screens call the same functions. */
export const COMPUTATIONS: Computation[] = [
  {
    name: "day-length",
    what: "Hours from sunrise to sunset, the sun's centre at −0.833°; 24 and 0 in polar day and night.",
    source: "suncalc, low-precision solar position",
    schema: Joi.object({
      latitude: Joi.number().min(-90).max(90).required(),
      longitude: Joi.number().min(-180).max(180).required(),
      date: day.required(),
    }),
    run: ({ latitude, longitude, date }: { latitude: number; longitude: number; date: string }) => ({
      hours: sunOn(latitude, longitude, date).hours,
    }),
  },
  {
    name: "plants-needed",
    what: "Smallest number of plants (or flowers) with P(X ≥ atLeast) ≥ confidence, X ~ Bin(n, probability).",
    source: "binomial sampling",
    schema: Joi.object({
      probability: Joi.number().min(0.0001).max(1).required(),
      atLeast: Joi.number().integer().min(1).max(10_000).required(),
      confidence: inner.max(0.999999).required(),
    }),
    run: plantsNeeded,
  },
  {
    name: "heterozygosity",
    what: "Inbreeding and heterozygosity after generations of partial selfing: F′ = s(1+F)/2 from 0, H = H₀(1−F).",
    source: "mixed-mating recursion",
    schema: Joi.object({
      generations: Joi.number().integer().min(0).max(1000).required(),
      selfingRate: share.required(),
      initial: share.required(),
    }),
    run: heterozygosity,
  },
  {
    name: "growing-degree-days",
    what: "Lowest and highest of each day held within [base, ceiling]; their mean less base, summed.",
    source: "averaging method with both thresholds",
    schema: Joi.object({
      base: degrees.required(),
      ceiling: degrees.greater(Joi.ref("base")).required(),
      days: Joi.array()
        .items(Joi.object({ min: degrees.required(), max: degrees.min(Joi.ref("min")).required() }))
        .max(20_000)
        .required(),
    }),
    run: growingDegreeDays,
  },
  {
    name: "contamination",
    what: "Share of a stand's seed fathered by strangers, whole and by source, from plants, windows, distances and barriers.",
    source: "2Dt dispersal kernel, mixing in proportion; working values, an order of magnitude",
    schema: Joi.object({
      receptor: Joi.object({
        plants: plants.required(),
        outcrossing: share.required(),
        spacing: metres.required(),
        female: span.required(),
        male: span.required(),
      }).required(),
      sources: Joi.array()
        .items(
          Joi.object({
            plants: number.min(0).max(1e9).required(),
            male: span.required(),
            distance: metres.required(),
            barriers: Joi.array().items(share).max(100),
          }),
        )
        .max(5000)
        .required(),
      kernel: Joi.object({
        scale: number.greater(0).max(1e6).required(),
        shape: number.greater(0).max(100).required(),
      }).required(),
    }),
    run: contamination,
  },
  {
    name: "effective-size",
    what: "Effective number of parents: 4mf/(m+f) of separate sexes, (4N−2)/(V+2) of unequal families, N/(1+F) with F = s/(2−s) of partial selfing.",
    source: "Wright 1931; Crow & Kimura 1970",
    schema: Joi.object({
      kind: Joi.string().valid("dioecious", "family-variance", "selfing").required(),
      males: onlyFor("dioecious", plants),
      females: onlyFor("dioecious", plants),
      plants: onlyFor(["family-variance", "selfing"], plants.min(1)),
      variance: onlyFor("family-variance", number.min(0).max(1e9)),
      selfingRate: onlyFor("selfing", share),
    }),
    run: effectiveSize,
  },
  {
    name: "allele-retention",
    what: "Chance that a gene of a frequency is in at least one of the plants: 1 − [(1−p)² + F p(1−p)]ⁿ.",
    source: "binomial sampling of genotypes",
    schema: Joi.object({
      plants: number.integer().min(0).max(1e9).required(),
      frequency: share.required(),
      inbreeding: share,
    }),
    run: alleleRetention,
  },
  {
    name: "inbreeding-growth",
    what: "Inbreeding after generations at an effective size: 1 − (1−F₀)(1−1/2Nₑ)ᵗ.",
    source: "Wright 1931",
    schema: Joi.object({
      effectiveSize: number.min(0.5).max(1e12).required(),
      generations: number.integer().min(0).max(100_000).required(),
      initial: share,
    }),
    run: inbreedingGrowth,
  },
  {
    name: "sowing-number",
    what: "Smallest number of seeds that gives the target with the confidence; stages multiply, one at most is counted, its Beta(successes+½, failures+½) rate integrated over.",
    source: "binomial thinning under Jeffreys' prior",
    schema: Joi.object({
      target: number.integer().min(1).max(10_000).required(),
      confidence: inner.max(0.999).required(),
      stages: Joi.array()
        .items(
          Joi.object({ rate: number.min(0.001).max(1).required() }),
          Joi.object({
            successes: number.integer().min(0).max(Joi.ref("trials")).required(),
            trials: number.integer().min(1).max(1_000_000).required(),
          }),
        )
        .min(1)
        .max(20)
        .custom((stages: object[], helpers) =>
          stages.filter((stage) => "trials" in stage).length > 1 ? helpers.error("any.invalid") : stages,
        )
        .messages({ "any.invalid": "{{#label}} must not hold more than one stage that was counted" })
        .required(),
    }),
    run: sowingNumber,
  },
  {
    name: "germination-interval",
    what: "The range of the share that germinates, from a test.",
    source: "Wilson 1927, score interval",
    schema: Joi.object({
      germinated: number.integer().min(0).max(Joi.ref("sown")).required(),
      sown: number.integer().min(1).max(1e9).required(),
      confidence: inner.required(),
    }),
    run: germinationInterval,
  },
  {
    name: "moisture-target",
    what: "The mass at which seed is as dry as it should be: m(1−M₀)/(1−Mₜ), moistures on wet basis.",
    source: "only water leaves",
    schema: Joi.object({
      massNow: number.greater(0).max(1e9).required(),
      moistureNow: number.min(0).less(1).required(),
      moistureTarget: number.min(0).less(1).required(),
    }),
    run: moistureTarget,
  },
  {
    name: "seed-viability",
    what: "The share that still germinates after days in a steady store: Φ(Φ⁻¹(g₀) − days/σ), log₁₀σ = KE − CW log₁₀(100·moisture) − CH·t − CQ·t².",
    source: "Ellis & Roberts 1980",
    schema: Joi.object({
      initialGermination: inner.required(),
      moisture: number.greater(0).less(1).required(),
      temperature: degrees.required(),
      days: number.min(0).max(1e7).required(),
      constants: Joi.object({
        KE: number.min(0).max(30).required(),
        CW: number.min(0).max(20).required(),
        CH: number.min(0).max(1).required(),
        CQ: number.min(0).max(0.1).required(),
      }).required(),
    }),
    run: seedViability,
  },
];

export type Computed =
  | { ok: true; result: unknown }
  | { ok: false; code: string; message: string; details: Record<string, string> };

const isGenerator = (run: unknown): run is Generator<unknown, unknown> =>
  typeof run === "object" && run !== null && "next" in run;

/**
 * Runs a computation on unchecked input: the result, or a message for each field that was refused.
 * @example computing(COMPUTATIONS[0], { latitude: 91, longitude: 0, date: "2027-07-09" }).next().value.code // "input"
 */
export function* computing(computation: Computation, input: unknown): Generator<unknown, Computed> {
  const { value, error } = computation.schema.validate(input, { abortEarly: false, convert: false });
  if (error) {
    const details = Object.fromEntries(error.details.map((d) => [d.path.join(".") || "input", d.message]));
    return { ok: false, code: "input", message: `${computation.name} cannot be computed from this input.`, details };
  }
  try {
    const run = computation.run(value as never);
    return { ok: true, result: isGenerator(run) ? yield* run : run };
  } catch (failure) {
    // What is in range field by field may have no answer together.
    if (!(failure instanceof RangeError)) throw failure;
    return {
      ok: false,
      code: failure instanceof NoAnswer ? failure.code : "no-answer",
      message: `${computation.name} has no answer: ${failure.message}.`,
      details: { input: failure.message },
    };
  }
}

/**
 * The same at one go, however long it takes.
 * @example compute(COMPUTATIONS[0], { latitude: 91, longitude: 0, date: "2027-07-09" }).ok // false
 */
export function compute(computation: Computation, input: unknown): Computed {
  return ended(computing(computation, input));
}
