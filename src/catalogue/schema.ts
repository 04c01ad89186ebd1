import Joi from "joi";
import { HAZARDS } from "./hazards";
import type { Species } from "./types";

const figure = Joi.object({
  low: Joi.number().min(0).required(),
  high: Joi.number().min(Joi.ref("low")).required(),
  source: Joi.string().valid("standard", "guidance", "practice", "working").required(),
});
const fraction = figure.keys({ high: Joi.number().min(Joi.ref("low")).max(1).required() });
const positive = figure.keys({ low: Joi.number().greater(0).required() });
const text = Joi.string().min(3).required();

/** What every species of the catalogue must state. */
export const speciesSchema = Joi.object<Species>({
  id: Joi.string()
    .pattern(/^[a-z-]+$/)
    .required(),
  name: text,
  binomial: Joi.string()
    .pattern(/^[A-Z][a-z]+ [a-z]+$/)
    .required(),
  family: text,
  crossingGroup: text,
  crossesWith: text,
  lifeCycle: Joi.string().valid("annual", "biennial", "perennial grown as annual").required(),
  breeding: Joi.string().valid("selfing", "mixed", "outcrossing").required(),
  outcrossing: fraction.required(),
  flowerType: Joi.string()
    .valid(
      "large separate-sex flowers",
      "perfect flowers",
      "many small flowers in a head",
      "wind-pollinated separate flowers",
    )
    .required(),
  vector: Joi.string().valid("insects", "wind", "own pollen, sometimes insects").required(),
  isolation: Joi.object({
    relaxed: positive.required(),
    usual: positive.required(),
    strict: positive.required(),
  }).required(),
  plants: Joi.object({
    "keep going": positive.required(),
    "keep well": positive.required(),
    "rare variety": positive.required(),
  }).required(),
  daysToFlower: positive.required(),
  flowerDays: positive.required(),
  daysToRipe: positive.required(),
  seedsPerGram: positive.required(),
  seedsPerFruit: positive.allow(null).required(),
  handSet: fraction.required(),
  shelfYears: positive.required(),
  ripeSign: text,
  extraction: Joi.string().valid("dry", "wet, rinse", "wet, ferment").required(),
  hazards: Joi.array()
    .items(Joi.string().valid(...Object.keys(HAZARDS)))
    .required(),
  protocol: Joi.string().allow(null).required(),
});
