import { ended } from "@/core/lists/ended";
import { normalFrom, seeded } from "@/core/numbers/chance";
import { sampledPedigree } from "@/core/pedigree/pedigree";
import { atKinship, frontierOf } from "@/core/selection/contributions";
import { heritabilityFrom } from "@/core/selection/heritability";
import { hiddenSelection } from "@/core/selection/hidden";
import { selectionIntensity } from "@/core/selection/intensity";
import { selectionResponse } from "@/core/selection/response";
import { rankedWorth, type Trait } from "@/core/selection/worth";
import { AIM, F2 } from "@/core/tests/selection";

const say = (name: string, ...figures: string[]) => console.log(`${name.padEnd(62)} ${figures.join("   ")}`);
const percent = (share: number) => `${(100 * share).toFixed(1)} %`;
const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length;

/** F2 families whose heritability is drawn from what is guessed of it: ranges, and “among the best five”. */
function families(count: number, plants: number): void {
  const luck = seeded(plants);
  const draw = () => normalFrom(luck(), luck());
  const pedigree = sampledPedigree(F2(plants));
  const guess = heritabilityFrom({ low: 0.1, high: 0.6 }, null);
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
      looks: values.map((value, record) => ({ record, value })),
      inherited: guess.grid,
    };
    const candidates = values.map((_, i) => i);
    const records = values.map((_, i) => ({ individual: i + 3, environment: 0, row: null, x: null, y: null }));
    const { worths } = ended(
      rankedWorth({
        pedigree,
        records,
        candidates,
        traits: [trait],
        best: 5,
        draws: 200,
        random: luck,
        parentalControl: 1,
        selfed: true,
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
  responses();
  hidden();
  frontier();
}
