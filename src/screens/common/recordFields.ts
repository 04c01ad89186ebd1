import { lengthShown, lengthTyped, lengthUnit, massTyped, massUnit, type Units } from "@/core/units/units";
import type { AnyField, Spec } from "@/records/record";
import type { FieldProps } from "./command";
import { choicesOf } from "./words";

/** Codes with the words they are chosen by. */
export type Words = Record<string | number, string>;

type Type = NonNullable<FieldProps["type"]>;
const TYPES: Record<Spec["kind"], Type> = {
  text: "text",
  name: "text",
  whole: "number",
  real: "number",
  day: "date",
  "day-of-year": "day-of-year",
  hour: "text",
  flag: "checkbox",
  "yes-no": "checkbox",
  species: "text",
  protocol: "select",
  version: "text",
  "time-zone": "text",
  choice: "select",
  ref: "select",
  json: "text",
  given: "text",
};

function typeOf({ spec, drawn }: AnyField, words: Words | undefined): Type {
  if (words && spec.kind === "flag") return "select";
  return drawn.long ? "textarea" : TYPES[spec.kind];
}

const UNITS = { length: lengthUnit, mass: massUnit, share: () => "%" };

/**
 * How a form draws a column: its label, what is typed there, its unit in the garden's units, its choices.
 * @param words of its codes, where it holds one of some
 */
export function fieldOf(column: AnyField, units: Units, words?: Words): Omit<FieldProps, "name"> {
  const { label, drawn } = column;
  return {
    label,
    type: typeOf(column, words),
    unit: drawn.unit ?? (drawn.measure && UNITS[drawn.measure](units)),
    hint: drawn.hint,
    none: drawn.none,
    choices: words && choicesOf(words),
  };
}

/** What a typed number is multiplied by to be kept; one where it is kept as it is typed. */
export function factorOf({ drawn: { measure } }: AnyField, units: Units): number {
  if (measure === "length") return lengthTyped(1, units);
  if (measure === "mass") return massTyped(1, units);
  return measure === "share" ? 0.01 : 1;
}

/** What is kept as the form shows it; `fieldOf` says in which unit. */
export function shownIn(column: AnyField, kept: unknown, units: Units): string | number | boolean | null | undefined {
  const { measure } = column.drawn;
  if (typeof kept === "number" && measure === "length") return lengthShown(kept, units);
  if (typeof kept === "number" && measure) return Number((kept / factorOf(column, units)).toFixed(2));
  return kept as string | number | boolean | null | undefined;
}
