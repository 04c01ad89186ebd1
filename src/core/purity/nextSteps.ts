import { chanceOfEven } from "./evenness";
import { chanceOfFew, decidedRun } from "./offTypeTest";
import { chanceOfSame, type Planned } from "./sameInSeasons";
import { FIXED, type Judged, type TrueTest } from "./trueTests";

/** What may be done until the next judging beside growing as many plants as last season. */
export const STEPS = ["decide", "isolate", "look-at", "checks", "parents", "generation", "season"] as const;
export type StepKind = (typeof STEPS)[number];

export type NextStep = {
  step: StepKind;
  /** Plants more to look at, plants more of each known line, plants that give seed; null where it is none of them. */
  plants: number | null;
  /** Known lines that grew beside it last. */
  lines: number;
  /** Seasons until then, the next one counted; more than that for a step that is a matter of seasons. */
  seasons: number;
  /** The chance that all tests hold once this and all steps before it were taken, 0–1. */
  chance: number;
};
export type Chances = {
  /** That all tests hold after the next season, with as many plants as last season; 0–1. */
  chance: number;
  /** What raises it most, beginning with what brings most for the least ground; each on top of those before it. */
  best: NextStep[];
};

/** What is different next time. */
type Coming = {
  looked: number;
  checks: number;
  seasons: number;
  generations: number;
  decided: boolean;
  isolated: boolean;
  parents: boolean;
};
const AS_LAST: Coming = {
  looked: 0,
  checks: 0,
  seasons: 1,
  generations: 1,
  decided: false,
  isolated: false,
  parents: false,
};

/** So many plants more are tried, of all and of each known line. */
const MORE = [4, 8, 12, 18, 24, 36, 48, 72, 96, 144];
const MORE_CHECKS = [2, 4, 6, 8, 12, 16, 24, 36];
/** So many seasons are looked ahead. */
const SEASONS = [2, 3, 4, 5, 6, 7, 8];
/** More plants are advised while they bring this share of what any number would. Working value. */
const MOST_OF_IT = 0.85;
/** A step that raises hope by less is none; and steps beyond which nobody reads. */
const WORTH_IT = 0.02;
const MOST_STEPS = 4;
/** A known line that does not stand beside it yet. */
const NEW_LINE = "a known line";

/** Plants measured last, of the line itself and of each known line, on every trait. */
function lastOf({ input }: Judged): Planned {
  const last = input.measured.map(({ grown }) =>
    grown.findLast(({ own, beside }) => own.length > 0 || Object.keys(beside).length > 0),
  );
  const beside: Record<string, number> = {};
  for (const one of last)
    for (const [line, values] of Object.entries(one?.beside ?? {}))
      beside[line] = Math.max(beside[line] ?? 0, values.length);
  const own = Math.max(0, ...last.map((one) => one?.own.length ?? 0));
  // Of a line whose first season that counts is under way, as many as stand.
  return { own: own > 0 ? own : (input.underWay ?? 0), beside };
}

/** Chances of each part, each reckoned once for what it hangs on. */
function parts(judged: Judged, tests: TrueTest[]) {
  const { input } = judged;
  const last = lastOf(judged);
  const lookedLast = judged.counts.counts.at(-1)?.plants ?? input.underWay ?? 0;
  const has = new Set(tests.map(({ key }) => key));
  const kept = new Map<string, number>();
  const once = (key: string, work: () => number): number => {
    const known = kept.get(key) ?? work();
    kept.set(key, known);
    return known;
  };
  const few = (coming: Coming): number => {
    const more = lookedLast + coming.looked;
    const runs = [...(has.has("off-types") ? [judged.counts] : []), ...(has.has("word") ? judged.words : [])];
    const all = (of: typeof runs) =>
      of.reduce((chance, run) => chance * chanceOfFew(run, more * coming.seasons, coming.seasons), 1);
    if (!coming.decided) return all(runs);
    // Nobody knows yet what will be decided: either way as likely.
    return (all(runs.map((run) => decidedRun(run, true))) + all(runs.map((run) => decidedRun(run, false)))) / 2;
  };
  const planned = ({ checks }: Coming): Planned => {
    const lines = Object.keys(last.beside);
    if (lines.length === 0) return { own: last.own, beside: checks > 0 ? { [NEW_LINE]: checks } : {} };
    return { own: last.own, beside: Object.fromEntries(lines.map((line) => [line, last.beside[line]! + checks])) };
  };
  const even = (coming: Coming): number => {
    if (!has.has("even")) return 1;
    const { own, beside } = planned(coming);
    const known = Object.values(beside).reduce((sum, plants) => sum + plants - 1, 0);
    const freedom = { own: Math.max(0, own - 1) * coming.seasons, known: known * coming.seasons };
    return judged.even.reduce((chance, { run }) => chance * chanceOfEven(run, freedom), 1);
  };
  const same = (coming: Coming): number =>
    has.has("seasons")
      ? chanceOfSame(
          judged.same,
          Array.from({ length: coming.seasons }, () => planned(coming)),
        )
      : 1;
  const holds = (key: TrueTest["key"]) => tests.every((one) => one.key !== key || one.standing === "holds");
  const fixed = ({ generations }: Coming): number => {
    if (!has.has("fixed") || !input.mixed) return 1;
    const each = (2 * input.ploidy - 3) / (2 * input.ploidy - 2);
    return Number(input.mixed.high * each ** generations <= FIXED + 1e-12);
  };
  return (coming: Coming): number[] => [
    once(`few ${coming.looked} ${coming.seasons} ${coming.decided}`, () => few(coming)),
    once(`even ${coming.checks} ${coming.seasons}`, () => even(coming)),
    once(`same ${coming.checks} ${coming.seasons}`, () => same(coming)),
    fixed(coming),
    Number(coming.isolated || holds("seed")),
    Number(coming.parents || (holds("parents") && holds("variety"))),
  ];
}

