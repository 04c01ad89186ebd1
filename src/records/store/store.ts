import { day, name, type Row, real, record, ref, text, whole } from "../record";

/** A place where seed lies: a drawer, a jar, a fridge; with the air around the seed there. */
export const store = record("store", {
  name: name("Name").draws({ hint: "The blue tin, the fridge door." }),
  temperature: real("Usually", { least: -40, most: 50 }).draws({ unit: "°C" }),
  humidity: real("Air around the seed", { least: 1, most: 100 }).draws({
    unit: "% humidity",
    hint: "A dry room 50; closed with fresh desiccant 15 to 30.",
  }),
  desiccantOn: day("Desiccant last changed").optional(),
  desiccantEvery: whole("Change it every", 7, 1500).optional().draws({ unit: "days" }),
  note: text("Note", 500),
  endedOn: day("Given up on").optional(),
});
export type Store = Row<typeof store>;

/** Since when a lot lies in a place. */
export const stay = record("stay", {
  lotId: ref("lot", "Lot"),
  storeId: ref("store", "Place"),
  since: day("Since"),
});
export type StayRow = Row<typeof stay>;

/** A day's air in a place, as measured. */
export const air = record(
  "air",
  {
    storeId: ref("store", "Place"),
    on: day("Day"),
    temperature: real("Temperature, °C", { least: -40, most: 60 }),
    humidity: real("Humidity, %", { least: 1, most: 100 }),
  },
  { same: ["storeId", "on"], together: ["temperature", "humidity"] },
);
export type AirRow = Row<typeof air>;
