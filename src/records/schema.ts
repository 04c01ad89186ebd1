import Joi from "joi";
import { PROTOCOLS, SPECIES } from "@/catalogue/catalogue";
import { isDay, isRecordable } from "@/core/calendar/day";
import { isDayOfYear } from "@/core/climate/season";
import { isTimezone } from "@/core/climate/sun";
import { isId } from "@/core/custody/id";
import { readNumber } from "@/core/writing/numbers";
import { type AnyField, type Fields, given, type Spec } from "./record";

/** Sentences for what Joi finds, with the field's label. */
const MESSAGES: Record<string, string> = {
  "any.required": "{{#label}} is needed.",
  "any.only": "{{#label}} is not one of the choices.",
  "string.base": "{{#label}} must be text.",
  "string.empty": "{{#label}} is needed.",
  "string.max": "{{#label}} is longer than {{#limit}} characters.",
  "string.pattern.base": "{{#label}} is not written as it should be.",
  "text.letters": "Some letters of this file can't be read. Save it as UTF-8, then choose it again.",
  "text.signs": "{{#label}} holds signs that can't be kept.",
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
  "id.unknown": "{{#label}} does not name a record of this garden.",
  "day.missing": "{{#label}} is not a day that exists. Write it as 2027-07-09.",
  "day.range": "{{#label}} must lie between 1990 and 2100.",
  "day-of-year.missing": "{{#label}} must be a day of the year, month then day, as 05-20.",
  "hour.missing": "{{#label}} is written as 05:40.",
  "time-zone.unknown": "{{#label}} is not known. Write it as Europe/Zurich.",
};

/** Letters of any script, but no half characters and none that control a device. */
// biome-ignore lint/suspicious/noControlCharactersInRegex: these are what is refused
const writable = (words: string) => words.isWellFormed() && !/[\0-\x08\x0b-\x1f\x7f]/.test(words);

const checked = (schema: Joi.StringSchema, code: string, good: (value: string) => boolean) =>
  schema.custom((value: string, helpers) => (good(value) ? value : helpers.error(code)));

/** Text as people write it, without what no file or screen can hold. */
export const words = (most: number) => checked(Joi.string().trim().max(most), "text.signs", writable);
/** A text file, as a screen read its letters: one whose letters were lost on the way is refused. */
export const fileText = (label: string, most: number, tooLarge: string) =>
  given<string>(
    label,
    checked(Joi.string().max(most), "text.letters", (value) => !value.includes("\uFFFD")),
  ).saying({ "string.max": tooLarge });
export const idOf = () => checked(Joi.string(), "id.unknown", isId);

/** A list of ids, each once. */
export const idList = (most: number) => Joi.array().items(idOf()).max(most).unique();

export function schemaOfDay(): Joi.Schema {
  return Joi.string().custom((value: string, helpers) => {
    if (!isDay(value)) return helpers.error("day.missing");
    return isRecordable(value) ? value : helpers.error("day.range");
  });
}

/** A number as it is kept, or as a person writes it; what can be read in two ways is not guessed at. */
const written: Joi.Root & { number: () => Joi.NumberSchema } = Joi.extend((joi: Joi.Root) => ({
  type: "number",
  base: joi.number(),
  messages: {
    "number.asked": "{{#label}} can be read in two ways: “{{#typed}}”. Write it without marks between thousands.",
  },
  coerce: {
    from: "string",
    method(value: string, helpers: Joi.CustomHelpers) {
      const read = readNumber(value);
      if (read.kind === "read") return { value: read.value };
      return read.kind === "asked" ? { value, errors: [helpers.error("number.asked", { typed: value })] } : { value };
    },
  },
}));

function numberOf(spec: Spec & { kind: "whole" | "real" }): Joi.NumberSchema {
  let schema = written.number();
  if (spec.kind === "whole") schema = schema.integer();
  if (spec.least !== undefined) schema = schema.min(spec.least);
  if (spec.most !== undefined) schema = schema.max(spec.most);
  if (spec.above !== undefined) schema = schema.greater(spec.above);
  if (spec.below !== undefined) schema = schema.less(spec.below);
  return schema;
}

const SPECIES_IDS = SPECIES.map((s) => s.id);
const PROTOCOL_IDS = PROTOCOLS.map((p) => p.id);

