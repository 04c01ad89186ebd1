import { type Day, dayNumber, isDay } from "../calendar/day";
import type { AirOn } from "./ageing";

/** A line of a logger's file that was left out, and why. */
export type LeftOut = { line: number; why: string };

export type AirLog = { days: (AirOn & { readings: number })[]; leftOut: LeftOut[] };

/** No air of a drawer changes faster than this between two readings half a day apart or less. Working values. */
const JUMP = { temperature: 12, humidity: 45, hours: 12 };
const WITHIN = { temperature: [-40, 60], humidity: [1, 100] } as const;

const WRITTEN =
  /^\s*(\d{4}-\d{2}-\d{2})(?:[T ](\d{2}):(\d{2})(?::\d{2})?)?\s*[,;\t]\s*([^,;\t]*)[,;\t]\s*([^,;\t]*)\s*$/;

const number = (text: string): number => (/^[+-]?\d+(\.\d+)?$/.test(text.trim()) ? Number(text) : Number.NaN);

type Reading = { day: Day; hours: number; temperature: number; humidity: number };

/** @returns the reading, or what is wrong with the line */
function readingOf(line: string): Reading | string {
  const [, day, hour = "00", minute = "00", warm, wet] = WRITTEN.exec(line) ?? [];
  if (!day) return "is not a day, a temperature and a humidity";
  if (!isDay(day) || Number(hour) > 23 || Number(minute) > 59) return `names no day and hour that exist`;
  const [temperature, humidity] = [number(warm!), number(wet!)];
  if (Number.isNaN(temperature) || Number.isNaN(humidity)) return "holds no reading: the logger dropped out";
  const inside = (value: number, [low, high]: readonly [number, number]) => value >= low && value <= high;
  if (!inside(temperature, WITHIN.temperature) || !inside(humidity, WITHIN.humidity))
    return "lies outside what air can be";
  const hours = dayNumber(day) * 24 + Number(hour) + Number(minute) / 60;
  return { day, hours, temperature, humidity };
}

/**
 * Reads the file of a thermo-hygrometer: a line a reading, `2027-07-09T06:00,14.2,38`, with or without a heading; °C and %.
 * Lines that hold no reading, that no air can be, or that jump from the ones beside them are left out and named.
 * @returns the mean air of each day, humidity 0–1
 * @example readAirLog("time,temperature,humidity\n2027-07-09T06:00,14,40\n2027-07-09T18:00,18,44").days
 *   // [{ on: "2027-07-09", temperature: 16, humidity: 0.42, readings: 2 }]
 */
export function readAirLog(text: string): AirLog {
  const leftOut: LeftOut[] = [];
  const days = new Map<Day, Reading[]>();
  let before: Reading | null = null;
  let doubted: { line: number; reading: Reading } | null = null;
  for (const [i, line] of text.split(/\r?\n/).entries()) {
    if (line.trim() === "" || (i === 0 && /temp/i.test(line))) continue;
    const reading = readingOf(line);
    if (typeof reading === "string") {
      leftOut.push({ line: i + 1, why: reading });
      continue;
    }
    // One reading that jumps is a fault; where the next one agrees with it, the air has changed.
    if (before && jumps(before, reading) && !(doubted && !jumps(doubted.reading, reading))) {
      if (doubted) leftOut.push({ line: doubted.line, why: JUMPED });
      doubted = { line: i + 1, reading };
      continue;
    }
    if (doubted && jumps(doubted.reading, reading)) leftOut.push({ line: doubted.line, why: JUMPED });
    else if (doubted) add(days, doubted.reading);
    doubted = null;
    add(days, reading);
    before = reading;
  }
  if (doubted) leftOut.push({ line: doubted.line, why: JUMPED });
  return {
    days: [...days].sort(([a], [b]) => a.localeCompare(b)).map(([on, readings]) => meanOf(on, readings)),
    leftOut,
  };
}

const JUMPED = "jumps from the readings beside it";

const jumps = (one: Reading, other: Reading): boolean =>
  Math.abs(one.hours - other.hours) <= JUMP.hours &&
  (Math.abs(one.temperature - other.temperature) > JUMP.temperature ||
    Math.abs(one.humidity - other.humidity) > JUMP.humidity);

function add(days: Map<Day, Reading[]>, reading: Reading): void {
  days.set(reading.day, [...(days.get(reading.day) ?? []), reading]);
}

function meanOf(on: Day, readings: Reading[]): AirLog["days"][number] {
  const mean = (of: (reading: Reading) => number) => readings.reduce((sum, r) => sum + of(r), 0) / readings.length;
  const round = (value: number, digits: number) => Number(value.toFixed(digits));
  return {
    on,
    temperature: round(
      mean((r) => r.temperature),
      2,
    ),
    humidity: round(mean((r) => r.humidity) / 100, 4),
    readings: readings.length,
  };
}
