import Joi from "joi";
import { DEGREES } from "@/core/isolation/crossing";
import { KERNELS } from "@/core/isolation/kernel";
import { ACTIONS, doingOf, PETALS, type Protocol } from "@/core/pollination/protocol";
import { WAY_IDS } from "@/core/seed/cleaning/ways";
import { HAZARDS } from "./hazards";
import { type Figure, FLOWER_TYPES, SOURCE_KINDS, type Species } from "./types";

const SOURCES = Object.keys(SOURCE_KINDS).join("|");
const WRITTEN = new RegExp(`^(-?[\\d.]+)(?: to (-?[\\d.]+))? (${SOURCES})$`);

/** A figure as the catalogue writes it: `40 to 60 guidance`, or `200 practice` where both ends are one. */
const figure = (least: number, most: number) =>
  Joi.string()
    .custom((text: string, helpers): Figure => {
      const [, low, high = low, source] = WRITTEN.exec(text) ?? [];
      const read = { low: Number(low), high: Number(high), source: source as Figure["source"] };
      const fits = source && read.low >= least && read.low <= read.high && read.high <= most;
      return fits ? read : (helpers.error("any.invalid") as never);
    })
    .messages({
      "any.invalid": `{{#label}} must be written as "40 to 60 guidance", the lower end first, within ${least} and ${most}`,
    })
    .required();

const share = figure(0, 1);
const positive = figure(0.0001, 1e6);
const text = Joi.string().min(3).required();
const degree = Joi.string()
  .valid(...Object.keys(DEGREES))
  .required();

/** What every species of the catalogue must state. */
export const speciesSchema = Joi.object<Species>({
  id: Joi.string()
    .pattern(/^[a-z-]+$/)
    .required(),
  name: text,
  binomial: Joi.string()
    .pattern(/^[A-Z][a-z]+( x)? [a-z]+$/)
    .required(),
  family: text,
  crossingGroup: text,
  crossesWith: text,
  crosses: Joi.array()
    .items(Joi.object({ with: text, degree, other: degree.optional() }))
    .required(),
  wild: Joi.array()
    .items(Joi.object({ name: text, degree, note: text }))
    .required(),
  tellApart: text.allow(null),
  lifeCycle: Joi.string().valid("annual", "biennial", "perennial grown as annual").required(),
  breeding: Joi.string().valid("selfing", "mixed", "outcrossing").required(),
  outcrossing: share,
  ploidy: Joi.number().valid(2, 4, 6, 8).default(2),
  flowerType: Joi.string()
    .valid(...FLOWER_TYPES)
    .required(),
  vector: Joi.string()
    .valid(...Object.keys(KERNELS))
    .required(),
  isolation: Joi.object({ relaxed: positive, usual: positive, strict: positive }).required(),
  plants: Joi.object({ "keep going": positive, "keep well": positive, "rare variety": positive }).required(),
  plantSpacing: positive,
  raise: Joi.object({
    how: Joi.string().valid("tray", "ground").required(),
    up: positive,
    prickOut: positive.allow(null),
    plantOut: positive.allow(null).when("how", { not: "tray", otherwise: Joi.invalid(null) }),
    emergence: share,
  }).required(),
  stake: Joi.boolean().default(false),
  rotation: positive,
  daysToFlower: positive,
  flowerDays: positive,
  femaleLag: figure(-30, 30),
  daysToRipe: positive,
  heat: Joi.object({
    base: Joi.number().min(0).max(20).required(),
    ceiling: Joi.number().greater(Joi.ref("base")).max(45).required(),
    degreeDays: positive,
    ripens: Joi.object({
      from: Joi.number().min(0).max(15).required(),
      known: Joi.number().greater(Joi.ref("from")).max(25).required(),
    })
      .allow(null)
      .default(null),
  }).required(),
  light: Joi.object({
    kind: Joi.string().valid("any", "long", "short").required(),
    hours: figure(8, 20).when("kind", { not: "any", otherwise: Joi.valid(null) }),
  }).required(),
  cold: Joi.object({
    below: Joi.number().min(0).max(15).required(),
    none: Joi.number().greater(Joi.ref("below")).max(20).required(),
    days: positive,
  })
    .allow(null)
    .required(),
  hardyTo: figure(-40, 5)
    .allow(null)
    .when("lifeCycle", { not: "biennial", otherwise: Joi.invalid(null) }),
  inGround: Joi.boolean().default(false),
  tender: Joi.boolean().required(),
  // What kills it lies below what it grows at.
  kills: figure(-40, 20)
    .allow(null)
    .when("cold", { not: null, otherwise: Joi.invalid(null) })
    .custom((kills: Figure | null, helpers) => {
      const { heat } = helpers.state.ancestors[0] as Species;
      return kills && kills.high >= heat.base ? helpers.error("kills.warm") : kills;
    })
    .messages({ "kills.warm": "{{#label}} must lie below the base temperature that it grows at" }),
  ripensIndoors: positive.optional().allow(null).default(null),
  seedsPerGram: positive,
  seedsPerFruit: positive.allow(null),
  seedsPerPlant: figure(0, 1_000_000),
  handSet: share,
  shelfYears: positive,
  ripeSign: text,
  names: Joi.array().items(text.optional()).unique().required(),
  petals: Joi.string()
    .valid(...PETALS)
    .required(),
  maleSterile: Joi.boolean().default(false),
  multiplied: Joi.boolean().default(false),
  seedShows: Joi.boolean().default(false),
  xenia: text.optional().allow(null).default(null),
  kinds: text.optional().allow(null).default(null),
  diseases: Joi.array()
    .items(Joi.object({ name: text, look: text }))
    .required(),
  said: Joi.array()
    .items(Joi.object({ said: text, so: text }))
    .min(1)
    .required(),
  seed: Joi.object({
    oil: share,
    warmth: figure(0, 40),
    counts: positive,
    wake: text.allow(null),
    ways: Joi.array()
      .items(Joi.string().valid(...WAY_IDS))
      .min(1)
      .unique()
      .required(),
    goodSeed: Joi.string().valid("sinks", "floats", "either").required(),
    chaff: Joi.string().valid("winnow", "sieve").required(),
    afterRipening: figure(0, 200).allow(null),
    viability: Joi.object({
      KE: Joi.number().required(),
      CW: Joi.number().required(),
      CH: Joi.number().required(),
      CQ: Joi.number().required(),
    })
      .allow(null)
      .required(),
  }).required(),
  extraction: Joi.string().valid("dry", "wet, rinse", "wet, ferment").required(),
  hazards: Joi.array()
    .items(Joi.string().valid(...Object.keys(HAZARDS)))
    .required(),
  /** Ways of pollinating by hand, the usual one first; ids of protocols. */
  methods: Joi.array().items(Joi.string()).min(1).unique().required(),
  ownPollen: Joi.string().valid("taken", "refused").required(),
  pollenLife: Joi.object({ room: positive, fridge: positive, freezer: positive }).required(),
  cutBack: positive.allow(null),
});

