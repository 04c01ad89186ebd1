import { mean } from "simple-statistics";
import { shareBelow } from "../numbers/probit";
import { belowForm, type QuadraticForm, quadraticForm } from "../numbers/quadraticForm";
import { varianceWithin, withinGroups } from "../numbers/within";
import { type Errors, errorsOff, type Measuring, measuredNext, measuring } from "./judgings";
import { type Standing, SURE } from "./standing";

/** What plants of a line showed in one season, and what plants of known lines showed beside them, by line. */
export type Grown = { season: number; own: number[]; beside: Record<string, number[]> };

/** One trait over the seasons, oldest first. */
export type TraitSeasons = {
  grown: Grown[];
  /** The smallest difference it is read to. */
  step: number;
  /** Of a mix, which move is wanted and no fault. */
  wanted: "more" | "less" | null;
};

/** A distance with its nine-tenths range. */
type Apart = { low: number; likely: number; high: number };

export type SameInSeasons = {
  standing: Standing;
  /** How far two seasons running lie apart, over all traits, in what plants of the line differ by; null where too few were seen. */
  apart: Apart | null;
  /** The same of each trait, in its unit, with what its plants differ by; null where it was seen in one season only. */
  traits: ({ apart: Apart; margin: number; standing: Standing } | null)[];
  /** Seasons that were held against the one before. */
  seasons: number[];
  /** Lines that grew beside it in two seasons running, so that the weather is out of it. */
  against: string[];
};

/** Of fewer plants nothing is said of a season. */
const FEWEST = 3;
/** Two seasons running may lie so far apart, on the mean square, in what plants of the line differ by. Working value. */
export const APART = 1;
/** How far seasons of a line that comes true are believed to swing, as a variance of one season, and with how many seasons'
 * certainty. Working values. */
const BEFORE = { variance: 0.09, weight: 3 };

/** Of a line at the limit so much is its own answer to each season, as a variance. Working value. */
const ANSWER = 0.05;
/** Information of one season's step of one trait: so much that a line's first seasons spend little of the error. Working value. */
const EACH_STEP = 1.2;
/** Seasons that lie further apart are not told, in what plants differ by; and so finely is a place sought. */
const FARTHEST = 8;
const HALVINGS = 22;

/** A season against the one before: the difference, and what of it is chance, by the seasons whose plants it rests on. */
type Step = { season: number; difference: number; own: [number, number]; known: [number, number]; against: string[] };

type Steps = { steps: Step[]; margin: number };

function stepsOf({ grown, step, wanted }: TraitSeasons): Steps {
  const seen = grown.filter(({ own }) => own.length >= FEWEST);
  if (seen.length === 0) return { steps: [], margin: 0 };
  const own = varianceWithin(withinGroups(seen.map((one) => one.own)), step);
  const margin = Math.sqrt(own);
  if (margin === 0) return { steps: [], margin };
  const within = withinGroups(seen.flatMap((one) => Object.values(one.beside).filter((values) => values.length > 0)));
  // Of known lines too few to say how they differ, what the line's own plants differ by.
  const theirs = within.freedom >= FEWEST ? varianceWithin(within, step) / own : 1;
  const steps = seen.slice(1).map((now, i): Step => {
    const before = seen[i]!;
    const against = Object.keys(now.beside).filter(
      (name) => now.beside[name]!.length > 0 && (before.beside[name]?.length ?? 0) > 0,
    );
    const weights = against.map((name) => 1 / (1 / now.beside[name]!.length + 1 / before.beside[name]!.length));
    const all = weights.reduce((a, b) => a + b, 0);
    const moved = (name: string) => mean(now.beside[name]!) - mean(before.beside[name]!);
    const weather = against.reduce((sum, name, k) => sum + (weights[k]! / all) * moved(name), 0);
    const chanceIn = (one: Grown) =>
      against.reduce((sum, name, k) => sum + ((weights[k]! / all) ** 2 * theirs) / one.beside[name]!.length, 0);
    return {
      season: now.season,
      difference: (mean(now.own) - mean(before.own) - weather) / margin,
      own: [1 / before.own.length, 1 / now.own.length],
      known: [chanceIn(before), chanceIn(now)],
      against,
    };
  });
  return { steps: wanted ? withoutWanted(steps, wanted) : steps, margin };
}