/** A flag as a box is ticked, as a list chooses it, and as it is kept. */
const FLAGS = new Map([
  ["true", 1],
  ["1", 1],
  ["false", 0],
  ["0", 0],
]);

function valueSchema(spec: Spec): Joi.Schema {
  switch (spec.kind) {
    case "text":
    case "name":
      return words(spec.most);
    case "whole":
    case "real":
      return numberOf(spec);
    case "day":
      return schemaOfDay();
    case "day-of-year":
      return checked(Joi.string(), "day-of-year.missing", isDayOfYear);
    case "hour":
      return checked(Joi.string(), "hour.missing", (value) => /^([01]\d|2[0-3]):[0-5]\d$/.test(value));
    case "time-zone":
      return checked(Joi.string().max(60), "time-zone.unknown", isTimezone);
    case "flag":
      return Joi.any().custom((value: unknown, helpers) => FLAGS.get(String(value)) ?? helpers.error("any.only"));
    case "yes-no":
      return Joi.boolean();
    case "species":
      return Joi.string().valid(...SPECIES_IDS);
    case "protocol":
      return Joi.string().valid(...PROTOCOL_IDS);
    case "choice":
      return Joi.any().valid(...spec.of);
    case "ref":
    case "version":
      return idOf();
    case "json":
      return Joi.string();
    case "given":
      return spec.schema;
  }
}

/** An untouched field of a form comes as an empty text: what that means is what its absence means. */
function fieldSchema({ spec, label, absent, said }: AnyField): Joi.Schema {
  const plain = valueSchema(spec).label(label);
  // Sentences of its own cost every check of the field something.
  const schema = Object.keys(said).length > 0 ? plain.messages(said) : plain;
  const blank = Joi.string().trim().valid("");
  switch (absent.is) {
    case "needed":
      return schema.empty(blank).required();
    case "empty":
      return schema.empty(blank).allow(null).default(null);
    case "value":
      return spec.kind === "text"
        ? (schema as Joi.StringSchema).allow("").default(absent.value as string)
        : schema.empty(blank).default(absent.value as string);
    case "kept":
      return spec.kind === "text" ? (schema as Joi.StringSchema).allow("") : schema.empty(blank);
    case "kept-or-empty":
      return schema.allow(null, "");
  }
}

/** The schema of a command's fields. */
export const schemaOf = (fields: Fields): Joi.ObjectSchema =>
  Joi.object(Object.fromEntries(Object.entries(fields).map(([field, of]) => [field, fieldSchema(of)]))).prefs({
    abortEarly: false,
    messages: MESSAGES,
    errors: { wrap: { label: false } },
  });

/** In a patch an emptied field empties its column; text is emptied to nothing, all else to null. */
function emptied(fields: Fields, value: Record<string, unknown>): Record<string, unknown> {
  const clears = (field: string) => fields[field]?.absent.is === "kept-or-empty";
  return Object.fromEntries(
    Object.entries(value).map(([field, of]) => [field, of === "" && clears(field) ? null : of]),
  );
}

/** No honest input holds a longer list; a validator should not have to look at one. */
const LONGEST = 2500;
const DEEPEST = 8;
const tooMuch = (input: unknown, depth = 0): boolean =>
  typeof input === "object" &&
  input !== null &&
  (depth > DEEPEST ||
    (Array.isArray(input) && input.length > LONGEST) ||
    Object.values(input).some((value) => tooMuch(value, depth + 1)));

export type Checked = { ok: true; value: Record<string, unknown> } | { ok: false; fields: Record<string, string> };

/** Checks an input against fields; what is wrong comes back with a sentence for each field. */
export function check(fields: Fields, schema: Joi.ObjectSchema, input: unknown): Checked {
  if (tooMuch(input))
    return {
      ok: false,
      fields: { form: `That is more than one press can hold: a list of over ${LONGEST}, or lists in lists.` },
    };
  const { value, error } = schema.validate(input);
  if (!error) return { ok: true, value: emptied(fields, value as Record<string, unknown>) };
  return { ok: false, fields: Object.fromEntries(error.details.map((d) => [d.path.join(".") || "form", d.message])) };
}
