import Joi from "joi";
import { isDay } from "./calendar/day";
import { sunOn } from "./climate/sun";
import { heterozygosity } from "./inheritance/heterozygosity";
import { plantsNeeded } from "./numbers/plantsNeeded";

export type Method = {
  name: string;
  what: string;
  source: string;
  schema: Joi.ObjectSchema;
  run: (input: never) => unknown;
};

const share = Joi.number().min(0).max(1);
const inner = Joi.number().greater(0).less(1);
const day = Joi.string()
  .custom((text: string, helpers) => (isDay(text) ? text : helpers.error("any.invalid")))
  .messages({ "any.invalid": "{{#label}} must be a day that exists, written YYYY-MM-DD" });

/** Every computation that can be called from outside, with its input's schema. The screens call the same functions. */
export const METHODS: Method[] = [
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
];

export type Computed = { ok: true; result: unknown } | { ok: false; message: string; details: Record<string, string> };

/** Runs a method by name on unchecked input: the result, or a message for each field that was refused. */
export function compute(method: Method, input: unknown): Computed {
  const { value, error } = method.schema.validate(input, { abortEarly: false, convert: false });
  if (error) {
    const details = Object.fromEntries(error.details.map((d) => [d.path.join(".") || "input", d.message]));
    return { ok: false, message: `${method.name} cannot be computed from this input.`, details };
  }
  return { ok: true, result: method.run(value as never) };
}