/** A move that is wanted, season by season, is no fault: it is taken out. */
function withoutWanted(steps: Step[], wanted: "more" | "less"): Step[] {
  const move = steps.length > 0 ? mean(steps.map(({ difference }) => difference)) : 0;
  const good = wanted === "more" ? Math.max(0, move) : Math.min(0, move);
  return steps.map((one) => ({ ...one, difference: one.difference - good }));
}

/** What of a step is chance; and what it shares with the one before it, whose newer season is its older one. */
const chanceOf = ({ own, known }: Step): number => own[0] + own[1] + known[0] + known[1];
const sharedWith = ({ own, known }: Step): number => -(own[0] + known[0]);

/**
 * The sum of squares of all steps, of how many, what of it is chance; and how it scatters where all steps are as long, one way or
 * to and fro: by the plants alone, and at the limit, where a part of every step is the line's answer to that season.
 */
type Squares = { sum: number; of: number; chance: number; steady: QuadraticForm[]; atLimit: QuadraticForm[] };

function covariance(steps: Step[], swing: number): number[][] {
  return steps.map((one, i) =>
    steps.map((other, j) =>
      i === j ? chanceOf(one) + 2 * swing : Math.abs(i - j) === 1 ? sharedWith(i > j ? one : other) - swing : 0,
    ),
  );
}

const ONE_WAY = () => 1;
const TO_AND_FRO = (i: number) => (i % 2 === 0 ? 1 : -1);

/** Steps as long as `length`, with what of them is chance. */
function formsOf(traits: Steps[], length: number, swing: number): QuadraticForm[] {
  return [ONE_WAY, TO_AND_FRO].map((way) => {
    const forms = traits
      .filter((one) => one.steps.length > 0)
      .map((one) =>
        quadraticForm(
          covariance(one.steps, swing),
          one.steps.map((_, i) => length * way(i)),
        ),
      );
    return { weights: forms.flatMap(({ weights }) => weights), shifts: forms.flatMap(({ shifts }) => shifts) };
  });
}

function squaresOf(traits: Steps[]): Squares | null {
  const steps = traits.flatMap((one) => one.steps);
  if (steps.length === 0) return null;
  return {
    sum: steps.reduce((sum, { difference }) => sum + difference ** 2, 0),
    of: steps.length,
    chance: steps.reduce((sum, step) => sum + chanceOf(step), 0),
    steady: formsOf(traits, 1, 0),
    atLimit: formsOf(traits, Math.sqrt(APART ** 2 - 2 * ANSWER), ANSWER),
  };
}

/** The chance of so small a sum where every season lies so far from the one before: the larger of one way and to and fro. */
const chanceOfLess = (sum: number, { steady }: Squares, apart: number, alike: number): number =>
  Math.max(
    ...steady.map(({ weights, shifts }) =>
      belowForm({ weights, shifts: shifts.map((shift) => shift * apart ** 2) }, sum, alike),
    ),
  );

/** The same where seasons lie `APART` on the mean square, a part of it by the line's answer to each season. */
const chanceAtLimit = (sum: number, { atLimit }: Squares, alike: number): number =>
  Math.max(...atLimit.map((form) => belowForm(form, sum, alike)));

/** Halves a stretch until the place is found at which something that falls comes under a chance. */
function fallsTo(chance: number, of: (x: number) => number, most: number): number {
  let [low, high] = [0, most];
  if (of(0) < chance) return 0;
  for (let i = 0; i < HALVINGS; i++) {
    const middle = (low + high) / 2;
    if (of(middle) > chance) low = middle;
    else high = middle;
  }
  return low;
}

/** The distances of which what was found is neither too little nor too much. */
function rangeOf(squares: Squares, alike: number): Apart {
  const at = (chance: number) => fallsTo(chance, (apart) => chanceOfLess(squares.sum, squares, apart, alike), FARTHEST);
  const likely = Math.sqrt(Math.max(0, squares.sum - squares.chance) / squares.of);
  // Seasons that happen to lie nearer than chance alone would have them are not shown to be one.
  const least = Math.sqrt(squares.chance / squares.of);
  return { low: Math.min(likely, at(SURE)), likely, high: Math.max(likely, least, at(1 - SURE)) };
}

