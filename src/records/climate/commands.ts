import { CsvError, parse } from "csv-parse/sync";
import Joi from "joi";
import { dayInWords, dayNumber, dayOf, isDay } from "@/core/calendar/day";
import { refuse } from "@/db/journal";
import type { Db } from "@/db/open";
import { command } from "../command";
import { normals } from "./queries";

const MONTHS = Array.from({ length: 12 }, (_, i) => i + 1);
const monthField = (name: string, words: string) =>
  Object.fromEntries(
    MONTHS.map((month) => [
      `${name}${month}`,
      Joi.number().min(-60).max(50).required().label(`Month ${month}, ${words}`),
    ]),
  );

/** Keys min1 … min12 and max1 … max12, January first. */
type SetNormals = Record<string, number>;

const setNormals = command<SetNormals>({
  name: "climate.normals",
  schema: Joi.object<SetNormals>({ ...monthField("min", "lowest"), ...monthField("max", "highest") }),
  run({ db, write }, input) {
    const known = normals(db);
    for (const month of MONTHS) {
      const row = { min: input[`min${month}`]!, max: input[`max${month}`]! };
      if (row.min > row.max) refuse(`max${month}`, `The mean highest can't be below the mean lowest, ${row.min} °C.`);
      if (known) write.update("normal", month, row);
      else write.insert("normal", { id: month, ...row });
    }
    return { message: "Monthly normals kept" };
  },
});

const MOST_READINGS = 12_000;

type Read = { id: number; min: number; max: number };

/** A number as a station writes it, comma or point. */
const number = (text: string | undefined) => (text?.trim() ? Number(text.trim().replace(",", ".")) : Number.NaN);

function rowsOf(text: string): string[][] {
  const first = text.slice(0, text.indexOf("\n") + 1 || undefined);
  const delimiter = first.includes(";") ? ";" : first.includes("\t") ? "\t" : ",";
  try {
    return parse(text, {
      delimiter,
      bom: true,
      skip_empty_lines: true,
      relax_column_count: true,
      to: MOST_READINGS + 2,
    });
  } catch (error) {
    if (error instanceof CsvError) return refuse("text", `The file can't be read as CSV: ${error.message}`);
    throw error;
  }
}

function readingsOf(text: string): Read[] {
  const [head, ...rows] = rowsOf(text);
  const names = (head ?? []).map((name) => name.trim().toLowerCase());
  const columns = ["date", "min", "max"].map((name) => names.indexOf(name)) as [number, number, number];
  if (columns.some((at) => at < 0))
    refuse(
      "text",
      `The first line must name the columns date, min and max; it names ${names.slice(0, 8).join(", ") || "nothing"}.`,
    );
  if (rows.length === 0) refuse("text", "The file holds no readings.");
  if (rows.length > MOST_READINGS)
    refuse(
      "text",
      `At most ${MOST_READINGS.toLocaleString("en-GB")} days at once; this file holds more. Split it by years.`,
    );
  const seen = new Map<number, number>();
  return rows.map((row, i) => {
    const line = i + 2;
    const [date, min, max] = columns.map((at) => row[at]) as [
      string | undefined,
      string | undefined,
      string | undefined,
    ];
    const day = date?.trim() ?? "";
    if (!isDay(day)) refuse("text", `Line ${line}: “${day}” is not a day written 2027-07-09. Nothing was taken in.`);
    const [low, high] = [number(min), number(max)];
    for (const [name, value] of [
      ["min", low],
      ["max", high],
    ] as const)
      if (!(value >= -60 && value <= 50))
        refuse("text", `Line ${line}: ${name} must be a temperature in °C, −60 to 50. Nothing was taken in.`);
    if (low > high) refuse("text", `Line ${line}: min ${low} lies above max ${high}. Nothing was taken in.`);
    const id = dayNumber(day);
    const before = seen.get(id);
    if (before) refuse("text", `Line ${line}: ${day} stands on line ${before} already. Nothing was taken in.`);
    seen.set(id, line);
    return { id, min: low, max: high };
  });
}

/** Days missing between the first and the last reading, as stretches. */
function gapsIn(ids: number[]): { from: number; days: number }[] {
  const sorted = [...ids].sort((a, b) => a - b);
  return sorted.flatMap((id, i) => {
    const days = i === 0 ? 0 : id - sorted[i - 1]! - 1;
    return days > 0 ? [{ from: sorted[i - 1]! + 1, days }] : [];
  });
}

function gapWarning(ids: number[]): string[] {
  const gaps = gapsIn(ids);
  if (gaps.length === 0) return [];
  const longest = gaps.reduce((a, b) => (b.days > a.days ? b : a));
  const missing = gaps.reduce((sum, gap) => sum + gap.days, 0);
  return [
    `${missing} days are missing in ${gaps.length} ${gaps.length === 1 ? "gap" : "gaps"}, the longest ${longest.days} days from ${dayInWords(dayOf(longest.from), "long")}. The monthly normals stand in for them.`,
  ];
}

type ImportReadings = { text: string };

const existing = (db: Db) =>
  new Map((db.prepare("SELECT id, min, max FROM reading").all() as Read[]).map((r) => [r.id, r] as const));

/** Takes in a CSV file of daily readings, all or nothing; a day that is there already takes the file's figures. */
const importReadings = command<ImportReadings>({
  name: "climate.import",
  schema: Joi.object<ImportReadings>({
    text: Joi.string().max(1_000_000).required().label("File").messages({
      "string.max": "The file is larger than a megabyte. Split it by years.",
    }),
  }),
  run({ db, write }, { text }) {
    const readings = readingsOf(text);
    const known = existing(db);
    let fresh = 0;
    for (const { id, min, max } of readings) {
      if (known.has(id)) write.update("reading", id, { min, max });
      else {
        write.insert("reading", { id, min, max });
        fresh++;
      }
    }
    const replaced = readings.length - fresh;
    return {
      message: `${readings.length} days of readings taken in${replaced ? `, ${replaced} of them over earlier ones` : ""}`,
      warnings: gapWarning(readings.map((r) => r.id)),
    };
  },
});

export const climateCommands = [setNormals, importReadings];
