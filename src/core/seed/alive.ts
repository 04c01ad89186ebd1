import { normalised } from "../numbers/normalised";
import { shareBelow } from "../numbers/probit";
import { FRESH, type SeedFacts } from "./ageing";

/** A germination test: how far the seed had aged by then, in probits of its room's clock, and what came of it. */
export type Test = { aged: number; germinated: number; sown: number };

/**
 * What is known of a lot: how good it was when fresh (a probit), and how many times as long as its species it lasts (the
 * logarithm of it), each possible pair with its weight. Germination after ageing A is Φ(fresh − A·e^(−lasts)).
 */
export type Known = { fresh: Float64Array; slows: Float64Array; weight: Float64Array; tests: number };

/** From lot to lot fresh seed differs by so many probits, and what it lasts by so much (of its logarithm). Working values. */
const FRESH_SPREAD = 0.35;
const LOT_SPREAD = 0.3;
/** How far what is published may be from what a species does in a drawer, as the deviation of a logarithm. Working value. */
const PUBLISHED_SPREAD = 0.35;
/** The range that a shelf life states is taken for the middle nine tenths. */
const NINE_TENTHS = 1.645;

const FRESH_STEPS = 25;
const LASTS_STEPS = 49;
const SPECIES_STEPS = 25;

/** Evenly spaced values of a normal variable out to three and a half deviations. */
function steps(mean: number, deviation: number, count: number): { values: number[]; step: number } {
  const step = (7 * deviation) / (count - 1);
  return { values: Array.from({ length: count }, (_, i) => mean - 3.5 * deviation + i * step), step };
}

const hump = (x: number, mean: number, deviation: number) => Math.exp(-0.5 * ((x - mean) / deviation) ** 2);

/** How far a species' lots may be from what is published of it, as the deviation of a logarithm. */
function speciesSpread({ viability, shelfYears: { low, high } }: SeedFacts): number {
  const told = viability ? 0 : Math.log(high / low) / (2 * NINE_TENTHS);
  return Math.hypot(told, PUBLISHED_SPREAD);
}

/** The logarithm of the normal share below x, from −9 to 9 in steps of 1/256; between them off by less than 1e-5. */
const STEPS_A_PROBIT = 256;
const OUTERMOST = 9;
const LOG_SHARES = Float64Array.from({ length: 2 * OUTERMOST * STEPS_A_PROBIT + 1 }, (_, i) =>
  Math.log(Math.max(1e-20, shareBelow(i / STEPS_A_PROBIT - OUTERMOST))),
);

function logShareBelow(x: number): number {
  const place = (Math.min(OUTERMOST - 0.01, Math.max(-OUTERMOST, x)) + OUTERMOST) * STEPS_A_PROBIT;
  const below = Math.floor(place);
  return LOG_SHARES[below]! + (place - below) * (LOG_SHARES[below + 1]! - LOG_SHARES[below]!);
}

/** The logarithm of how likely tests are of a lot that was so good and lasts so. */
function logLikelihood(tests: Test[], fresh: number, slows: number): number {
  let sum = 0;
  for (const { aged, germinated, sown } of tests) {
    const at = fresh - aged * slows;
    sum += germinated * logShareBelow(at) + (sown - germinated) * logShareBelow(-at);
  }
  return sum;
}

/** What a species' lots have in common: what was learned of them all, and of each by its own tests. */
export type Learned = { lots: Known[]; untested: Known };

/**
 * Learns how long seed of a species lives here from the germination tests of all its lots: each lot's own tests weigh most
 * with it, the others' tell what the species does in this drawer (partial pooling). Exact, on a grid.
 *
 * Source: probit-linear ageing, Ellis & Roberts 1980; a hierarchical binomial model, spreads are working values.
 * @param lots tests of each lot that was tested
 * @returns what is known of each of them, in their order, and of a lot without tests
 * @example learn(BEAN, []).lots // []
 */
export function learn(facts: SeedFacts, lots: Test[][]): Learned {
  const between = speciesSpread(facts);
  const species = steps(0, between, SPECIES_STEPS).values;
  const prior = normalised(species.map((mean) => hump(mean, 0, between)));
  const lasts = steps(0, Math.hypot(between, LOT_SPREAD), LASTS_STEPS).values;
  const fresh = steps(FRESH, FRESH_SPREAD, FRESH_STEPS).values;
  const freshWeight = normalised(fresh.map((value) => hump(value, FRESH, FRESH_SPREAD)));
  const slows = lasts.map((value) => Math.exp(-value));
  // How a lot lasts, given its species: one row for each value of the species.
  const given = species.map((mean) => normalised(lasts.map((value) => hump(value, mean, LOT_SPREAD))));

  const likely = lots.map((tests) => {
    const logs = lasts.flatMap((_, j) => fresh.map((value) => logLikelihood(tests, value, slows[j]!)));
    const most = Math.max(...logs);
    return logs.map((log, at) => Math.exp(log - most) * freshWeight[at % FRESH_STEPS]!);
  });
  const byLasting = likely.map((weights) =>
    lasts.map((_, j) => weights.slice(j * FRESH_STEPS, (j + 1) * FRESH_STEPS).reduce((a, b) => a + b, 0)),
  );
  // How likely each lot's tests are, by what the species does.
  const bySpecies = byLasting.map((weights) => given.map((row) => row.reduce((sum, w, j) => sum + w * weights[j]!, 0)));
  const all = normalised(prior.map((weight, s) => bySpecies.reduce((product, row) => product * row[s]!, weight)));

  const lastsOf = (weights: number[]) =>
    lasts.map((_, j) => weights.reduce((sum, weight, s) => sum + weight * given[s]![j]!, 0));
  const grid = (weights: number[], tests: number): Known => ({
    fresh: Float64Array.from({ length: weights.length }, (_, at) => fresh[at % FRESH_STEPS]!),
    slows: Float64Array.from({ length: weights.length }, (_, at) => slows[Math.floor(at / FRESH_STEPS)]!),
    weight: Float64Array.from(normalised(weights)),
    tests,
  });
  return {
    lots: likely.map((weights, lot) => {
      // What the other lots say of the species; this one's own tests are in its likelihood.
      const others = lastsOf(normalised(all.map((weight, s) => weight / bySpecies[lot]![s]!)));
      return grid(
        weights.map((weight, at) => weight * others[Math.floor(at / FRESH_STEPS)]!),
        lots[lot]!.length,
      );
    }),
    untested: grid(
      lastsOf(all).flatMap((weight) => freshWeight.map((own) => own * weight)),
      0,
    ),
  };
}