/** The sum that is as small as a chance where every season lies `APART` from the one before. */
const sumAt = (chance: number, squares: Squares, alike: number): number =>
  fallsTo(1 - chance, (sum) => 1 - chanceAtLimit(sum, squares, alike), 4 * (APART ** 2 * squares.of + squares.chance));

/** How a line's seasons stand after all judgings. */
export type SameRun = {
  traits: TraitSeasons[];
  /** As many traits as say the same by chance: 1 where they say nothing of each other, their number where all say one thing. */
  alike: number;
  errors: Errors;
  measuring: Measuring;
  passed: boolean;
  last: { squares: Squares; traits: Steps[] } | null;
};

/** What steps tell: each as much, and several traits at once the root of their number more, so that the first seasons spend little. */
function informationOf(traits: Steps[], alike: number): number {
  const seasons = new Set(traits.flatMap(({ steps }) => steps.map(({ season }) => season))).size;
  const steps = traits.reduce((sum, one) => sum + one.steps.length, 0) / alike;
  return seasons === 0 ? 0 : EACH_STEP * Math.sqrt(seasons * steps);
}

const upTo = (traits: Steps[], season: number): Steps[] =>
  traits.map((one) => ({ ...one, steps: one.steps.filter((step) => step.season <= season) }));

/**
 * A line's seasons, judged after each.
 * @example sameRun([], 1, { first: 0.0488, anew: 0.015, beyond: 0.01 }).passed // false
 */
export function sameRun(traits: TraitSeasons[], alike: number, errors: Errors): SameRun {
  const all = traits.map(stepsOf);
  const seasons = [...new Set(all.flatMap(({ steps }) => steps.map(({ season }) => season)))].sort((a, b) => a - b);
  const run: SameRun = { traits, alike, errors, measuring: measuring(errors.first), passed: false, last: null };
  for (const season of seasons) {
    const told = upTo(all, season);
    const squares = squaresOf(told)!;
    const information = Math.max(run.measuring.information, informationOf(told, alike));
    const next = measuredNext(run.measuring, information);
    run.measuring = next.after;
    run.passed ||= errorsOff(chanceAtLimit(squares.sum, squares, alike)) >= next.needed;
    run.last = { squares, traits: told };
  }
  return run;
}

/**
 * Whether a line shows the same season after season: how far each season lies from the one before, over all seasons and all its
 * traits in one sum, the weather out of it by known lines that grew beside both; judged after each season, so that a line whose
 * seasons lie `APART` in what its plants differ by, one way or to and fro, is ever passed in `errors` at most.
 *
 * By the sum of squares of the steps (von Neumann 1941), a quadratic form of normal means (`belowForm`), passed at error-spending
 * bounds. A trait that by itself lies further apart keeps it open.
 * @example sameInSeasons(sameRun([{ grown: [{ season: 2026, own: [1, 2, 3], beside: {} }], step: 0, wanted: null }], 1, { first: 0.0488, anew: 0.015, beyond: 0.01 })).standing // "open"
 */
export function sameInSeasons({ traits, alike, errors, passed, last }: SameRun): SameInSeasons {
  if (!last) return { standing: "open", apart: null, traits: traits.map(() => null), seasons: [], against: [] };
  const steps = last.traits.flatMap((one) => one.steps);
  const shown = last.traits.map((one) => {
    const squares = squaresOf([one]);
    if (!squares) return null;
    const apart = rangeOf(squares, 1);
    const { margin } = one;
    return {
      apart: { low: apart.low * margin, likely: apart.likely * margin, high: apart.high * margin },
      margin,
      standing: standingOf(squares, 1, apart, errors),
    };
  });
  const apart = rangeOf(last.squares, alike);
  const whole = standingOf(last.squares, alike, apart, errors);
  const fails = whole === "fails" || shown.some((one) => one?.standing === "fails");
  const perhaps = shown.some((one) => one !== null && one.apart.likely > APART * one.margin);
  return {
    standing: fails ? "fails" : passed && !perhaps ? "holds" : "open",
    apart,
    traits: shown,
    seasons: [...new Set(steps.map(({ season }) => season))],
    against: [...new Set(steps.flatMap(({ against }) => against))],
  };
}