const product = (chances: number[]): number => chances.reduce((all, one) => all * one, 1);
/** Where several things lack, each counts for something by itself. Working value. */
const HOPE = 0.02;
const hopeOf = (chances: number[]): number => chances.reduce((all, one) => all * (one + HOPE), 1);

type Offer = { step: StepKind; plants: number | null; coming: Coming; ground: number };

type Parts = (coming: Coming) => number[];

/** The fewest more, plants or seasons, that bring most of what any number would. */
function enough(chances: Parts, numbers: number[], withMore: (more: number) => Coming, now: number) {
  const hopes = numbers.map((more) => hopeOf(chances(withMore(more))));
  const most = Math.max(...hopes);
  const at = hopes.findIndex((one) => one - now >= MOST_OF_IT * (most - now));
  return at < 0 || most <= now ? null : { number: numbers[at]!, coming: withMore(numbers[at]!) };
}

/** What may be done beside or instead, each with what it changes and the plants it takes. */
function offersOf(judged: Judged, tests: TrueTest[], chances: Parts, taken: Coming): Offer[] {
  const { input } = judged;
  const last = lastOf(judged);
  const lines = Math.max(1, Object.keys(last.beside).length);
  const grown = Math.max(1, judged.counts.counts.at(-1)?.plants ?? 0, last.own);
  const reached = hopeOf(chances(taken));
  const open = (...keys: TrueTest["key"][]) =>
    tests.some(({ key, standing }) => keys.includes(key) && standing !== "holds");
  const undecided = [judged.counts, ...judged.words].some((run) => run.undecided > 0);
  const offer = (step: StepKind, change: Partial<Coming>, ground = 0, plants: number | null = null): Offer => ({
    step,
    plants,
    coming: { ...taken, ...change },
    ground,
  });
  const looks = taken.looked === 0 && enough(chances, MORE, (looked) => ({ ...taken, looked }), reached);
  const checks = taken.checks === 0 && enough(chances, MORE_CHECKS, (more) => ({ ...taken, checks: more }), reached);
  const seasons =
    taken.seasons === 1 &&
    enough(chances, SEASONS, (more) => ({ ...taken, seasons: more, generations: more }), reached);
  return [
    ...(undecided && !taken.decided ? [offer("decide", { decided: true })] : []),
    ...(open("seed") && !taken.isolated ? [offer("isolate", { isolated: true })] : []),
    ...(open("parents", "variety") && !taken.parents
      ? [offer("parents", { parents: true }, input.parentsWanted, input.parentsWanted)]
      : []),
    ...(looks ? [offer("look-at", looks.coming, looks.number, looks.number)] : []),
    ...(checks ? [offer("checks", checks.coming, checks.number * lines, checks.number)] : []),
    ...(seasons ? [offer(open("fixed") ? "generation" : "season", seasons.coming, grown * (seasons.number - 1))] : []),
  ];
}

/** What an offer brings for the ground it takes. */
const value = ({ gain, ground }: { gain: number; ground: number }): number => gain / (ground + 1);

/**
 * How likely all tests hold after the next season, with as many plants as last season; and what raises that most for the least
 * ground, step upon step.
 * @example chancesOf({ input: { measured: [], mixed: null, ploidy: 2 }, counts: { counts: [], undecided: 0 }, words: [], even: [] }, []).chance // 1
 */
export function chancesOf(judged: Judged, tests: TrueTest[]): Chances {
  const chances = parts(judged, tests);
  const best: NextStep[] = [];
  let taken = AS_LAST;
  while (best.length < MOST_STEPS) {
    const hope = hopeOf(chances(taken));
    const [first] = offersOf(judged, tests, chances, taken)
      .map((offer) => ({ ...offer, gain: Math.log(hopeOf(chances(offer.coming)) / hope) }))
      // What nobody decided keeps it open whatever else is done.
      .filter(({ gain, step }) => gain >= WORTH_IT || step === "decide")
      .sort((a, b) => Number(b.step === "decide") - Number(a.step === "decide") || value(b) - value(a));
    if (!first) break;
    taken = first.coming;
    best.push({
      step: first.step,
      plants: first.plants,
      lines: Object.keys(lastOf(judged).beside).length,
      seasons: taken.seasons,
      chance: product(chances(taken)),
    });
  }
  return { chance: product(chances(AS_LAST)), best };
}
