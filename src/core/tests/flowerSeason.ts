import { type Beta, betaBinomialTail } from "../numbers/beta";
import { betaQuantile } from "../numbers/betaRange";
import { seeded } from "../numbers/chance";
import { flowersToDo, tonight } from "../pollination/flowersToDo";
import { learn } from "../pollination/setRate";

type FlowerSeason = {
  prior: Beta;
  wanted: number;
  confidence: number;
  evenings: number;
  perEvening: number;
  /** Days from pollination until it is known whether a flower has set. */
  lookAfter: number;
};

type Outcome = { reached: boolean; flowers: number; stated: number };

/**
 * One season by the program's evening advice: the garden's true set rate is drawn from what the catalogue believes, each
 * evening as many flowers are done as it says, and what has set or failed is known some days later.
 * @returns whether enough set, the flowers done, and the chance that was stated after the last evening with advice
 */
function liveThrough(season: FlowerSeason, luck: () => number): Outcome {
  const { prior, wanted, confidence, evenings, perEvening, lookAfter } = season;
  const rate = betaQuantile(prior, luck());
  const done: { evening: number; set: boolean }[] = [];
  let stated = 0;
  for (let evening = 0; evening < evenings; evening++) {
    const known = done.filter((f) => f.evening + lookAfter <= evening);
    const set = known.filter((f) => f.set).length;
    const outcomes = { set, failed: known.length - set };
    const learned = learn(prior, [{ what: "own", outcomes }]).rate;
    const tally = { covered: 0, waiting: done.length - known.length, set, lost: outcomes.failed, doubtful: 0 };
    const { likely } = flowersToDo(wanted, tally, learned, confidence);
    const now = tonight(likely, evenings - evening, perEvening, "2027-08-01").tonight;
    for (let i = 0; i < now; i++) done.push({ evening, set: luck() < rate });
    if (set < wanted) stated = betaBinomialTail(tally.waiting + now, learned, wanted - set);
    else stated = 1;
  }
  return { reached: done.filter((f) => f.set).length >= wanted, flowers: done.length, stated };
}

/** Many seasons of one kind: the share that reached what was wanted, and the means of flowers done and chance stated. */
export function calibrate(season: FlowerSeason, seasons: number, seed: number) {
  const luck = seeded(seed);
  const lived = Array.from({ length: seasons }, () => liveThrough(season, luck));
  const mean = (of: (o: Outcome) => number) => lived.reduce((sum, o) => sum + of(o), 0) / seasons;
  return { reached: mean((o) => Number(o.reached)), flowers: mean((o) => o.flowers), stated: mean((o) => o.stated) };
}