/** Shown to be further apart; well within the limit as far as is seen; or neither. */
function standingOf(squares: Squares, alike: number, apart: Apart, errors: Errors): Standing {
  if (1 - chanceAtLimit(squares.sum, squares, alike) <= errors.beyond && apart.likely > APART) return "fails";
  return apart.high <= APART ? "holds" : "open";
}

/** Plants that will be measured in a season to come, of the line itself and of each known line. */
export type Planned = { own: number; beside: Record<string, number> };

/**
 * The chance that the same is shown after seasons to come: two seasons are believed to lie apart as what was seen says, and as
 * little as those of lines that come true where little was.
 * @param planned one for each season to come, the same for all traits
 * @returns 0–1
 * @example chanceOfSame(sameRun([], 1, { first: 0.0488, anew: 0.015, beyond: 0.01 }), [{ own: 2, beside: {} }]) // 0
 */
export function chanceOfSame({ traits, alike, passed, last, measuring: before }: SameRun, planned: Planned[]): number {
  if (passed) return 1;
  if (planned.some(({ own }) => own < FEWEST)) return 0;
  const extended = traits.map((trait) => {
    const { steps, margin } = stepsOf(trait);
    return { margin, steps: [...steps, ...plannedSteps(trait, planned)] };
  });
  const squares = squaresOf(extended);
  const added = extended.reduce((sum, one) => sum + one.steps.length, 0) - (last?.squares.of ?? 0);
  if (!squares || added === 0) return 0;
  const { needed } = measuredNext(before, Math.max(before.information, informationOf(extended, alike)));
  if (!Number.isFinite(needed)) return 0;
  const { sum, of, chance } = last?.squares ?? { sum: 0, of: 0, chance: 0 };
  const certain = of / 2 / alike;
  const swing =
    (BEFORE.weight * BEFORE.variance + certain * Math.max(0, (sum - chance) / (2 * Math.max(1, of)))) /
    (BEFORE.weight + certain);
  // What the coming steps may add to the sum, and what they will add on the mean.
  const room = sumAt(shareBelow(-needed), squares, alike) - sum;
  const each = (squares.chance - chance) / added + 2 * swing;
  return room <= 0
    ? 0
    : belowForm(
        { weights: new Array<number>(added).fill(each), shifts: new Array<number>(added).fill(0) },
        room,
        alike,
      );
}

/** Steps of seasons to come, of which nothing is known but how many plants they rest on. */
function plannedSteps({ grown }: TraitSeasons, planned: Planned[]): Step[] {
  const last = grown.filter(({ own }) => own.length >= FEWEST).at(-1);
  const before: Planned[] = [
    ...(last
      ? [
          {
            own: last.own.length,
            beside: Object.fromEntries(Object.entries(last.beside).map(([k, v]) => [k, v.length])),
          },
        ]
      : []),
    ...planned,
  ];
  return before.slice(1).map((now, i): Step => {
    const then = before[i]!;
    const against = Object.keys(now.beside).filter((name) => now.beside[name]! > 0 && (then.beside[name] ?? 0) > 0);
    const weights = against.map((name) => 1 / (1 / now.beside[name]! + 1 / then.beside[name]!));
    const all = weights.reduce((a, b) => a + b, 0);
    const chanceIn = (one: Planned) =>
      against.reduce((sum, name, k) => sum + (weights[k]! / all) ** 2 / one.beside[name]!, 0);
    return {
      season: (last?.season ?? 0) + 1 + i,
      difference: 0,
      own: [1 / then.own, 1 / now.own],
      known: [chanceIn(then), chanceIn(now)],
      against,
    };
  });
}

/**
 * How much traits say the same by chance, from how their plants' values go together: the number of traits over that of as many
 * that say nothing of each other.
 * @param correlations of every two traits, ones on the diagonal
 * @example alikeOf([[1, 0], [0, 1]]) // 1
 * @example alikeOf([[1, 1], [1, 1]]) // 2
 */
export const alikeOf = (correlations: number[][]): number =>
  correlations.length === 0
    ? 1
    : correlations.reduce((sum, row) => sum + row.reduce((s, r) => s + r * r, 0), 0) / correlations.length;
