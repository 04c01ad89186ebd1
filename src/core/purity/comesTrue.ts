import Joi from "joi";
import { sampleCorrelation } from "simple-statistics";
import { type Computation, share } from "../computations";
import { heterozygosity } from "../inheritance/heterozygosity";
import { backgroundShare } from "../isolation/background";
import { EVEN } from "./evenness";
import { alikeOf } from "./sameInSeasons";
import { type Trueness, trueness } from "./trueness";
import type { JudgedAs, TrueInput, TrueTest } from "./trueTests";

type Plants = Record<string, number>[];
export type ComesTrueInput = {
  approach: "keep-pure" | "cross-and-fix" | "mix" | "clone";
  breeding: { selfing: number; generation?: number; parents: number };
  limit: number;
  confidence: number;
  background: number;
  lookedAround: boolean;
  traits: { id: string; limit?: number }[];
  seasons: {
    season: number;
    lookedAt: number;
    offTypes: number;
    undecided: number;
    plants: Plants;
    checks: { line: string; plants: Plants }[];
  }[];
};

/** What selfs at least so much is judged as what selfs. */
const SELFS = 0.5;
/** Plants that should give the seed of what crosses among itself, where no species says. Working value. */
const PARENTS_WANTED = 12;

const judgedAs = ({ approach, breeding }: ComesTrueInput): JudgedAs =>
  approach === "mix" || approach === "clone"
    ? approach
    : approach === "cross-and-fix" || breeding.selfing >= SELFS
      ? "selfed"
      : "crossed";

const valuesOf = (plants: Plants, id: string): number[] => plants.flatMap((plant) => plant[id] ?? []);

/** How much the traits of a line's plants go together, within seasons. */
function alike({ traits, seasons }: ComesTrueInput): number {
  const apart = seasons.flatMap(({ plants }) => {
    const means = traits.map(({ id }) => {
      const values = valuesOf(plants, id);
      return values.reduce((a, b) => a + b, 0) / Math.max(1, values.length);
    });
    return plants
      .filter((plant) => traits.every(({ id }) => plant[id] !== undefined))
      .map((plant) => traits.map(({ id }, i) => plant[id]! - means[i]!));
  });
  const varies = (i: number) => new Set(apart.map((row) => row[i])).size > 1;
  const correlation = (i: number, j: number) =>
    i === j
      ? 1
      : apart.length > 3 && varies(i) && varies(j)
        ? sampleCorrelation(
            apart.map((row) => row[i]!),
            apart.map((row) => row[j]!),
          )
        : 0;
  return alikeOf(traits.map((_, i) => traits.map((__, j) => correlation(i, j))));
}

function inputOf(input: ComesTrueInput): TrueInput {
  const { breeding, limit, confidence, background, lookedAround, traits } = input;
  const seasons = [...input.seasons].sort((a, b) => a.season - b.season);
  const as = judgedAs(input);
  const generation = input.approach === "cross-and-fix" ? breeding.generation : undefined;
  const mixed =
    generation === undefined
      ? null
      : heterozygosity({ generations: generation - 1, selfingRate: breeding.selfing, initial: 1 }).heterozygosity;
  const last = seasons.at(-1)?.season ?? 0;
  return {
    as,
    standard: limit,
    error: 1 - confidence,
    looked: seasons.some(({ lookedAt }) => lookedAt > 0),
    underWay: null,
    counts: seasons.map(({ season, lookedAt, offTypes, undecided }) => ({
      season,
      plants: Math.max(0, lookedAt - undecided),
      offTypes,
      undecided,
    })),
    words: [],
    measured: traits.map(({ id, limit: even = EVEN }) => ({
      name: id,
      unit: "",
      step: 0,
      wanted: null,
      limit: even,
      grown: seasons.map(({ season, plants, checks }) => ({
        season,
        own: valuesOf(plants, id),
        beside: Object.fromEntries(
          checks
            .map(({ line, plants: known }) => [line, valuesOf(known, id)])
            .filter(([, values]) => values!.length > 0),
        ),
      })),
      sowings: null,
    })),
    alike: alike(input),
    mixed: mixed === null ? null : { low: mixed, likely: mixed, high: mixed },
    ploidy: 2,
    parents: breeding.parents > 0 ? [{ season: last, plants: breeding.parents }] : [],
    parentsWanted: PARENTS_WANTED,
    seed: [
      {
        code: "",
        made: "open",
        doubt: null,
        strangers: backgroundShare(background, 1 - breeding.selfing, lookedAround),
        counted: null,
      },
    ],
  };
}

