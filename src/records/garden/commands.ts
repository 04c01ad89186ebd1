import Joi from "joi";
import { dayInWords } from "@/core/calendar/day";
import { isTimezone } from "@/core/climate/sun";
import type { Plot } from "@/core/ground/shape";
import { Refusal, type Row, refuse } from "@/db/journal";
import type { Db } from "@/db/open";
import { command } from "../command";
import { day, dayOfYear, id, metres, name, version } from "../fields";
import { bedById } from "./queries";

const frostDay = (label: string) => dayOfYear(label).allow(null).default(null);

type GardenInput = {
  name: string;
  latitude: number;
  longitude: number;
  timezone: string;
  lastFrost: string | null;
  firstFrost: string | null;
  units: string;
  care: string;
  demo: 0 | 1;
  windFrom?: number | null;
  station?: string;
  ripeWanted?: number;
  version?: number;
};

const setGarden = command<GardenInput>({
  name: "garden.set",
  schema: Joi.object<GardenInput>({
    name: name("Name").required(),
    latitude: Joi.number().min(-90).max(90).required().label("Latitude"),
    longitude: Joi.number().min(-180).max(180).required().label("Longitude"),
    timezone: Joi.string()
      .max(60)
      .custom((text: string, helpers) => (isTimezone(text) ? text : helpers.error("any.invalid")))
      .messages({ "any.invalid": "{{#label}} is not known. Write it as Europe/Zurich." })
      .required()
      .label("Time zone"),
    lastFrost: frostDay("Last frost"),
    firstFrost: frostDay("First frost"),
    units: Joi.string().valid("metric", "imperial").required().label("Units"),
    care: Joi.string().valid("relaxed", "usual", "strict").default("usual").label("Level of care"),
    demo: Joi.number().valid(0, 1).default(0),
    windFrom: Joi.number().min(0).less(360).allow(null).default(null).label("Wind mostly from"),
    station: Joi.string().valid("none", "simulated").default("none").label("Weather station"),
    ripeWanted: Joi.number().min(0.5).max(0.99).default(0.8).label("Chance of ripening"),
    version: Joi.number().integer().min(0),
  }),
  run({ write, garden }, { version: seen, demo, ...input }) {
    if ((input.lastFrost === null) !== (input.firstFrost === null))
      refuse(
        input.lastFrost === null ? "lastFrost" : "firstFrost",
        "Give both frost days, or neither where there is no frost.",
      );
    if (garden.version === 0) write.insert("garden", { id: 1, ...input, demo });
    else write.update("garden", 1, input, seen);
    return { message: `Garden ${input.name} kept`, id: 1 };
  },
});

type AsOfInput = { day: string | null };

const setAsOf = command<AsOfInput>({
  name: "garden.as-of",
  schema: Joi.object<AsOfInput>({ day: day("Day").allow(null).required() }),
  run({ write, garden }, input) {
    if (garden.version === 0) throw new Refusal("Say where the garden is first.");
    write.update("garden", 1, { asOf: input.day });
    return { message: input.day ? `The day stands on ${dayInWords(input.day, "long")}` : "The day is today again" };
  },
});

const bedFields = {
  name: name("Name").required(),
  x: metres("East").required(),
  y: metres("North").required(),
  width: Joi.number().min(0.1).max(10_000).required().label("Width"),
  length: Joi.number().min(0.1).max(10_000).required().label("Length"),
  turn: Joi.number().min(0).less(360).default(0).label("Turned"),
  outside: Joi.number().valid(0, 1).default(0).label("Beyond the fence"),
};
type BedInput = Plot & { name: string; outside: number };

function refuseTakenName(db: Db, bedName: string, except = 0): void {
  if (db.prepare("SELECT 1 FROM bed WHERE name = ? AND id <> ?").get(bedName, except))
    refuse("name", `There is a bed ${bedName} already.`);
}

const addBed = command<BedInput>({
  name: "bed.add",
  schema: Joi.object<BedInput>(bedFields),
  run({ db, write }, input) {
    refuseTakenName(db, input.name);
    const made = write.insert("bed", input);
    return { message: `Bed ${input.name} added`, id: made };
  },
});

type ChangeBed = BedInput & { id: number; version: number };

const changeBed = command<ChangeBed>({
  name: "bed.change",
  schema: Joi.object<ChangeBed>({ ...bedFields, id: id().required(), version: version().required() }),
  run({ db, write }, { id: bed, version: seen, ...input }) {
    refuseTakenName(db, input.name, bed);
    write.update("bed", bed, input, seen);
    return { message: `Bed ${input.name} changed`, id: bed };
  },
});

type MoveBed = { id: number } & Partial<Plot>;

const moveBed = command<MoveBed>({
  name: "bed.move",
  schema: Joi.object<MoveBed>({
    id: id().required(),
    x: bedFields.x.optional(),
    y: bedFields.y.optional(),
    width: bedFields.width.optional(),
    length: bedFields.length.optional(),
    turn: Joi.number().min(0).less(360).label("Turned"),
  }),
  run({ db, write }, { id: bed, ...place }) {
    write.update("bed", bed, place satisfies Row);
    return { message: `Bed ${bedById(db, bed)?.name} moved`, id: bed };
  },
});

type RemoveBed = { id: number };

const removeBed = command<RemoveBed>({
  name: "bed.remove",
  schema: Joi.object<RemoveBed>({ id: id().required() }),
  run({ db, write }, { id: bed }) {
    const stands = db.prepare("SELECT count(*) FROM stand WHERE bedId = ?").pluck().get(bed) as number;
    if (stands > 0) throw new Refusal(`${stands} stands grew in this bed; it stays for their sake.`);
    const found = bedById(db, bed);
    write.remove("bed", bed);
    return { message: `Bed ${found?.name} taken off the ground` };
  },
});

export const gardenCommands = [setGarden, setAsOf, addBed, changeBed, moveBed, removeBed];