/** Possible germinations lie on a ladder of probits from −4 to 4: under 1 in 10,000 and over 9,999. */
const RUNGS = 320;
const rung = (value: number) => Math.min(RUNGS, Math.max(0, ((value + 4) / 8) * RUNGS));

export type Germination = { low: number; likely: number; high: number };

/**
 * Shares of germination below which it lies with given probabilities, after ageing.
 * @param aged probits of the room's clock
 * @param probabilities in rising order, 0–1
 * @example germinationsAfter(UNTESTED, 1.476, [0.05, 0.5]) // [0.030, 0.490]
 */
export function germinationsAfter({ fresh, slows, weight }: Known, aged: number, probabilities: number[]): number[] {
  const ladder = new Float64Array(RUNGS + 2);
  for (let at = 0; at < weight.length; at++) {
    const place = rung(fresh[at]! - aged * slows[at]!);
    const below = Math.floor(place);
    ladder[below]! += weight[at]! * (1 - place + below);
    ladder[below + 1]! += weight[at]! * (place - below);
  }
  const found: number[] = [];
  let sum = 0;
  for (let i = 0; i <= RUNGS && found.length < probabilities.length; i++) {
    const next = sum + ladder[i]!;
    for (let wanted = probabilities[found.length]; wanted !== undefined && next >= wanted; ) {
      // A rung's weight lies half to either side of it.
      found.push(shareBelow(((i - 0.5 + (wanted - sum) / ladder[i]!) / RUNGS) * 8 - 4));
      wanted = probabilities[found.length];
    }
    sum = next;
  }
  while (found.length < probabilities.length) found.push(1);
  return found;
}

/**
 * The share that germinates after ageing: the middle, and the range of nine tenths.
 * @param aged probits of the room's clock
 * @example germinationAfter(UNTESTED, 1.476).likely // 0.490
 */
export function germinationAfter(known: Known, aged: number): Germination {
  const [low, likely, high] = germinationsAfter(known, aged, [0.05, 0.5, 0.95]) as [number, number, number];
  return { low, likely, high };
}

/** Ageing until a limit lies on a ladder of logarithms from hardly any to far beyond what seed of a garden lives. */
const LEAST_AGED = 0.005;
const MOST_AGED = 60;
const AGES = 480;
const LOG_LEAST = Math.log(LEAST_AGED);
const A_RUNG = (Math.log(MOST_AGED) - LOG_LEAST) / AGES;

/**
 * How far seed may age until less than a limit germinates, with given chances: probits of the room's clock. Each possible
 * pair of what a lot was and how it lasts reaches the limit at an ageing of its own.
 * @param limit as a probit
 * @param chances in rising order, 0–1, not its ends
 * @example agedUntil(UNTESTED, 0, [0.05, 0.5]) // [0.58, 1.45]
 */
export function agedUntil({ fresh, slows, weight }: Known, limit: number, chances: number[]): number[] {
  const ladder = new Float64Array(AGES + 2);
  let already = 0;
  for (let at = 0; at < weight.length; at++) {
    const aged = (fresh[at]! - limit) / slows[at]!;
    if (aged <= LEAST_AGED) {
      already += weight[at]!;
      continue;
    }
    const place = Math.min(AGES, (Math.log(aged) - LOG_LEAST) / A_RUNG);
    const below = Math.floor(place);
    ladder[below]! += weight[at]! * (1 - place + below);
    ladder[below + 1]! += weight[at]! * (place - below);
  }
  const found: number[] = [];
  let sum = already;
  while (found.length < chances.length && chances[found.length]! <= already) found.push(0);
  for (let i = 0; i <= AGES && found.length < chances.length; i++) {
    const next = sum + ladder[i]!;
    for (let chance = chances[found.length]; chance !== undefined && next >= chance; ) {
      found.push(Math.exp(LOG_LEAST + A_RUNG * (i - 0.5 + (chance - sum) / ladder[i]!)));
      chance = chances[found.length];
    }
    sum = next;
  }
  while (found.length < chances.length) found.push(MOST_AGED);
  return found;
}
