import Joi from "joi";
import { type Computation, NoAnswer } from "../computations";
import { seeded } from "../numbers/chance";
import { type Individual, sampledPedigree } from "../pedigree/pedigree";
import type { Bedded } from "./bedModel";
import { geneChances, handicaps } from "./genes";
import { heritabilityFrom } from "./heritability";
import type { Aim } from "./ranking";
import { rankedWorth, type Trait } from "./worth";

type Want = "more" | "less" | { low: number; high: number };
export type RankingInput = {
  pedigree: (Pick<Individual, "id" | "inbreeding" | "selfings"> & { mother?: string | null; father?: string | null })[];
  plants: {
    id: string;
    mother?: string | null;
    father?: string | null;
    row?: string;
    x?: number;
    y?: number;
    check?: boolean;
  }[];
  traits: { id: string; weight: number; want: Want; heritability?: number }[];
  genes: { id: string; want: "dominant" | "recessive"; weight: number }[];
  looks: { plant: string; trait: string; value: number; season?: number }[];
  kept: number;
};

/** A heritability that is told is good to so much either way; without one it is anything. Working values. */
const TOLD = 0.12;
const ANYTHING = { low: 0.1, high: 0.65 };
/** Draws, fewer where there is much. */
const DRAWS = 400;
const FEWEST = 100;
const PLANTS_OF_DRAWS = 120_000;
/** The advised are told apart from this chance on. */
const APART = 0.9;

const aimOf = ({ id, want, weight }: RankingInput["traits"][number]): Aim => ({
  id,
  wanted: want === "more" ? "high" : want === "less" ? "low" : "range",
  target: null,
  targetWord: null,
  weight,
  low: typeof want === "object" ? want.low : null,
  high: typeof want === "object" ? want.high : null,
  floor: null,
  ceiling: null,
  must: 0,
});

/** Plants by season: a plant that was looked at in several stands in several environments. */
function recordsOf({ plants, looks }: RankingInput, positions: Map<string, number>) {
  const seasons = new Map<number, number>();
  const records: Bedded[] = [];
  const at = new Map<string, number>();
  const known = new Map(plants.map((plant) => [plant.id, plant]));
  const recordOf = (id: string, season: number): number => {
    const key = `${season} ${id}`;
    const found = at.get(key);
    if (found !== undefined) return found;
    if (!seasons.has(season)) seasons.set(season, seasons.size);
    const { row, x, y } = known.get(id)!;
    records.push({
      individual: positions.get(id)!,
      environment: seasons.get(season)!,
      row: row ?? null,
      x: x ?? null,
      y: y ?? null,
    });
    at.set(key, records.length - 1);
    return records.length - 1;
  };
  const told = looks.map((look) => ({ ...look, record: recordOf(look.plant, look.season ?? 0) }));
  const seen = new Map(told.map(({ plant, record }) => [plant, record]));
  const newest = Math.max(0, ...looks.map(({ season }) => season ?? 0));
  const candidates = plants.filter(({ check }) => !check);
  return { records, told, candidates, of: candidates.map(({ id }) => seen.get(id) ?? recordOf(id, newest)) };
}

/** What can't be reckoned with. */
function refuse(input: RankingInput, records: ReturnType<typeof recordsOf>): Set<string> {
  if (records.candidates.length === 0) throw new NoAnswer("no-candidates", "every plant is a check");
  const candidates = new Set(records.of);
  const use = new Set<string>();
  let seen = 0;
  for (const { id } of input.traits) {
    const values = records.told.filter(({ trait, record }) => trait === id && candidates.has(record));
    seen = Math.max(seen, new Set(values.map(({ record }) => record)).size);
    if (new Set(values.map(({ record }) => record)).size > 1 && new Set(values.map(({ value }) => value)).size > 1)
      use.add(id);
  }
  if (use.size === 0)
    throw seen < 2
      ? new NoAnswer("too-few", "fewer than two plants were looked at on any trait")
      : new NoAnswer("all-alike", "all plants look alike on every trait");
  return use;
}

