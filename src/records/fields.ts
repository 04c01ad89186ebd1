import Joi from "joi";
import { isDay } from "@/core/calendar/day";
import { isDayOfYear } from "@/core/climate/season";

/** Sentences for what Joi finds, with the field's label. */
export const MESSAGES: Record<string, string> = {
  "any.required": "{{#label}} is needed.",
  "any.only": "{{#label}} is not one of the choices.",
  "string.base": "{{#label}} must be text.",
  "string.max": "{{#label}} is longer than {{#limit}} characters.",
  "string.pattern.base": "{{#label}} is not written as it should be.",
  "number.base": "{{#label}} must be a number.",
  "number.integer": "{{#label}} must be a whole number.",
  "number.min": "{{#label}} must be at least {{#limit}}.",
  "number.max": "{{#label}} must be at most {{#limit}}.",
  "number.greater": "{{#label}} must be more than {{#limit}}.",
  "number.less": "{{#label}} must be less than {{#limit}}.",
  "number.unsafe": "{{#label}} is too large a number.",
  "array.base": "{{#label}} is not a list that can be read.",
  "array.min": "Choose at least one.",
  "array.max": "{{#label}}: {{#limit}} at the most.",
  "boolean.base": "{{#label}} must be yes or no.",
  "object.unknown": "{{#label}} is not known here.",
  "day.missing": "{{#label}} is not a day that exists. Write it as 2027-07-09.",
  "day.range": "{{#label}} must lie between 1990 and 2100.",
};

export const id = () => Joi.number().integer().min(1);
export const name = (label: string) => Joi.string().trim().max(120).label(label);
export const note = (label: string) => Joi.string().trim().max(500).default("").label(label);
export const count = (label: string, max = 1_000_000) => Joi.number().integer().min(1).max(max).label(label);
export const metres = (label: string) => Joi.number().min(-100_000).max(100_000).label(label);
export const version = () => Joi.number().integer().min(1).label("Version");

export const day = (label: string) =>
  Joi.string()
    .custom((text: string, helpers) => {
      if (!isDay(text)) return helpers.error("day.missing");
      return text >= "1990-01-01" && text <= "2100-12-31" ? text : helpers.error("day.range");
    })
    .label(label);

/** A day of the year, `MM-DD`. */
export const dayOfYear = (label: string) =>
  Joi.string()
    .custom((text: string, helpers) => (isDayOfYear(text) ? text : helpers.error("any.invalid")))
    .messages({ "any.invalid": "{{#label}} must be a day of the year, month then day, as 05-20." })
    .label(label);

/** Seeds as a count or as a mass, one of them needed. */
export const seedAmount = {
  seeds: count("Seeds", 10_000_000),
  mass: Joi.number().greater(0).max(100_000).label("Mass"),
};
