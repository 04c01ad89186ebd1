import { LOCALES } from "@/core/writing/locale";
import { choice, day, dayOfYear, flag, name, type Row, real, record, timeZone } from "../record";

/** The one garden of a database. */
export const gardenRecord = record(
  "garden",
  {
    name: name("Name"),
    latitude: real("Latitude", { least: -90, most: 90 }),
    longitude: real("Longitude", { least: -180, most: 180 }),
    timezone: timeZone("Time zone"),
    lastFrost: dayOfYear("Last frost").optional(),
    firstFrost: dayOfYear("First frost").optional(),
    units: choice("Units", ["metric", "imperial"]),
    /** How days and numbers are written, and in which order they are read. */
    locale: choice("Days and numbers", LOCALES).or("en-GB"),
    care: choice("Level of care", ["relaxed", "usual", "strict"]).or("usual"),
    /** The day on which a device begins that has none of its own; a demo garden's. */
    asOf: day("Day").optional(),
    demo: flag("Demo"),
    /** The bearing the wind mostly blows from, degrees; null where not known. */
    windFrom: real("Wind mostly from", { least: 0, below: 360 }).optional(),
    station: choice("Weather station", ["none", "simulated"]).or("none"),
    /** The share of seed that should come up; under it a lot is to be grown again. */
    aliveWanted: real("Seed that should come up", { least: 0.1, most: 0.95 }).or(0.6),
    /** The chance of ripening before frost that a proposed sowing must have. */
    ripeWanted: real("Chance of ripening", { least: 0.5, most: 0.99 }).or(0.8),
  },
  { together: ["lastFrost", "firstFrost"] },
);
export type Garden = Row<typeof gardenRecord>;
/** The garden's row has a name instead of an id of its own: there is one. */
export const GARDEN_ID = "garden";
