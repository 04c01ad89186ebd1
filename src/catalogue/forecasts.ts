import Joi from "joi";
import { daysBetween } from "@/core/calendar/day";
import { type Climate, hoursOfYear } from "@/core/climate/climate";
import { frostsOf } from "@/core/climate/frost";
import { isDayOfYear } from "@/core/climate/season";
import { dailyNormals, type Temperature } from "@/core/climate/temperature";
import { type Computation, day } from "@/core/computations";
import { type Fate, flowersAtAll, type Overwintering } from "@/core/flowering/facts";
import { flowering } from "@/core/flowering/forecast";
import { indoorsInWords, ripensBeforeFrost } from "@/core/flowering/ripening";
import { SPECIES, sceneSpecies, speciesById } from "./catalogue";

/** What ripens less often than this has no day on which it does. */
const NEVER = 0.005;

type Days = { early: string; likely: string; late: string };

export type ForecastInput = {
  species: string;
  sown: string;
  plantedOut?: string | null;
  overwinter?: Overwintering | null;
  latitude: number;
  longitude: number;
  normals: Temperature[];
  lastFrost?: string | null;
  firstFrost?: string | null;
};

export type Forecast = { fate: Fate; flower: Days | null; ripe: Days | null; ripensInTime: number; notes: string[] };

/**
 * When a species flowers and ripens at a place, or why it does not: what the screens call, for a place that is told.
 * @param input.normals mean lowest and highest temperature of each month, January first
 * @param input.lastFrost and input.firstFrost the grower's word, `MM-DD`; without both the normals tell
 */
function floweringForecast(input: ForecastInput): Forecast {
  const { species, sown, plantedOut, overwinter, latitude, longitude, normals, lastFrost, firstFrost } = input;
  const daily = dailyNormals({ min: normals.map(({ min }) => min), max: normals.map(({ max }) => max) });
  const climate: Climate = {
    latitude,
    daily,
    measured: new Map(),
    hours: hoursOfYear(latitude, longitude),
    frosts: frostsOf({ latitude, lastFrost, firstFrost }, daily, new Map()),
  };
  const crop = speciesById(species);
  const window = flowering({ sown, plantedOut, overwinter }, sceneSpecies(crop), climate);
  const { fate, female, ripe, ripeEarliest, ripeLatest } = window;
  if (!flowersAtAll(window)) return { fate, flower: null, ripe: null, ripensInTime: 0, notes: window.notes };
  const first = { early: window.earliest, likely: window.start, late: window.startLatest };
  const ripening = ripensBeforeFrost(window, climate);
  const { chance } = ripening;
  const later = female.start === window.start ? null : `Its female flowers open from ${female.start}.`;
  const indoors = indoorsInWords(ripening, crop.ripensIndoors);
  return {
    fate,
    flower: first,
    ripe: chance < NEVER ? null : { early: ripeEarliest, likely: ripe, late: ripeLatest },
    ripensInTime: chance,
    notes: [...window.notes, later, indoors].filter((note) => note !== null),
  };
}

const dayOfYear = Joi.string().custom((text: string, helpers) =>
  isDayOfYear(text) ? text : helpers.error("any.invalid"),
);

export const FLOWERING_FORECAST: Computation = {
  name: "flowering-forecast",
  what: "When a species flowers and ripens at a place, or why it does not, by warmth, cold, light and frost.",
  source: "docs/models.md, with the catalogue's figures",
  schema: Joi.object<ForecastInput>({
    species: Joi.string()
      .valid(...SPECIES.map(({ id }) => id))
      .required(),
    sown: day.required(),
    plantedOut: day.allow(null),
    overwinter: Joi.string().valid("lifted", "left", "late-sown").allow(null),
    latitude: Joi.number().min(-90).max(90).required(),
    longitude: Joi.number().min(-180).max(180).required(),
    normals: Joi.array()
      .length(12)
      .items(
        Joi.object({
          min: Joi.number().min(-70).max(50).required(),
          max: Joi.number().min(Joi.ref("min")).max(60).required(),
        }),
      )
      .required(),
    lastFrost: dayOfYear.allow(null),
    firstFrost: dayOfYear.allow(null),
  })
    .custom((value: ForecastInput, helpers) =>
      value.plantedOut && daysBetween(value.sown, value.plantedOut) < 0 ? helpers.error("any.order") : value,
    )
    .messages({ "any.order": "{{#label}} must not be planted out before it is sown" }),
  run: floweringForecast,
};