const IDS = {
  "off-types": "off-types",
  word: "alike",
  even: "even",
  seasons: "seasons",
  sowings: "alike",
  fixed: "generations",
  parents: "parents",
  variety: "parents",
  seed: "isolated",
} as const;

/** A test's one figure with its range, where it has one. */
function figureOf(test: TrueTest): { figure?: number; low?: number; high?: number } {
  switch (test.key) {
    case "off-types":
    case "word": {
      const { plants, offTypes, upper } = test.test;
      return plants > 0 ? { figure: offTypes / plants, low: 0, high: upper } : {};
    }
    case "even": {
      const widest = test.items.flatMap(({ ratio }) => ratio ?? []).sort((a, b) => b.high - a.high)[0];
      return widest ? { figure: widest.likely, low: widest.low, high: widest.high } : {};
    }
    case "seasons": {
      const { apart } = test.same;
      return apart ? { figure: apart.likely, low: apart.low, high: apart.high } : {};
    }
    case "fixed":
      return { figure: test.mixed.likely, low: test.mixed.low, high: test.mixed.high };
    case "parents":
      return test.seasons[0] ? { figure: test.seasons[0].plants } : {};
    case "variety":
      return { figure: test.lost };
    case "seed": {
      const strangers = test.lots[0]?.strangers;
      return strangers ? { figure: strangers.likely, low: strangers.low, high: strangers.high } : {};
    }
    default:
      return {};
  }
}

type Told = {
  standing: "true" | "not-yet" | "open";
  tests: { id: string; standing: string; figure?: number; low?: number; high?: number }[];
  chanceNext: number;
  best: { step: string; plants?: number; chanceThen: number }[];
};

const STANDINGS: Record<Trueness["says"], Told["standing"]> = {
  true: "true",
  no: "not-yet",
  open: "open",
  unknown: "open",
};

/** A line's verdict without a database; the same that a line's page shows. */
function comesTrue(input: ComesTrueInput): Told {
  const { says, tests, next } = trueness(inputOf(input));
  return {
    standing: STANDINGS[says],
    tests: tests.map((test) => ({ id: IDS[test.key], standing: test.standing, ...figureOf(test) })),
    chanceNext: next ? next.chance : says === "true" ? 1 : 0,
    best: (next?.best ?? []).map(({ step, plants, chance }) => ({
      // More parents are a matter of another season's seed.
      step: step === "parents" ? "season" : step,
      ...(plants === null ? {} : { plants }),
      chanceThen: chance,
    })),
  };
}

const count = Joi.number().integer().min(0).max(1_000_000);
const plants = Joi.array()
  .items(Joi.object().pattern(Joi.string().max(100), Joi.number().min(-1e12).max(1e12)))
  .max(5000);

export const COMES_TRUE: Computation = {
  name: "comes-true",
  what: "Whether a line comes true, judged after each season: each test, the chance to pass next season with the plants of the last, and what raises it most for the least ground, each step on top of those before it.",
  source: "docs/models.md; group-sequential tests, all of which must hold (Berger 1982)",
  schema: Joi.object<ComesTrueInput>({
    approach: Joi.string().valid("keep-pure", "cross-and-fix", "mix", "clone").required(),
    breeding: Joi.object({
      selfing: share.required(),
      generation: Joi.number().integer().min(1).max(100),
      parents: count.required(),
    }).required(),
    limit: Joi.number().greater(0).less(1).required(),
    confidence: Joi.number().min(0.5).max(0.9999).default(0.95),
    background: share.required(),
    lookedAround: Joi.boolean().required(),
    traits: Joi.array()
      .items(Joi.object({ id: Joi.string().max(100).required(), limit: Joi.number().greater(1).max(100) }))
      .unique("id")
      .max(50)
      .required(),
    seasons: Joi.array()
      .items(
        Joi.object({
          season: Joi.number().integer().min(0).max(10_000).required(),
          lookedAt: count.required(),
          offTypes: count.max(Joi.ref("lookedAt")).required(),
          undecided: count.max(Joi.ref("lookedAt")).default(0),
          plants: plants.default([]),
          checks: Joi.array()
            .items(Joi.object({ line: Joi.string().max(100).required(), plants: plants.required() }))
            .unique("line")
            .max(50)
            .default([]),
        }).custom((value: ComesTrueInput["seasons"][number], helpers) =>
          value.offTypes + value.undecided <= value.lookedAt ? value : helpers.error("any.invalid"),
        ),
      )
      .unique("season")
      .max(60)
      .required(),
  }).messages({ "any.invalid": "{{#label}} must not hold more off-types and undecided than were looked at" }),
  long: true,
  run: comesTrue,
};
