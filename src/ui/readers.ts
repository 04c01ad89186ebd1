import { dayInWords } from "@/core/calendar/day";
import { isUnit, readAmount } from "@/core/writing/amounts";
import { dayOfYearTyped, dayTyped, readDay, readDayOfYear } from "@/core/writing/days";
import { figure, numberTyped } from "@/core/writing/numbers";
import {
  bearingInWords,
  bearingTyped,
  coordinateInWords,
  coordinateTyped,
  readBearing,
  readCoordinate,
} from "@/core/writing/places";
import type { Read } from "@/core/writing/read";
import { dayNow } from "./press";

/** How a kind of field reads what is typed, shows what is kept so that it reads as itself again, and says it back. */
export type Reader = {
  read: (text: string) => Read<number | string>;
  typed: (value: number | string) => string;
  said: (value: number | string) => string;
};

export type Kind = "number" | "date" | "day-of-year" | "latitude" | "longitude" | "bearing";

const coordinate = (axis: "latitude" | "longitude"): Reader => ({
  read: (text) => readCoordinate(text, axis),
  typed: (value) => coordinateTyped(Number(value)),
  said: (value) => coordinateInWords(Number(value), axis),
});

const READERS: Record<Exclude<Kind, "number">, Reader> = {
  date: {
    read: (text) => readDay(text, dayNow()),
    typed: (value) => dayTyped(String(value)),
    said: (value) => dayInWords(String(value), "long"),
  },
  "day-of-year": {
    read: (text) => readDayOfYear(text),
    typed: (value) => dayOfYearTyped(String(value)),
    said: (value) => dayOfYearTyped(String(value)),
  },
  latitude: coordinate("latitude"),
  longitude: coordinate("longitude"),
  bearing: {
    read: (text) => readBearing(text),
    typed: (value) => bearingTyped(Number(value)),
    said: (value) => bearingInWords(Number(value)),
  },
};

/** @param unit as it stands beside the label; its first word is the unit a bare number is in */
export function readerOf(kind: Kind, unit?: string): Reader {
  if (kind !== "number") return READERS[kind];
  const first = unit?.split(/[ ,]/)[0] ?? "";
  const own = isUnit(first) ? first : null;
  return {
    read: (text) => readAmount(text, own),
    typed: (value) => numberTyped(Number(value)),
    said: (value) => [figure(Number(value), 6), own].filter(Boolean).join(" "),
  };
}
