import { METHODS } from "@/catalogue/methods";
import { compute } from "@/core/computations";
import { Luck } from "./luck";

/** A line as it truly is, in what its plants differ by where it is sound. */
type Truth = { name: string; offTypes: number; spread: number; level: (season: number, luck: Luck) => number };

const SEASONS = 8;
const TRUTHS: Truth[] = [
  { name: "sound: 5 off-types in 1,000", offTypes: 0.005, spread: 1, level: () => 0 },
  { name: "sound: 10 off-types in 1,000", offTypes: 0.01, spread: 1, level: () => 0 },
  { name: "at the limit: off-types 5 in 100", offTypes: 0.05, spread: 1, level: () => 0 },
  { name: "at the limit: spread 1.5", offTypes: 0, spread: 1.5, level: () => 0 },
  { name: "at the limit: seasons to and fro by 1", offTypes: 0, spread: 1, level: (season) => season % 2 },
  { name: "at the limit: one way by 1 a season", offTypes: 0, spread: 1, level: (season) => season },
  {
    name: "at the limit: seasons by chance, 0.71",
    offTypes: 0,
    spread: 1,
    level: (_, luck) => luck.normal() / Math.SQRT2,
  },
];

type Garden = { plants: number; checks: number[]; traits: number; answer: number };
const GARDENS: Garden[] = [
  { plants: 48, checks: [4, 4], traits: 3, answer: 0.3 },
  { plants: 48, checks: [4, 4], traits: 3, answer: 0 },
  { plants: 48, checks: [4, 4], traits: 1, answer: 0.3 },
  { plants: 12, checks: [4], traits: 1, answer: 0.3 },
];

type Season = {
  season: number;
  lookedAt: number;
  offTypes: number;
  undecided: number;
  plants: Record<string, number>[];
  checks: { line: string; plants: Record<string, number>[] }[];
};

function seasonOf(garden: Garden, truth: Truth, season: number, luck: Luck): Season {
  const names = Array.from({ length: garden.traits }, (_, i) => `t${i}`);
  const weather = names.map(() => luck.normal());
  const answers = () => names.map(() => garden.answer * luck.normal());
  const grown = (count: number, level: (trait: number) => number, spread: number) =>
    Array.from({ length: count }, () =>
      Object.fromEntries(names.map((name, i) => [name, level(i) + spread * luck.normal()])),
    );
  const own = answers();
  const moved = truth.level(season, luck);
  return {
    season,
    lookedAt: garden.plants,
    offTypes: Array.from({ length: garden.plants }, () => luck.yes(truth.offTypes)).filter(Boolean).length,
    undecided: 0,
    plants: grown(garden.plants, (i) => weather[i]! + own[i]! + moved, truth.spread),
    checks: garden.checks.map((count, c) => {
      const theirs = answers();
      return { line: `known ${c}`, plants: grown(count, (i) => weather[i]! + theirs[i]! + c, 1) };
    }),
  };
}

const METHOD = METHODS.find(({ name }) => name === "comes-true")!;

type Verdict = { standing: string; chanceNext: number };

function judged(garden: Garden, seasons: Season[]): Verdict {
  const answer = compute(METHOD, {
    approach: "cross-and-fix",
    breeding: { selfing: 1, generation: 8, parents: 4 },
    limit: 0.05,
    background: 0.002,
    lookedAround: true,
    traits: Array.from({ length: garden.traits }, (_, i) => ({ id: `t${i}` })),
    seasons,
  });
  if (!answer.ok) throw new Error(answer.message);
  return answer.result as Verdict;
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

/**
 * How often lines whose truth is known are ever called true over eight yearly judgings, and what is said of next season.
 * @param gardens the first so many of them
 */
export function benchVerdicts(lines: number, gardens = GARDENS.length): void {
  console.log(`\n“It comes true”, of ${lines} lines each, judged after every one of ${SEASONS} seasons, weather of 1`);
  for (const garden of GARDENS.slice(0, gardens)) {
    const { plants, checks, traits, answer } = garden;
    console.log(
      `${plants} plants, known lines of ${checks.join(" and ")}, ${traits} trait${traits > 1 ? "s" : ""}, each line's own answer to a season ${answer}`,
    );
    for (const truth of TRUTHS) {
      const first: number[] = [];
      const bins = [0, 0.2, 0.5].map((from) => ({ from, said: 0, came: 0, of: 0 }));
      for (let i = 0; i < lines; i++) {
        const luck = new Luck(1000 * i + plants + traits);
        const seasons: Season[] = [];
        let bin: (typeof bins)[number] | null = null;
        let at = Number.POSITIVE_INFINITY;
        for (let season = 1; season <= SEASONS && at > SEASONS; season++) {
          seasons.push(seasonOf(garden, truth, season, luck));
          const { standing, chanceNext } = judged(garden, seasons);
          if (standing === "true") at = season;
          if (bin) {
            bin.of++;
            bin.came += Number(standing === "true");
          }
          bin = bins.findLast(({ from }) => chanceNext >= from)!;
          bin.said += chanceNext;
          if (season === SEASONS || at <= SEASONS) bin.said -= chanceNext;
        }
        first.push(at);
      }
      const by = (season: number) => percent(first.filter((at) => at <= season).length / lines);
      console.log(
        `  ${truth.name.padEnd(40)} by season 4 ${by(4)}   by 8 ${by(8)}   next season said, came: ${bins
          .filter(({ of }) => of > 0)
          .map(({ said, came, of }) => `${(said / of).toFixed(2)}, ${(came / of).toFixed(2)} (${of})`)
          .join("   ")}`,
      );
    }
  }
}
