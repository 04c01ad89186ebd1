import { median } from "simple-statistics";
import { type ArrangeTask, arrange, judge, optionsOf, type Plan } from "@/core/isolation/arrange";
import { airOver, arrivals, likelyShare } from "@/core/isolation/arrival";
import { applied } from "@/core/isolation/change";
import { contamination } from "@/core/isolation/contamination";
import type { Scene } from "@/core/isolation/scene";
import { newWays, type Ways } from "@/core/isolation/share";
import { seeded } from "@/core/numbers/chance";
import { bed, climate, SPECIES, scene, source, stand } from "@/core/tests/place";
import { arrivedAt } from "@/views/scene";

const GROUPS = 12;
const SOURCES = 40;
const RUNS = 15;

/** A large garden: so many stands of twelve crossing groups, and forty sources beyond it. */
function large(stands: number): Scene {
  const luck = seeded(stands);
  const species = Array.from({ length: GROUPS }, (_, i) => ({
    ...SPECIES,
    id: `crop-${i}`,
    crossingGroup: `crop ${i}`,
  }));
  return scene(
    Array.from({ length: stands }, (_, i) =>
      stand(i + 1, {
        species: species[i % GROUPS]!,
        bed: bed(i + 1, (i % 15) * 12, { y: Math.floor(i / 15) * 8, turn: i % 40 }),
        sowing: { sown: `2027-05-${String(1 + Math.floor(luck() * 28)).padStart(2, "0")}` },
      }),
    ),
    {
      sources: Array.from({ length: SOURCES }, (_, i) =>
        source(i + 1, 200 + luck() * 900, { species: species[i % GROUPS]!, plants: 50 }),
      ),
      climate: climate(),
    },
  );
}

const timed = (work: (run: number) => unknown): number => {
  const times = Array.from({ length: RUNS + 3 }, (_, run) => {
    const from = performance.now();
    work(run);
    return performance.now() - from;
  });
  return median(times.slice(3));
};

/** The likely figures alone, what follows a finger: every forecast anew, ways on the ground as they are. */
function followed(of: Scene, ways: Ways): void {
  const next = applied(
    of,
    of.stands.map((s) => ({ kind: "resow" as const, standId: s.id, sown: s.sowing.sown })),
  );
  const air = airOver(next);
  for (const one of next.stands) likelyShare(next, one, air, ways);
}

/** One full recalculation: every forecast anew, every way on the ground, every share with its range. */
function recalculate(of: Scene): number {
  const changes = of.stands.map((s) => ({ kind: "resow" as const, standId: s.id, sown: s.sowing.sown }));
  const result = arrivals(applied(of, changes));
  return [...result.values()].reduce((sum, a) => sum + a.bySource.length, 0);
}

/** What a write to one stand leaves of a place. */
const withPlants = (of: Scene, plants: number): Scene => ({
  ...of,
  stands: of.stands.map((one, i) => (i === 0 ? { ...one, plants } : one)),
});

export function benchIsolation(): void {
  const window = { start: "2027-07-01", end: "2027-07-30" };
  const one = {
    receptor: { plants: 20, outcrossing: 0.9, spacing: 0.5, female: window, male: window },
    sources: [{ plants: 30, male: window, distance: 100 }],
    kernel: { scale: 5, shape: 1.1 },
  };
  const base = timed(() => {
    for (let i = 0; i < 1000; i++) contamination(one);
  });
  console.log(`One contamination of one pair, the baseline: ${base.toFixed(2)} µs`);
  console.log(
    "Full recalculation with ranges, 40 outside sources: stands | ms | overlapping pairs | µs a pair | in baselines a pair | ms of the likely figures alone | ms of the first answer after one stand was counted anew",
  );
  for (const stands of [20, 60, 180]) {
    const of = large(stands);
    const pairs = recalculate(of);
    const ms = timed(() => recalculate(of));
    const each = (ms * 1000) / pairs;
    const ways = newWays();
    const quick = timed(() => followed(of, ways));
    arrivedAt(of);
    const counted = timed((run) => arrivedAt(withPlants(of, 50 + run)));
    console.log(
      `${String(stands).padStart(5)} ${ms.toFixed(1).padStart(8)} ${String(pairs).padStart(8)} ${each.toFixed(1).padStart(8)} ${(each / base).toFixed(1).padStart(8)} ${quick.toFixed(1).padStart(8)} ${counted.toFixed(1).padStart(8)}`,
    );
  }
  benchArranger();
}

const finish = (task: ArrangeTask, restarts: number, steps: number) => {
  const run = arrange(task, 7, restarts, steps);
  for (;;) {
    const step = run.next();
    if (step.done) return step.value;
  }
};

function bruteForce(task: ArrangeTask): { best: number; plans: number } {
  const judgePlan = judge(task);
  let plans: Plan[] = [[]];
  for (const options of optionsOf(task)) plans = plans.flatMap((plan) => options.map((option) => [...plan, option]));
  return {
    best: plans.reduce((least, plan) => Math.min(least, judgePlan(plan).score), Number.POSITIVE_INFINITY),
    plans: plans.length,
  };
}

/** The best of as many plans drawn by chance as the search tried. */
function byChance(task: ArrangeTask, tries: number): number {
  const [judgePlan, options, luck] = [judge(task), optionsOf(task), seeded(99)];
  let best = Number.POSITIVE_INFINITY;
  for (let i = 0; i < tries; i++)
    best = Math.min(best, judgePlan(options.map((list) => list[Math.floor(luck() * list.length)]!)).score);
  return best;
}

function benchArranger(): void {
  const row = (count: number) =>
    scene(Array.from({ length: count }, (_, i) => stand(i + 1, { bed: bed(i + 1, i * 14) })));
  const task = (of: Scene, step: number, beds: string[]): ArrangeTask => ({
    scene: of,
    stands: of.stands.map((s) => s.id),
    windows: of.stands.map(() => ({ from: "2027-03-20", to: "2027-06-10" })),
    step,
    beds,
    means: ["open", "cage"],
  });
  console.log("\nArranger: visits of the best plan found (a fault counts 1000)");
  for (const [count, step] of [
    [2, 7],
    [3, 14],
    [4, 20],
  ] as const) {
    const of = task(row(count), step, ["90"]);
    const { best, plans } = bruteForce(of);
    const found = finish(of, 6, 1500);
    console.log(
      `${count} stands, every one of ${plans} plans: ${best.toFixed(2)}; search, ${found.tried} tried: ${found.judged.score.toFixed(2)}; chance, as many: ${byChance(of, found.tried).toFixed(2)}`,
    );
  }
  for (const count of [8, 14]) {
    const of = task(row(count), 7, ["90", "91"]);
    const from = performance.now();
    const found = finish(of, 6, 1500);
    const took = performance.now() - from;
    console.log(
      `${count} stands: search, ${found.tried} tried in ${(took / 1000).toFixed(1)} s: ${found.judged.score.toFixed(1)}; chance, as many: ${byChance(of, found.tried).toFixed(1)}`,
    );
  }
}
