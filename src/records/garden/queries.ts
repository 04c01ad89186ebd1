import type { Day } from "@/core/calendar/day";
import { dayAt } from "@/core/climate/sun";
import type { Plot } from "@/core/ground/shape";
import type { Units } from "@/core/units/units";
import type { Db } from "@/db/open";

export type Garden = {
  id: number;
  name: string;
  latitude: number;
  longitude: number;
  timezone: string;
  lastFrost: string | null;
  firstFrost: string | null;
  units: Units;
  care: "relaxed" | "usual" | "strict";
  asOf: Day | null;
  demo: 0 | 1;
  /** The bearing the wind mostly blows from, degrees; null where not known. */
  windFrom: number | null;
  station: "none" | "simulated";
  /** The chance of ripening before frost that a proposed sowing must have. */
  ripeWanted: number;
  version: number;
};

export type Bed = Plot & { id: number; name: string; outside: 0 | 1; version: number };

/** What a garden is before the grower has said: version 0 stands for one not yet kept. */
const NEW_GARDEN: Garden = {
  id: 1,
  name: "",
  latitude: 0,
  longitude: 0,
  timezone: "UTC",
  lastFrost: null,
  firstFrost: null,
  units: "metric",
  care: "usual",
  asOf: null,
  demo: 0,
  windFrom: null,
  station: "none",
  ripeWanted: 0.8,
  version: 0,
};

export function garden(db: Db): Garden {
  return (db.prepare("SELECT * FROM garden WHERE id = 1").get() as Garden | undefined) ?? NEW_GARDEN;
}

/** The one source of "today": the pinned day, or the calendar day at the garden now. */
export function asOfDay(place: Garden): Day {
  return place.asOf ?? dayAt(new Date(), place.timezone);
}

export function beds(db: Db): Bed[] {
  return db.prepare("SELECT * FROM bed ORDER BY outside, name").all() as Bed[];
}

export function bedById(db: Db, id: number): Bed | undefined {
  return db.prepare("SELECT * FROM bed WHERE id = ?").get(id) as Bed | undefined;
}
