import type Joi from "joi";
import type { Id } from "@/core/custody/id";
import type { FlowerState } from "@/core/pollination/tally";
import { flower as flowerRecord } from "../flower/flower";
import { DAYS } from "../flower/rules";
import { count, type Fields, type Told, text as textField, whole } from "../record";
import { check, schemaOf } from "../schema";
import { cross as crossRecord } from "./cross";

const { columns } = flowerRecord;

/** What a line may say of a flower, by the file's names for it; the record's own rules hold for the whole. */
export const FLOWER = {
  flower: columns.number.as("flower"),
  onPlant: count("onPlant", 100_000).optional(),
  covered: columns.coveredOn.as("covered").optional(),
  gathered: columns.gatheredOn.as("gathered"),
  pollinated: columns.pollinatedOn.as("pollinated"),
  at: columns.pollinatedAt.as("at"),
  passes: columns.passes.as("passes").optional(),
  lastPass: columns.lastPass.as("lastPass"),
  males: columns.males.as("males"),
  bud: columns.bud.as("bud"),
  uncovered: columns.uncoveredOn.as("uncovered"),
  checked: columns.checkedOn.as("checked"),
  state: columns.state.as("state"),
  fault: columns.fault.as("fault"),
  lostWhy: columns.lostWhy.as("lostWhy"),
  lot: textField("lot"),
  flowerNote: columns.note.as("flowerNote"),
};

export const CROSS = {
  season: whole("season", 1900, 2200).optional(),
  kind: textField("kind", 20).optional(),
  method: crossRecord.columns.method.as("method"),
  mother: textField("mother", 120).optional(),
  motherPlant: count("motherPlant", 100_000).optional(),
  father: textField("father", 120).optional(),
  fatherPlant: count("fatherPlant", 100_000).optional(),
  pedigree: textField("pedigree", 2000).optional(),
  fruitsWanted: crossRecord.columns.fruitsWanted.as("fruitsWanted").optional(),
  note: crossRecord.columns.note.as("note").kept(),
};

export const SCHEMAS = { flower: schemaOf(FLOWER), cross: schemaOf(CROSS) };

export type Trouble = { line: number; message: string };

/** Thrown for one line; the whole is read before anything is said, so that all faults show at once. */
export class LineTrouble extends Error {}

export type Cells<F extends Fields> = Told<F>;

/** The cells of one kind in a line, checked and typed. */
export function cellsOf<F extends Fields>(
  fields: F,
  schema: Joi.ObjectSchema,
  cells: Record<string, string>,
): Cells<F> {
  const own = Object.fromEntries(Object.entries(cells).filter(([name]) => Object.hasOwn(fields, name)));
  const checked = check(fields, schema, own);
  if (!checked.ok) throw new LineTrouble(Object.values(checked.fields)[0]!);
  return checked.value as Cells<F>;
}

/** States that a file may not make: seed lots are made where their seed is counted. */
export const MADE_ELSEWHERE: ReadonlySet<FlowerState> = new Set(["harvested"]);

/** A flower's columns from a line's cells. */
export function flowerRow(cells: Cells<typeof FLOWER>, plants: Map<number, Id>) {
  const { covered, pollinated, onPlant } = cells;
  if (!covered) throw new LineTrouble(`a flower that is ${cells.state} needs the day “${DAYS.coveredOn}”`);
  const plantId = onPlant === null ? null : plants.get(onPlant);
  if (plantId === undefined) throw new LineTrouble(`plant ${onPlant} does not stand with the mother`);
  return {
    number: cells.flower,
    state: cells.state,
    plantId,
    coveredOn: covered,
    gatheredOn: cells.gathered,
    pollinatedOn: pollinated,
    pollinatedAt: cells.at,
    passes: cells.passes ?? (pollinated ? 1 : 0),
    lastPass: cells.lastPass ?? pollinated,
    males: cells.males,
    bud: cells.bud,
    uncoveredOn: cells.uncovered,
    checkedOn: cells.checked,
    fault: cells.fault,
    lostWhy: cells.lostWhy,
    note: cells.flowerNote,
  };
}
