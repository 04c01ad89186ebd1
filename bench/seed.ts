import { normalFrom, seeded } from "@/core/numbers/chance";
import { shareBelow } from "@/core/numbers/probit";
import { FRESH, type SeedFacts } from "@/core/seed/ageing";
import { germinationAfter, learn } from "@/core/seed/alive";
import { drying, usualDays } from "@/core/seed/drying";
import { dryingRun, LEFT } from "@/core/tests/dryingRun";

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

/** When a share is left. */
function timeOf(left: (t: number) => number, share: number): number {
  let [low, high] = [0, 20];
  for (let i = 0; i < 60; i++) {
    const t = (low + high) / 2;
    if (left(t) > share) low = t;
    else high = t;
  }
  return high;
}

type Drying = { wet: boolean; perGram: number; shape: keyof typeof LEFT; weighed: number; by: "day" | "to half-time" };

/** Dryings whose course is known, weighed once a day or at even times until half of the time is gone; the day that is foretold. */
function dryings({ wet, perGram, shape, weighed, by }: Drying): Fit {
  const luck = seeded(weighed + (wet ? 50 : 0));
  const draw = () => normalFrom(luck(), luck());
  const fit = { inside: 0, off: 0, cases: CASES };
  const days = usualDays(perGram);
  const loss = wet ? { mean: 0.38, deviation: 0.12 } : { mean: 0.08, deviation: 0.05 };
  const left = LEFT[shape];
  // The usual one, which loses what is usual, is dry in the middle of the usual days.
  const usual = timeOf(left, (0.01 * (1 - loss.mean)) / loss.mean) / (24 * Math.sqrt(days.low * days.high));
  for (let i = 0; i < CASES; i++) {
    const share = Math.max(0.02, loss.mean + loss.deviation * draw());
    const rate = usual * Math.exp((Math.log(days.high / days.low) / 3.29) * draw());
    const [lost, end] = [20 * share, 20 * (1 - share)];
    const truth = timeOf(left, (0.01 * end) / lost) / rate;
    const hours = Array.from({ length: weighed }, (_, n) =>
      by === "day" ? 24 * n : (n * truth) / 2 / Math.max(1, weighed - 1),
    );
    const weighings = dryingRun((at) => end + lost * left(rate * at), hours, luck);
    const { early, likely, late } = drying(weighings, 0, perGram, wet);
    if (truth >= early - 0.01 && truth <= late + 0.01) fit.inside++;
    fit.off += (likely - truth) / truth;
  }
  return fit;
}

/** Whether fits find again what was put in: how often the range of nine tenths holds, and how far the middle is off. */
export function benchSeed(): void {
  console.log(`\nSeed: ${CASES} made-up cases each: range of nine tenths holds | middle off (as a share) | ms a case`);
  const timed = (name: string, work: () => Fit) => {
    const from = performance.now();
    const fit = work();
    told(name, fit, performance.now() - from);
  };
  timed("life, one lot, one test of 20 seeds", () => lives(1, 20, [0.6], 1.5));
  timed("life, three lots, one test of 50 seeds each", () => lives(3, 50, [0.8], 1.8));
  timed("life, five lots, three tests of 30 seeds each", () => lives(5, 30, [0.3, 0.8, 1.3], 2));
  for (const shape of ["even", "sphere"] as const)
    for (const [name, perGram, wet] of [
      ["squash", 7, true],
      ["bean", 2, false],
      ["tomato", 300, true],
    ] as const)
      for (const weighed of [1, 4])
        timed(`drying, ${shape}, ${name}, ${weighed} to half-time`, () =>
          dryings({ wet, perGram, shape, weighed, by: "to half-time" }),
        );
  for (const weighed of [2, 4])
    timed(`drying, even, wet, weighed ${weighed} days`, () =>
      dryings({ wet: true, perGram: 300, shape: "even", weighed, by: "day" }),
    );
}