const hours = figure(-12, 12);
const days = figure(0, 60);

/** What every protocol of the catalogue must state. */
export const protocolSchema = Joi.object<Protocol>({
  id: Joi.string()
    .pattern(/^[a-z-]+$/)
    .required(),
  name: text,
  flowerType: text,
  unit: Joi.string().valid("flower", "ear", "head", "plant", "group").required(),
  serves: Joi.array().items(Joi.string().valid("cross", "self")).min(1).required(),
  why: text,
  steps: Joi.array()
    .items(
      Joi.object({
        action: Joi.string()
          .valid(...ACTIONS)
          .required(),
        anchor: Joi.string().valid("dusk", "sunrise", "noon", "day").required(),
        hours,
        after: days,
        again: Joi.object({ times: Joi.number().integer().min(2).max(30).required(), every: days })
          .allow(null)
          .default(null),
        title: text,
        look: text,
        tooLate: text,
        tools: text,
        record: text,
        hazards: Joi.array()
          .items(Joi.string().valid(...Object.keys(HAZARDS)))
          .default([]),
        stages: Joi.object({ early: text, right: text, late: text }).allow(null).default(null),
        drawing: Joi.string().allow(null).default(null),
        father: Joi.object({ title: text, look: text, each: Joi.number().greater(0).max(20).required(), unit: text })
          .allow(null)
          .default(null),
      }),
    )
    .min(3)
    .required()
    .custom((steps: Protocol["steps"], helpers) => {
      const order = steps.map((step) => ACTIONS.indexOf(step.action));
      const rising = order.every((at, i) => i === 0 || at > order[i - 1]!);
      const whole = order[0] === 0 && steps.some((s) => doingOf(s).pollinates) && doingOf(steps.at(-1)!).ripens;
      return rising && whole ? steps : helpers.error("any.invalid");
    })
    .messages({ "any.invalid": "{{#label}} must go from cover over pollinate to harvest, in the order of actions" }),
});
