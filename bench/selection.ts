import { normalFrom, seeded } from "@/core/numbers/chance";
import { type Individual, sampledPedigree } from "@/core/pedigree/pedigree";
import { breedingValues, type SampledPedigree } from "@/core/selection/breedingValues";
import { atKinship, frontierOf } from "@/core/selection/contributions";
import { heritabilityFrom } from "@/core/selection/heritability";
import { hiddenSelection } from "@/core/selection/hidden";
import { selectionIntensity } from "@/core/selection/intensity";
import { adjustedForPlace } from "@/core/selection/place";
import { selectionResponse } from "@/core/selection/response";
import { predicted, type Trait, worthOf } from "@/core/selection/worth";
import { AIM, ended, F2 } from "@/core/tests/selection";

const say = (name: string, ...figures: string[]) => console.log(`${name.padEnd(62)} ${figures.join("   ")}`);
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length;

function correlation(a: number[], b: number[]): number {
  const [ma, mb] = [mean(a), mean(b)];
  const cross = a.reduce((sum, x, i) => sum + (x - ma) * (b[i]! - mb), 0);
  const square = (list: number[], m: number) => list.reduce((sum, x) => sum + (x - m) ** 2, 0);
  return cross / Math.sqrt(square(a, ma) * square(b, mb));
}

/** True breeding values of a pedigree by chance, in units of the base's deviation. */
function truthOf({ mother, father, sampled }: SampledPedigree, draw: () => number): number[] {
  const truth = new Array<number>(mother.length).fill(0);
  for (const [i, own] of sampled.entries()) {
    const [m, f] = [mother[i]!, father[i]!];
    truth[i] = ((m < 0 ? 0 : truth[m]!) + (f < 0 ? 0 : truth[f]!)) / 2 + Math.sqrt(own) * draw();
  }
  return truth;
}

/** F2 families whose heritability is drawn from what is guessed of it: ranges, and “among the best five”. */
function families(count: number, plants: number): void {
  const luck = seeded(plants);
  const draw = () => normalFrom(luck(), luck());
  const pedigree = sampledPedigree(F2(plants));
  const guess = heritabilityFrom({ low: 0.1, high: 0.6 }, [], null);
  let [held, all, said, came] = [0, 0, 0, 0];
  for (let n = 0; n < count; n++) {
    let at = luck();
    const share = guess.grid.find(({ chance }) => {
      at -= chance;
      return at < 0;
    })!.share;
    const truth = Array.from({ length: plants }, () => Math.sqrt(share) * draw());
    const values = truth.map((t) => t + Math.sqrt(1 - share) * draw());
    const trait: Trait = {
      aim: AIM,
      seen: values.map((value, i) => ({ individual: i + 3, environment: 0, value, weight: 1 })),
      environments: 1,
      reference: [0],
      heritability: guess,
      spread: 1,
    };
    const candidates = values.map((_, i) => i + 3);
    const { worths } = ended(
      worthOf({
        pedigree,
        candidates,
        traits: [trait],
        best: 5,
        draws: 200,
        random: luck,
        parentalControl: 1,
      }),
    );
    const best = new Set([...truth.keys()].sort((a, b) => truth[b]! - truth[a]!).slice(0, 5));
    for (const [i, { traits, amongBest }] of worths.entries()) {
      all++;
      if (traits.t!.low <= truth[i]! && truth[i]! <= traits.t!.high) held++;
      if (amongBest < 0.3) continue;
      said += amongBest;
      if (best.has(i)) came++;
    }
  }
  say(`Worth of ${plants} F2 plants, ${count} families: range holds the truth`, percent(held / all));
  say(
    "  “among the best five”, of those said 3 times in 10 or more: said, came of all plants",
    percent(said / all),
    percent(came / all),
  );
}

/** Beds with a slope: how well what is chosen by goes with the truth, raw and set right for the place. */
function slopes(): void {
  const luck = seeded(5);
  const draw = () => normalFrom(luck(), luck());
  const [raw, right]: [number[], number[]] = [[], []];
  for (let bed = 0; bed < 300; bed++) {
    const truth = Array.from({ length: 60 }, () => Math.sqrt(0.3) * draw());
    const plants = truth.map((t, i) => {
      const [row, at] = [Math.floor(i / 15), i % 15];
      return { row, at, value: t + Math.sqrt(0.7) * draw() + 0.15 * at };
    });
    raw.push(
      correlation(
        plants.map(({ value }) => value),
        truth,
      ),
    );
    right.push(correlation(adjustedForPlace(plants).values, truth));
  }
  say(
    "Sloped bed, 300 of 60 plants: accuracy raw, set right, ratio",
    mean(raw).toFixed(3),
    mean(right).toFixed(3),
    (mean(right) / mean(raw)).toFixed(2),
  );
}

/** Own score against own and kin, at a heritability of 0.2. */
function kin(): void {
  const luck = seeded(7);
  const draw = () => normalFrom(luck(), luck());
  const [own, all]: [number[], number[]] = [[], []];
  for (let round = 0; round < 200; round++) {
    const list: Individual[] = Array.from({ length: 16 }, (_, i) => ({ id: `p${i}` }));
    for (let i = 0; i < 120; i++)
      list.push({ id: `c${i}`, mother: `p${i % 8}`, father: `p${8 + Math.floor(luck() * 8)}` });
    const pedigree = sampledPedigree(list);
    const truth = truthOf(pedigree, draw);
    const seen = truth.map((t, individual) => ({ individual, environment: 0, value: t + 2 * draw(), weight: 1 }));
    const { values } = breedingValues({ pedigree, seen, environments: 1, additive: 1, residual: 4 });
    own.push(
      correlation(
        seen.slice(16).map((s) => s.value),
        truth.slice(16),
      ),
    );
    all.push(correlation([...values].slice(16), truth.slice(16)));
  }
  say(
    "Heritability 0.2, 200 rounds: accuracy by own score, with kin, ratio",
    mean(own).toFixed(3),
    mean(all).toFixed(3),
    (mean(all) / mean(own)).toFixed(2),
  );
}

