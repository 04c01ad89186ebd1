import { dayOf } from "../calendar/day";
import type { Frosts } from "./frost";
import { sunOn } from "./sun";
import { placeInYear, type Temperature } from "./temperature";

/**
 * What the reckoning of flowering and frost knows of a place, as plain data that can go to a worker.
 * `daily` holds 366 normal days, empty where no normals are known; `measured` holds readings and forecasts by day number.
 */
export type Climate = {
  latitude: number;
  daily: Temperature[];
  measured: ReadonlyMap<number, Temperature>;
  /** Hours of day by place in the year. */
  hours: number[];
  frosts: Frosts | null;
};

/**
 * The temperature of a numbered day: measured if it was, otherwise the normal. Null where neither is known.
 * @example temperatureOn({ daily: [], measured: new Map([[5, { min: 1, max: 9 }]]) }, 5) // { min: 1, max: 9 }
 */
export function temperatureOn(climate: Climate, day: number): Temperature | null {
  return climate.measured.get(day) ?? climate.daily[placeInYear(day)] ?? null;
}

/** Hours from sunrise to sunset on a numbered day. @example hoursOn({ hours: [8, 9] }, 1) // 9 */
export const hoursOn = (climate: Climate, day: number): number => climate.hours[placeInYear(day)]!;

const kept = new Map<string, number[]>();

/**
 * Hours of day for each place in the year at a latitude; reckoned once for every place.
 * @example hoursOfYear(47.2, 8.5)[171] // 15.93
 */
export function hoursOfYear(latitude: number, longitude: number): number[] {
  const key = `${latitude} ${longitude}`;
  const known = kept.get(key);
  if (known) return known;
  // Day 20454 is 1 January 2026; another year's hours differ by less than two minutes.
  const hours = Array.from({ length: 366 }, (_, place) => sunOn(latitude, longitude, dayOf(20_454 + place)).hours);
  kept.set(key, hours);
  return hours;
}
