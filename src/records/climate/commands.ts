import { type Day, dayInWords, dayNumber, dayOf } from "@/core/calendar/day";
import { plural } from "@/core/units/plural";
import { Refusal, refuse } from "@/db/ops";
import { command } from "../command";
import { DAY_ORDERS } from "../csvFile";
import { normal } from "../normal/normal";
import { reading } from "../reading/reading";
import { choice, type Field, seen, yesNo } from "../record";
import { fileText } from "../schema";
import { monthsKept, normals, readingsKept } from "./queries";
import { type ReadingsFile, readReadings, SCALES } from "./readingsFile";

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

/** What comes in, and how it was read. */
function summaryOf({ readings, order, unit }: ReadingsFile): string {
  const days = readings.map(({ id }) => id).sort();
  const from = dayInWords(days[0]!, "day");
  const stretch = days.length === 1 ? from : `${from} to ${dayInWords(days.at(-1)!, "day")}`;
  const how = [order && "month first", unit === "fahrenheit" && "from °F"].filter(Boolean);
  return `${plural(days.length, "day")}, ${stretch}${how.length > 0 ? ` (${how.join(", ")})` : ""}`;
}

/** Imports a CSV file of daily readings, all or nothing; a day that is there already takes the file's figures. */
const importReadings = command(
  "climate.import",
  {
    text: fileText("File", 1_000_000, "The file is larger than a megabyte. Split it by years."),
    order: choice("In days, first comes", DAY_ORDERS).optional(),
    unit: choice("Temperatures are in", SCALES).optional(),
    dryRun: yesNo("Only look"),
  },
  ({ db, write, today, garden }, { text, dryRun, ...told }) => {
    const place = { normals: normals(db), imperial: garden.units === "imperial" };
    const file = readReadings(text, today, place, told);
    const { readings } = file;
    const kept = new Set(readingsKept(db).map(({ id }) => id));
    const replaced = readings.filter(({ id }) => kept.has(id)).length;
    const over = replaced ? `, ${replaced} of them over earlier ones` : "";
    const warnings = gapWarning(readings.map((r) => r.id));
    const summary = `${summaryOf(file)}${over}`;
    if (dryRun)
      throw new Refusal(
        `To import: ${summary}.`,
        Object.fromEntries(warnings.map((words, i) => [`warning ${i + 1}`, words])),
        "dry-run",
      );
    for (const { id, min, max } of readings) {
      if (kept.has(id)) write.update(reading, id, { min, max });
      else write.insert(reading, { id, min, max });
    }
    return { message: `Readings imported: ${summary}`, warnings };
  },
  ["reading", "normal", "garden"],
);

export const climateCommands = [setNormals, importReadings] as const;