/** What the breeder's equation says against what comes, over 500 families of half sibs' seed. */
function responses(): void {
  const luck = seeded(9);
  const draw = () => normalFrom(luck(), luck());
  const [h2, n, k] = [0.4, 40, 5];
  const [said, came]: [number[], number[]] = [[], []];
  for (let family = 0; family < 500; family++) {
    const truth = Array.from({ length: n }, () => Math.sqrt(h2) * draw());
    const shown = truth.map((t) => t + Math.sqrt(1 - h2) * draw());
    const kept = [...shown.keys()].sort((a, b) => shown[b]! - shown[a]!).slice(0, k);
    const differential = selectionIntensity({ selected: k, candidates: n }).intensity;
    said.push(selectionResponse({ heritability: h2, differential, parentalControl: 0.5 }).response);
    // Open pollen: seed has half of its mother and a father at random.
    came.push(mean(kept.map((i) => truth[i]! / 2)) - mean(truth) / 2);
  }
  say("Response of 500 families under open pollen: predicted, realised", mean(said).toFixed(3), mean(came).toFixed(3));
}

/** How often a leaning that is there is told, and how often one is told that is not. */
function hidden(): void {
  const luck = seeded(13);
  const draw = () => normalFrom(luck(), luck());
  const gardens = 300;
  let [caught, alarms] = [0, 0];
  for (let g = 0; g < gardens; g++) {
    const late = Array.from({ length: 40 }, draw);
    const order = [...late.keys()].sort((a, b) => late[b]! + draw() * 0.5 - late[a]!);
    const leaning = late.map((_, i) => order.indexOf(i) < 8);
    const byChance = late.map((_, i) => i % 5 === 0);
    const others = Array.from({ length: 7 }, (_, k) => ({ name: `${k}`, values: late.map(draw) }));
    if (hiddenSelection(leaning, [{ name: "late", values: late }, ...others], luck)[0]!.found) caught++;
    if (hiddenSelection(byChance, [{ name: "late", values: late }, ...others], luck).some(({ found }) => found))
      alarms++;
  }
  say(
    "Hidden selection, 300 gardens: caught where it is, told where it is not",
    percent(caught / gardens),
    percent(alarms / gardens),
  );
}

/** The breeding values of 100,000 plants against the bare sweep through their pedigree. */
function large(): void {
  const luck = seeded(1);
  const n = 100_000;
  const list = Array.from(
    { length: n },
    (_, i): Individual =>
      i < n / 10
        ? { id: `${i}` }
        : {
            id: `${i}`,
            mother: `${Math.floor((i - n / 10) / 5)}`,
            father: `${Math.floor(luck() * Math.min(i, n / 2))}`,
          },
  );
  const pedigree = sampledPedigree(list);
  const seen = list.map((_, individual) => ({
    individual,
    environment: 0,
    value: normalFrom(luck(), luck()),
    weight: 1,
  }));
  const model = { pedigree, seen, environments: 1, additive: 0.3, residual: 0.7 };
  const timed = (work: () => unknown) => {
    work();
    const from = performance.now();
    work();
    return performance.now() - from;
  };
  const solved = timed(() => breedingValues(model));
  const sweep = timed(() => {
    const values = new Float64Array(n);
    for (let i = 0; i < n; i++) {
      const [m, f] = [pedigree.mother[i]!, pedigree.father[i]!];
      values[i] = (m < 0 ? 0 : values[m]! / 2) + (f < 0 ? 0 : values[f]! / 2) + seen[i]!.value;
    }
    return values;
  });
  say(
    "Breeding values of 100,000 plants: ms, bare sweep ms, ratio",
    solved.toFixed(0),
    sweep.toFixed(1),
    (solved / sweep).toFixed(0),
  );
  const small = { ...model, seen: seen.slice(0, 400) };
  const alone = predicted(pedigree, [5], {
    ...small,
    aim: AIM,
    reference: [0],
    spread: 1,
    heritability: heritabilityFrom({ low: 0.2, high: 0.4 }, [], null),
  });
  if (!Number.isFinite(alone[0])) throw new Error("No prediction of one plant.");
}

/** The frontier of 300 candidates, and following it. */
function frontier(): void {
  const luck = seeded(2);
  const worth = Array.from({ length: 300 }, () => normalFrom(luck(), luck()));
  const family = worth.map(() => Math.floor(luck() * 12));
  const kinship = worth.map((_, i) => worth.map((__, j) => (i === j ? 0.75 : family[i] === family[j] ? 0.4 : 0.1)));
  const from = performance.now();
  const points = frontierOf(worth, kinship, 33);
  const reckoned = performance.now() - from;
  const then = performance.now();
  for (let i = 0; i < 1_000; i++) atKinship(points, 0.12 + i / 2_000);
  say(
    "Frontier of 300 candidates: reckoned ms, followed ms a step",
    reckoned.toFixed(0),
    ((performance.now() - then) / 1_000).toFixed(3),
  );
}

/** Figures of selection against simulated truth. */
export function benchSelection(): void {
  console.log("\nSelection, against simulated truth");
  families(200, 24);
  families(100, 60);
  slopes();
  kin();
  responses();
  hidden();
  large();
  frontier();
}
