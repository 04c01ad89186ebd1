import { normalFrom, seeded } from "@/core/numbers/chance";
import { shareBelow } from "@/core/numbers/probit";
import { FRESH, type SeedFacts } from "@/core/seed/ageing";
import { germinationAfter, learn } from "@/core/seed/alive";
import { drying, usualDays } from "@/core/seed/drying";
import { dryingRun } from "@/core/tests/dryingRun";

const CASES = 2000;

type Fit = { inside: number; off: number; cases: number };
const told = (name: string, { inside, off, cases }: Fit, ms: number) =>
  console.log(
    `${name.padEnd(46)} ${((100 * inside) / cases).toFixed(1).padStart(5)} %   ${(off / cases).toFixed(3).padStart(7)}   ${(ms / cases).toFixed(2).padStart(6)}`,
  );

/** Lots of one species with tests of an age, whose true lives are known; what is foretold of them at a later age. */
function lives(lots: number, seeds: number, tests: number[], at: number): Fit {
  const facts: SeedFacts = { oil: 0.2, shelfYears: { low: 3, high: 5 }, viability: null };
  const spread = Math.hypot(Math.log(5 / 3) / (2 * 1.645), 0.35);
  const luck = seeded(1000 * lots + seeds);
  const draw = () => normalFrom(luck(), luck());
  const fit = { inside: 0, off: 0, cases: 0 };
  while (fit.cases < CASES) {
    const species = spread * draw();
    const truths = Array.from({ length: lots }, () => ({
      fresh: FRESH + 0.35 * draw(),
      slows: Math.exp(-(species + 0.3 * draw())),
    }));
    const told = truths.map(({ fresh, slows }) =>
      tests.map((aged) => {
        const share = shareBelow(fresh - aged * slows);
        return { aged, sown: seeds, germinated: Array.from({ length: seeds }, luck).filter((x) => x < share).length };
      }),
    );
    for (const [i, known] of learn(facts, told).lots.entries()) {
      const truth = shareBelow(truths[i]!.fresh - at * truths[i]!.slows);
      const { low, likely, high } = germinationAfter(known, at);
      if (truth >= low && truth <= high) fit.inside++;
      fit.off += likely - truth;
      fit.cases++;
    }
  }
  return fit;
}

/** Dryings whose course is known, weighed so often; the day that is foretold. */
function dryings(weighed: number, wet: boolean): Fit {
  const luck = seeded(weighed + (wet ? 50 : 0));
  const draw = () => normalFrom(luck(), luck());
  const fit = { inside: 0, off: 0, cases: CASES };
  const days = usualDays(300);
  const loss = wet ? { mean: 0.38, deviation: 0.12 } : { mean: 0.08, deviation: 0.05 };
  const usual = Math.log(loss.mean / (1 - loss.mean) / 0.01) / (24 * Math.sqrt(days.low * days.high));
  for (let i = 0; i < CASES; i++) {
    const share = Math.max(0.005, loss.mean + loss.deviation * draw());
    const rate = usual * Math.exp((Math.log(days.high / days.low) / 3.29) * draw());
    const course = { rate, loss: 20 * share, end: 20 * (1 - share) };
    const truth = Math.max(0, Math.log(course.loss / (0.01 * course.end)) / rate);
    const hours = Array.from({ length: weighed }, (_, n) => 24 * n);
    const { early, likely, late } = drying(dryingRun(course, hours, luck), 0, 300, wet);
    if (truth >= early - 0.01 && truth <= late + 0.01) fit.inside++;
    fit.off += (likely - truth) / 24;
  }
  return fit;
}

/** Whether fits find again what was put in: how often the range of nine tenths holds, and how far the middle is off. */
export function benchSeed(): void {
  console.log(`\nSeed: ${CASES} made-up cases each: range of nine tenths holds | middle off (share, days) | ms a case`);
  const timed = (name: string, work: () => Fit) => {
    const from = performance.now();
    const fit = work();
    told(name, fit, performance.now() - from);
  };
  timed("life, one lot, one test of 20 seeds", () => lives(1, 20, [0.6], 1.5));
  timed("life, three lots, one test of 50 seeds each", () => lives(3, 50, [0.8], 1.8));
  timed("life, five lots, three tests of 30 seeds each", () => lives(5, 30, [0.3, 0.8, 1.3], 2));
  for (const weighed of [1, 2, 4]) timed(`drying, wet, weighed ${weighed} times`, () => dryings(weighed, true));
  timed("drying, threshed, weighed 3 times", () => dryings(3, false));
}
