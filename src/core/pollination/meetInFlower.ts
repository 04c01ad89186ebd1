import { addDays, type Day, daysBetween } from "../calendar/day";
import { type Flowering, flowersAtAll, type Range, type Window } from "../flowering/facts";
import { meetingChance } from "../flowering/meet";
import { meeting } from "./steps";
import { type PollenLife, pollenLeft, STORAGES, type Storage } from "./storedPollen";

/** One parent of a cross that is to meet the other in flower. */
export type MeetParent = {
  window: Flowering;
  /** Whether it is still to be sown, so that its sowing can be moved. */
  unsown: boolean;
  /** Its flowering if it were sown on a day. */
  ifSown: (day: Day) => Flowering;
  /** The chance that seed of such a sowing ripens before frost. */
  ripens: (window: Flowering) => number;
  cutBack: Range | null;
  flowerDays: Range;
};

export type MeetProblem = {
  mother: MeetParent;
  father: MeetParent;
  pollenLife: PollenLife;
  today: Day;
  /** Days that they must have in common. */
  days: number;
  /** The chance of meeting that is wanted. */
  wanted: number;
  /** The chance of ripening that a moved mother must have. */
  ripeWanted: number;
};

export type WayToMeet =
  | {
      kind: "sow-mother" | "sow-father" | "sow-father-again";
      /** The best day, and between which days the wanted chance is reached. */
      day: Day;
      from: Day;
      to: Day;
      chance: number;
      ripens: number;
    }
  | { kind: "cut-back"; who: "mother" | "father"; day: Day; back: Range; chance: number }
  | {
      kind: "store";
      storage: Storage;
      gatherBy: Day;
      days: number;
      left: { low: number; likely: number; high: number };
      chance: number;
    };

/** How far ahead sowings are tried, and how finely, days. */
const AHEAD = 150;
const STEP = 2;
/** Pollen of which less than this share works is not worth storing. */
const LEAST_LEFT = 0.1;

type Sowing = Extract<WayToMeet, { kind: "sow-mother" | "sow-father" | "sow-father-again" }>;

/** The best day to sow a parent on, if any reaches the wanted chance. */
function sowing(problem: MeetProblem, kind: Sowing["kind"]): Sowing | null {
  const { mother, father, today, days, wanted, ripeWanted } = problem;
  const own = kind === "sow-mother" ? mother : father;
  let best = null as Sowing | null;
  for (let ahead = 0; ahead <= AHEAD; ahead += STEP) {
    const day = addDays(today, ahead);
    const window = own.ifSown(day);
    const pair =
      kind === "sow-mother"
        ? { mother: window.female, father: father.window.male }
        : { mother: mother.window.female, father: window.male };
    if (!flowersAtAll(window)) continue;
    const chance = meetingChance(pair, days);
    if (chance < wanted) continue;
    const ripens = kind === "sow-mother" ? mother.ripens(window) : mother.ripens(mother.window);
    if (kind === "sow-mother" && ripens < ripeWanted) continue;
    if (!best) best = { kind, day, from: day, to: day, chance, ripens };
    else if (chance > best.chance + 1e-9) best = { ...best, day, to: day, chance, ripens };
    else best.to = day;
  }
  return best;
}

/** Cutting back the one that is first, on the day that brings its new flowers to the other's. */
function cutBack({ mother, father, today, days, wanted }: MeetProblem): WayToMeet | null {
  const { first } = meeting(mother.window.female, father.window.male);
  if (!first) return null;
  const own = first === "mother" ? mother : father;
  if (!own.cutBack) return null;
  const other = first === "mother" ? father.window.male : mother.window.female;
  const back = Math.round((own.cutBack.low + own.cutBack.high) / 2);
  const ideal = addDays(other.start, -back);
  // Past its flowering a plant is ripening, and there is nothing to put off.
  if (today > own.window.end) return null;
  const latest = ideal > own.window.end ? own.window.end : ideal;
  const day = latest < today ? today : latest;
  const start = addDays(day, back);
  const long = Math.round((own.flowerDays.low + own.flowerDays.high) / 2);
  const again: Window = {
    start,
    end: addDays(start, long - 1),
    earliest: addDays(day, own.cutBack.low),
    latest: addDays(day, own.cutBack.high + own.flowerDays.high - 1),
  };
  const chance = meetingChance(
    first === "mother" ? { mother: again, father: other } : { mother: other, father: again },
    days,
  );
  return chance < wanted ? null : { kind: "cut-back", who: first, day, back: own.cutBack, chance };
}

/** Pollen of a father who is over too soon, kept until the mother flowers. */
function stored({ mother, father, pollenLife, today, days, wanted }: MeetProblem): WayToMeet[] {
  const { male } = father.window;
  const { female } = mother.window;
  if (meeting(female, male).first !== "father" || male.end < today) return [];
  const kept = daysBetween(male.end, female.start);
  return STORAGES.flatMap((storage): WayToMeet[] => {
    const life = pollenLife[storage];
    const left = pollenLeft(kept, life);
    const lasts = Math.round(life.low + life.high);
    const reach: Window = { ...male, end: addDays(male.end, lasts), latest: addDays(male.latest, lasts) };
    const chance = meetingChance({ mother: female, father: reach }, days);
    if (left.likely < LEAST_LEFT || chance < wanted) return [];
    return [{ kind: "store", storage, gatherBy: male.end, days: kept, left, chance }];
  });
}

/**
 * The ways to have two parents in flower together with the wanted chance: another sowing day for one not yet sown, a
 * second sowing of the father, cutting back the one that is first, or pollen stored until the mother flowers. Each
 * carries the chance of meeting that the forecasts' ranges leave it; the surest comes first.
 * @returns nothing where they meet surely enough already, or where no way reaches the wanted chance
 * @example waysToMeet({ mother: { window: stand(1).window }, father: { window: stand(2).window }, days: 3, wanted: 0.8
 *   }) // []
 */
export function waysToMeet(problem: MeetProblem): WayToMeet[] {
  const { mother, father, days, wanted } = problem;
  if (meetingChance({ mother: mother.window.female, father: father.window.male }, days) >= wanted) return [];
  return [
    mother.unsown ? sowing(problem, "sow-mother") : null,
    father.unsown ? sowing(problem, "sow-father") : sowing(problem, "sow-father-again"),
    cutBack(problem),
    ...stored(problem),
  ]
    .filter((way) => way !== null)
    .sort((a, b) => b.chance - a.chance);
}