function* ranking(input: RankingInput) {
  const known = new Set([...input.pedigree, ...input.plants].map(({ id }) => id));
  for (const { plant } of input.looks)
    if (!input.plants.some(({ id }) => id === plant))
      throw new NoAnswer("unknown-plant", `no plant is called ${plant}`);
  for (const { id, mother, father } of input.plants)
    for (const parent of [mother, father])
      if (parent && !known.has(parent))
        throw new NoAnswer("unknown-parent", `${parent}, parent of ${id}, is not there`);
  const wanted = new Set([...input.traits, ...input.genes].map(({ id }) => id));
  const stray = input.looks.find(({ trait }) => !wanted.has(trait));
  if (stray) throw new NoAnswer("unknown-trait", `no trait is called ${stray.trait}`);
  const tree: Individual[] = [
    ...input.pedigree,
    ...input.plants.map(({ id, mother, father }) => ({ id, mother, father })),
  ];
  const positions = new Map(tree.map(({ id }, i) => [id, i]));
  const records = recordsOf(input, positions);
  const use = refuse(input, records);
  const traits = input.traits
    .filter(({ id }) => use.has(id))
    .map((one): Trait => {
      const told = one.heritability;
      const guess =
        told === undefined ? ANYTHING : { low: Math.max(0.01, told - TOLD), high: Math.min(0.98, told + TOLD) };
      return {
        aim: aimOf(one),
        looks: records.told.filter(({ trait }) => trait === one.id),
        inherited: heritabilityFrom(guess, null).grid,
      };
    });
  const ids = records.candidates.map(({ id }) => id);
  const chances = input.genes.map((gene) =>
    geneChances(
      tree,
      {
        ...gene,
        seen: input.looks
          .filter(({ trait }) => trait === gene.id)
          .map(({ plant, value }) => ({ plant, wanted: value > 0 === (gene.want === "dominant") })),
      },
      ids,
    ),
  );
  const weights = traits.reduce((sum, { aim }) => sum + aim.weight, 0);
  const selfed = records.candidates.every(({ mother, father }) => mother != null && mother === father);
  const genes = input.genes.reduce((sum, { weight }) => sum + weight, 0);
  const { worths, advice } = yield* rankedWorth({
    pedigree: sampledPedigree(tree),
    records: records.records,
    candidates: records.of,
    traits,
    best: Math.min(input.kept, ids.length),
    draws: Math.max(FEWEST, Math.min(DRAWS, Math.round(PLANTS_OF_DRAWS / records.records.length))),
    random: seeded(ids.length),
    parentalControl: 1,
    selfed,
    handicap: handicaps(input.genes, chances, weights + genes, selfed ? "selfed" : "crossed"),
  });
  const middle = worths.reduce((sum, { index }) => sum + index, 0) / worths.length;
  return {
    plants: worths.map(({ index, amongBest, traits: told }, i) => ({
      id: ids[i]!,
      index: (index - middle) * weights,
      amongBest,
      traits: Object.fromEntries(
        Object.entries(told).map(([id, { apart, reliability }]) => [
          id,
          { value: apart.likely, low: apart.low, high: apart.high, reliability },
        ]),
      ),
    })),
    advice: advice.keep.map((i) => ids[i]!),
    apart: advice.apart >= APART,
  };
}

const id = Joi.string().min(1).max(100);
const parent = id.allow(null);
const share = Joi.number().min(0).max(1);
const weight = Joi.number().greater(0).max(1000).required();

export const RANKING: Computation = {
  name: "ranking",
  what: "Plants as parents by the goal: breeding values from one model of pedigree, rows and places, how often each is among the best, and whom to keep. A look at a gene is 1 where its dominant form shows, else 0.",
  source: "docs/models.md; animal model (Henderson 1984), variances by restricted likelihood, everything drawn",
  long: true,
  schema: Joi.object<RankingInput>({
    pedigree: Joi.array()
      .items(
        Joi.object({
          id: id.required(),
          mother: parent,
          father: parent,
          inbreeding: share,
          selfings: Joi.number().integer().min(0).max(50),
        }),
      )
      .max(20_000)
      .required(),
    plants: Joi.array()
      .items(
        Joi.object({
          id: id.required(),
          mother: parent,
          father: parent,
          row: Joi.string().max(100),
          x: Joi.number().min(-1e5).max(1e5),
          y: Joi.number().min(-1e5).max(1e5),
          check: Joi.boolean(),
        }).and("x", "y"),
      )
      .min(1)
      .max(5000)
      .unique("id")
      .required(),
    traits: Joi.array()
      .items(
        Joi.object({
          id: id.required(),
          weight,
          want: Joi.alternatives(
            Joi.string().valid("more", "less"),
            Joi.object({
              low: Joi.number().required(),
              high: Joi.number().min(Joi.ref("low")).required(),
            }),
          ).required(),
          heritability: share,
        }),
      )
      .min(1)
      .max(20)
      .unique("id")
      .required(),
    genes: Joi.array()
      .items(Joi.object({ id: id.required(), want: Joi.string().valid("dominant", "recessive").required(), weight }))
      .max(20)
      .unique("id")
      .default([]),
    looks: Joi.array()
      .items(
        Joi.object({
          plant: id.required(),
          trait: id.required(),
          value: Joi.number().min(-1e12).max(1e12).required(),
          season: Joi.number().integer().min(0).max(10_000),
        }),
      )
      .max(100_000)
      .required(),
    kept: Joi.number().integer().min(1).max(5000).required(),
  }),
  run: ranking,
};
