import { type Day, dayInWords, dayNumber, isDay } from "@/core/calendar/day";
import { dailyNormals, type Normals, placeInYear } from "@/core/climate/temperature";
import { figure } from "@/core/writing/numbers";
import { plainly } from "@/core/writing/read";
import { refuse } from "@/db/ops";
import { dayInCell, type OrderTold, orderOf, readCsv } from "../csvFile";
import type { Reading } from "./queries";

const MOST_READINGS = 12_000;
const HEADS = {
  date: /^(?:date|datum|data)$/,
  min: /^t?[ _]?min(?:imum)?$/,
  max: /^t?[ _]?max(?:imum)?$/,
} as const;
type Column = keyof typeof HEADS;
/** A unit at the end of a head: “min (°C)”, “tmax °F”, “min_c”. */
const UNIT = /[ _]*\(?[°º]?(?<unit>[cf])\)?$/;

export const SCALES = ["celsius", "fahrenheit"] as const;
export type Scale = (typeof SCALES)[number];
/** What a person says of a file that does not say it itself. */
export type Told = OrderTold & { unit?: Scale | null };

export type ReadingsFile = { readings: Reading[]; order: "month-first" | null; unit: Scale };

/** A temperature as a station writes it, comma or point. */
const number = (text: string | undefined) => (text?.trim() ? Number(plainly(text).replace(",", ".")) : Number.NaN);

const celsius = (fahrenheit: number) => Math.round(((fahrenheit - 32) / 1.8) * 100) / 100;

/** Which of the file's heads stands for which column, and the scale that they name. */
function columnsOf(heads: string[]): { named: Record<Column, string>; unit: Scale | null } {
  const found: Partial<Record<Column, string>> = {};
  const units = new Set<string>();
  for (const head of heads) {
    const [plain, unit] = /min|max/.test(head) ? [head.replace(UNIT, ""), UNIT.exec(head)?.groups?.unit] : [head];
    for (const column of Object.keys(HEADS) as Column[])
      if (HEADS[column].test(plain)) {
        if (found[column] !== undefined) refuse("text", `Two columns are named ${column}. Leave one out.`);
        found[column] = head;
        if (unit) units.add(unit);
      }
  }
  if (Object.keys(found).length < 3)
    refuse(
      "text",
      `The first line must name the columns date, min and max; it names ${heads.slice(0, 8).join(", ") || "nothing"}.`,
    );
  if (units.size > 1) refuse("text", "One column is in °C and the other in °F. Write both in one.");
  return {
    named: found as Record<Column, string>,
    unit: units.size === 0 ? null : units.has("f") ? "fahrenheit" : "celsius",
  };
}

/** Readings lie this far from what is usual on the mean before they are asked about, °C. Working value. */
const STRANGE = 6;

/** Whether figures read as °C lie far off what is usual here, and as °F nearer. */
function likelyFahrenheit(rows: { day: Day; min: number; max: number }[], normals: Normals): boolean {
  const usual = dailyNormals(normals);
  const off = (as: (degrees: number) => number) =>
    rows.reduce((sum, { day, min, max }) => {
      const of = usual[placeInYear(dayNumber(day))]!;
      return sum + Math.abs(as(min) + as(max) - of.min - of.max) / 2;
    }, 0) / rows.length;
  const asIs = off((degrees) => degrees);
  return asIs > STRANGE && off(celsius) < asIs;
}

/**
 * Daily readings of a CSV file, in °C. Days in figures are read in one order throughout.
 * @throws Refusal that names the line, or what has to be said: the order of day and month, the scale
 */
export function readReadings(
  text: string,
  today: Day,
  { normals, imperial }: { normals: Normals | null; imperial: boolean },
  told: Told,
): ReadingsFile {
  const { heads, lines: rows } = readCsv(text, MOST_READINGS);
  const { named, unit: said } = columnsOf(heads);
  if (rows.length === 0) refuse("text", "The file holds no readings.");
  if (rows.length > MOST_READINGS)
    refuse("text", `At most ${figure(MOST_READINGS)} days at once; this file holds more. Split it by years.`);
  if (said && told.unit && said !== told.unit) refuse("unit", "The first line of the file names the other unit.");
  const order = orderOf(
    rows.map(({ cells }) => cells[named.date]!),
    told,
  );
  const lines = new Map<Day, number>();
  const read = rows.map(({ line, cells }) => {
    const day = dayInCell(cells[named.date]!, today, order);
    if (!isDay(day)) refuse("text", `Line ${line}: “${day}” is not a day written 2027-07-09. Nothing was saved.`);
    if (day > today) refuse("text", `Line ${line}: ${dayInWords(day, "day")} is still to come. Nothing was saved.`);
    const before = lines.get(day);
    if (before) refuse("text", `Line ${line}: ${day} stands on line ${before} already. Nothing was saved.`);
    lines.set(day, line);
    return { line, day, min: number(cells[named.min]), max: number(cells[named.max]) };
  });
  const known = said ?? told.unit ?? null;
  const hot = read.some(({ min, max }) => max > 50 && min > 0);
  if (!known && (imperial || hot || (normals && likelyFahrenheit(read, normals))))
    refuse("unit", "Say if these temperatures are in °C or °F.");
  const unit = known ?? "celsius";
  const readings = read.map(({ line, day, ...degrees }) => {
    const [min, max] = (["min", "max"] as const).map((name) => {
      const value = unit === "fahrenheit" ? celsius(degrees[name]) : degrees[name];
      if (!(value >= -60 && value <= 50))
        refuse("text", `Line ${line}: ${name} must be a temperature, −60 to 50 °C. Nothing was saved.`);
      return value;
    }) as [number, number];
    if (min > max) refuse("text", `Line ${line}: min ${degrees.min} lies above max ${degrees.max}. Nothing was saved.`);
    return { id: day, min, max };
  });
  return { readings, order: order === "month-first" ? order : null, unit };
}
