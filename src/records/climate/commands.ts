import Joi from "joi";
import { type Day, dayInWords, dayNumber, dayOf, isDay } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import { figure } from "@/core/writing/numbers";
import { refuse } from "@/db/ops";
import { command } from "../command";
import { dayInCell, readCsv } from "../csvFile";
import { normal } from "../normal/normal";
import { reading } from "../reading/reading";
import { type Field, given, seen } from "../record";
import { monthsKept, type Reading, readingsKept } from "./queries";

const MONTHS = Array.from({ length: 12 }, (_, i) => i + 1);
type MonthKey = `${"min" | "max"}${number}`;

const monthFields = Object.fromEntries(
  MONTHS.flatMap((month) => [
    [`min${month}`, normal.columns.min.as(`Month ${month}, lowest`)],
    [`max${month}`, normal.columns.max.as(`Month ${month}, highest`)],
  ]),
) as Record<MonthKey, Field<number>>;

const setNormals = command(
  "climate.normals",
  /** The newest version of the twelve that was seen; none where none was kept. */
  { version: seen().optional(), ...monthFields },
  ({ db, write }, { version, ...input }) => {
    const typed = input as unknown as Record<MonthKey, number>;
    const kept = monthsKept(db);
    for (const month of MONTHS) {
      const row = { min: typed[`min${month}`]!, max: typed[`max${month}`]! };
      if (row.min > row.max) refuse(`max${month}`, `The mean highest can't be below the mean lowest, ${row.min} °C.`);
      const id = String(month).padStart(2, "0");
      if (kept.has(id)) write.update(normal, id, row, version);
      else write.insert(normal, { id, ...row });
    }
    return { message: "Monthly normals kept" };
  },
);

const MOST_READINGS = 12_000;

/** A number as a station writes it, comma or point. */
const number = (text: string | undefined) => (text?.trim() ? Number(text.trim().replace(",", ".")) : Number.NaN);

function readingsOf(text: string, today: Day): Reading[] {
  const { heads, lines: rows } = readCsv(text, MOST_READINGS);
  if (["date", "min", "max"].some((name) => !heads.includes(name)))
    refuse(
      "text",
      `The first line must name the columns date, min and max; it names ${heads.slice(0, 8).join(", ") || "nothing"}.`,
    );
  if (rows.length === 0) refuse("text", "The file holds no readings.");
  if (rows.length > MOST_READINGS)
    refuse("text", `At most ${figure(MOST_READINGS)} days at once; this file holds more. Split it by years.`);
  const lines = new Map<Day, number>();
  return rows.map(({ line, cells: { date, min, max } }) => {
    const day = dayInCell(date ?? "", today);
    if (!isDay(day)) refuse("text", `Line ${line}: “${day}” is not a day written 2027-07-09. Nothing was taken in.`);
    const [low, high] = [number(min), number(max)];
    for (const [name, value] of [
      ["min", low],
      ["max", high],
    ] as const)
      if (!(value >= -60 && value <= 50))
        refuse("text", `Line ${line}: ${name} must be a temperature in °C, −60 to 50. Nothing was taken in.`);
    if (low > high) refuse("text", `Line ${line}: min ${low} lies above max ${high}. Nothing was taken in.`);
    const before = lines.get(day);
    if (before) refuse("text", `Line ${line}: ${day} stands on line ${before} already. Nothing was taken in.`);
    lines.set(day, line);
    return { id: day, min: low, max: high };
  });
}

/** Days missing between the first and the last reading, as stretches. */
function gapsIn(days: Day[]): { from: number; days: number }[] {
  const sorted = days.map(dayNumber).sort((a, b) => a - b);
  return sorted.flatMap((id, i) => {
    const days = i === 0 ? 0 : id - sorted[i - 1]! - 1;
    return days > 0 ? [{ from: sorted[i - 1]! + 1, days }] : [];
  });
}

function gapWarning(read: Day[]): string[] {
  const gaps = gapsIn(read);
  if (gaps.length === 0) return [];
  const longest = gaps.reduce((a, b) => (b.days > a.days ? b : a));
  const missing = gaps.reduce((sum, gap) => sum + gap.days, 0);
  return [
    `${missing} days are missing in ${plural(gaps.length, "gap")}, the longest ${longest.days} days from ${dayInWords(dayOf(longest.from), "long")}. The monthly normals stand in for them.`,
  ];
}

/** Takes in a CSV file of daily readings, all or nothing; a day that is there already takes the file's figures. */
const importReadings = command(
  "climate.import",
  {
    text: given<string>("File", Joi.string().max(1_000_000)).saying({
      "string.max": "The file is larger than a megabyte. Split it by years.",
    }),
  },
  ({ db, write, today }, { text }) => {
    const read = readingsOf(text, today);
    const kept = new Set(readingsKept(db).map(({ id }) => id));
    for (const { id, min, max } of read) {
      if (kept.has(id)) write.update(reading, id, { min, max });
      else write.insert(reading, { id, min, max });
    }
    const replaced = read.filter(({ id }) => kept.has(id)).length;
    return {
      message: `${read.length} days of readings taken in${replaced ? `, ${replaced} of them over earlier ones` : ""}`,
      warnings: gapWarning(read.map((r) => r.id)),
    };
  },
  ["reading"],
);

export const climateCommands = [setNormals, importReadings] as const;
