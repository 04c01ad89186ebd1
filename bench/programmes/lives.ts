import { meanOf } from "../luck";
import { Records } from "./records";
import { type Kind, PLANTS, type Plant, type Seen, WANTED, WEIGHTS, World } from "./world";

/** Seasons of choosing: an F2 to an F8; six years of what crosses. */
const SEASONS: Record<Kind, number> = { selfer: 7, rows: 6, bulk: 6 };
export const WAYS = ["program", "notebook", "chance"] as const;
export type Way = (typeof WAYS)[number];

/** A figure that is said with a range, and what was true. */
type Said = { low: number; likely: number; high: number; true: number };

type Worth = ReturnType<Records["worth"]>;

/** Pairs of plants whose kinship is told. */
const PAIRS = 200;
/** Offspring of the chosen that are looked at for the truth. */
const OFFSPRING = 500;

/** How a programme ended, and what was said on the way. */
export type Life = {
  /** Index of what the last chosen give, in standard deviations of the first population. */
  gain: number;
  offTypes: number;
  /** Share of what is wanted of both genes among the offspring. */
  right: number;
  worths: Said[];
  gains: Said[];
  /** Of those said to be among the best with a chance, and whether they were. */
  amongBest: { said: number; true: number }[];
  /** Mean kinship of some pairs of the last plants. */
  kinship: { said: number; true: number }[];
};

/** How far a programme is lived, and whether the grower said in words how much of each trait is inherited. */
export type Terms = { seasons: number | null; words: boolean };

const best = (values: number[], count: number): number[] =>
  [...values.keys()].sort((a, b) => values[b]! - values[a]!).slice(0, count);

/** A careful notebook: what is measured in standard scores of the season, genes as one or nought, each by its weight. */
function notebook(seen: Seen[], count: number): number[] {
  const scored = (values: number[], weight: number) => {
    const middle = meanOf(values);
    const spread = Math.sqrt(meanOf(values.map((x) => (x - middle) ** 2))) || 1;
    return values.map((x) => (weight * (x - middle)) / spread);
  };
  const columns = [
    ...WANTED.map((way, t) =>
      scored(
        seen.map(({ traits }) => traits[t]!),
        way * WEIGHTS.traits[t]!,
      ),
    ),
    ...WEIGHTS.genes.map((weight, g) =>
      scored(
        seen.map(({ genes }) => Number(genes[g])),
        weight,
      ),
    ),
  ];
  return best(
    seen.map((_, i) => columns.reduce((sum, column) => sum + column[i]!, 0)),
    count,
  );
}

/** Lives a programme in a world of its own. */
export function live(kind: Kind, way: Way, seed: number, { seasons, words }: Terms): Life {
  const world = new World(kind, seed);
  const records = way === "program" ? new Records(kind, words) : null;
  const lastSeason = seasons ?? SEASONS[kind];
  const life: Life = {
    gain: 0,
    offTypes: 0,
    right: 0,
    worths: [],
    gains: [],
    amongBest: [],
    kinship: [],
  };
  let plants = world.first;
  const known = kind === "selfer" ? world.parents : [];
  let mothers: Plant[] = [];
  for (let season = 1; season <= lastSeason; season++) {
    const { seen, checks } = world.season(plants, known);
    const last = season === lastSeason;
    const count = last && kind === "selfer" ? 1 : kind === "selfer" ? 4 : 8;
    let kept: number[];
    if (records) {
      records.season(seen, checks);
      const worth = records.worth(count);
      kept = records.placesOf(worth.advice.keep);
      told(life, world, plants, records, worth, kept);
    } else if (way === "notebook") kept = notebook(seen, count);
    else kept = Array.from({ length: count }, () => world.luck.upTo(PLANTS));
    mothers = kept.map((i) => plants[i]!);
    if (last) break;
    records?.keep(kept);
    const perRow = PLANTS / mothers.length;
    const among = plants;
    plants = world.placed(
      kind === "bulk"
        ? Array.from({ length: PLANTS }, (_, i) => world.seedOf(mothers[i % mothers.length]!, among))
        : mothers.flatMap((mother) => Array.from({ length: perRow }, () => world.seedOf(mother, among))),
    );
  }
  if (records && kind !== "selfer") life.kinship.push(kinshipOf(world, plants, records));
  const offspring = Array.from({ length: OFFSPRING }, (_, i) => world.seedOf(mothers[i % mothers.length]!, plants));
  life.gain = meanOf(offspring.map(({ genome }) => world.index(genome)));
  life.offTypes = world.offTypes(offspring);
  life.right = meanOf(
    offspring.map(({ genome }) => Number(world.species.majors.every((major) => world.species.shows(genome, major)))),
  );
  records?.close();
  return life;
}

/** Mean kinship of plants that do not stand in one row, as it is taken to be and as their genes tell. */
function kinshipOf(world: World, plants: Plant[], records: Records): { said: number; true: number } {
  const pairs = Array.from({ length: PAIRS }, () => [world.luck.upTo(PLANTS), world.luck.upTo(PLANTS)] as const).filter(
    ([a, b]) => a !== b && plants[a]!.row !== plants[b]!.row,
  );
  const among = (some: Plant[]) =>
    meanOf(pairs.map(([a, b]) => world.species.kinship(some[a]!.genome, some[b]!.genome)));
  // Counted from the first plants, which are taken as unrelated.
  const base = among(world.first);
  return { said: meanOf(records.kinships(pairs)), true: (among(plants) - base) / (1 - base) };
}

/** What was said of a season's plants and of what keeping some does, beside what is true. */
function told(life: Life, world: World, plants: Plant[], records: Records, worth: Worth, kept: number[]): void {
  const places = records.placesOf(worth.plants.map(({ id }) => id));
  const genetic = plants.map(({ genome }) => world.species.worth(genome));
  const step = worth.choice.steps.find((one) => one.kept === kept.length);
  const before = plants.map(({ genome }) => world.worth(genome));
  const after = Array.from({ length: OFFSPRING }, (_, i) => world.seedOf(plants[kept[i % kept.length]!]!, plants)).map(
    ({ genome }) => world.worth(genome),
  );
  for (const [t, way] of WANTED.entries()) {
    const id = records.traitId(t);
    const middle = meanOf(places.map((i) => genetic[i]![t]!));
    for (const [p, i] of places.entries()) {
      const said = worth.plants[p]!.traits[id];
      if (said) life.worths.push({ ...said.apart, true: genetic[i]![t]! - middle });
    }
    const said = step?.traits[id];
    if (!said) continue;
    const came = way * (meanOf(after.map((w) => w[t]!)) - meanOf(before.map((w) => w[t]!)));
    const ends = [way * said.low, way * said.high].sort((a, b) => a - b) as [number, number];
    life.gains.push({ low: ends[0], likely: way * said.likely, high: ends[1], true: came });
  }
  const sums = plants.map(({ genome }) => world.index(genome));
  const truly = new Set(best(sums, kept.length));
  for (const [p, i] of places.entries()) {
    const said = worth.plants[p]!.amongBest;
    if (said >= 0.3) life.amongBest.push({ said, true: Number(truly.has(i)) });
  }
}
