import { addDays, type Day } from "../calendar/day";
import { flowersAtAll } from "../flowering/facts";
import type { StageOfLife } from "../traits/trait";
import { type LivingStand, type Scoring, work } from "./living";
import type { Work } from "./work";

/** What a family is still to be looked at for. */
export type ToScore = { stage: StageOfLife; name: string; plants: number };

/** Days that a stage of life gives for looking. Working values. */
const SEEDLING = { best: 7, last: 28 };
const LEAF = { from: 14, best: 28 };
const FLOWER = { best: 5 };
const FRUIT = { from: -21, last: 21 };
const HARVEST = { best: 7, last: 42 };
const STORE = { from: 45, best: 90 };

const ORDER: StageOfLife[] = ["seedling", "leaf", "flower", "fruit", "harvest", "store"];

type Lived = Pick<LivingStand, "sown" | "upOn" | "plantedOut" | "firstFlower" | "window" | "raising">;

/**
 * When a stage of a stand's life can be looked at, when best, and until when; null for what it never comes to.
 * @example stageSpan(living({ plants: 20 }), "flower") // { from: "2027-06-25", best: "2027-06-30", last: "2027-07-29" }
 */
export function stageSpan(
  { sown, upOn, plantedOut, firstFlower, window, raising }: Lived,
  stage: StageOfLife,
): Pick<Work, "from" | "best" | "last"> | null {
  const up = upOn ?? addDays(sown, Math.round(raising.up.high));
  const opens = firstFlower ?? window.start;
  const flowers = flowersAtAll(window);
  switch (stage) {
    case "seedling":
      return { from: up, best: addDays(up, SEEDLING.best), last: addDays(up, SEEDLING.last) };
    case "leaf": {
      const from = addDays(plantedOut ?? up, LEAF.from);
      return {
        from,
        best: addDays(from, LEAF.best),
        last: flowers && opens > from ? opens : addDays(from, 2 * LEAF.best),
      };
    }
    case "flower":
      return flowers ? { from: opens, best: addDays(opens, FLOWER.best), last: window.end } : null;
    case "fruit":
      return flowers
        ? { from: addDays(window.ripe, FRUIT.from), best: window.ripe, last: addDays(window.ripe, FRUIT.last) }
        : null;
    case "harvest":
      return flowers
        ? { from: window.ripe, best: addDays(window.ripe, HARVEST.best), last: addDays(window.ripe, HARVEST.last) }
        : null;
    case "store":
      return flowers
        ? { from: addDays(window.ripe, STORE.from), best: addDays(window.ripe, STORE.best), last: null }
        : null;
    default:
      return null;
  }
}

/**
 * What of a family is to be scored next: of the stages that are not over, the first with something open.
 * @param open yardsticks with the plants that were not looked at on them; those of any time are nobody's task
 * @param today stages that are over by then are past
 * @example nextScoring(living({ plants: 20 }), [{ stage: "flower", name: "Height", plants: 8 }], "2027-07-01")
 *   // { stage: "flower", names: ["Height"], plants: 8 }
 */
export function nextScoring(stand: Lived, open: ToScore[], today: Day): Scoring | null {
  for (const stage of ORDER) {
    const of = open.filter((one) => one.stage === stage);
    const span = of.length > 0 ? stageSpan(stand, stage) : null;
    if (!span || (span.last !== null && span.last < today)) continue;
    return { stage, names: of.map(({ name }) => name), plants: Math.max(...of.map(({ plants }) => plants)) };
  }
  return null;
}

/** So many names are said. */
const NAMES = 3;

/**
 * The look at a family that its yardsticks ask for at this stage of its life.
 * @example scoreWork(living({ plants: 20, scoring: { stage: "flower", names: ["Height"], plants: 8 } }))[0].what // "Score Height"
 */
export function scoreWork(stand: LivingStand): Work[] {
  const { scoring, planned } = stand;
  const span = scoring && stageSpan(stand, scoring.stage);
  const done = stand.done.get("score");
  if (!span || planned || (done && done >= span.from)) return [];
  const { names, plants } = scoring!;
  const more = names.length > NAMES ? ` and ${names.length - NAMES} more` : "";
  return [
    work(stand, "score", {
      what: `Score ${names.slice(0, NAMES).join(", ")}${more}`,
      how: `${plants === 1 ? "One plant has" : `${plants} plants have`} no score on ${names.length === 1 ? "it" : "them"} yet.`,
      count: plants,
      ...span,
      otherwise: "it can't be looked at any more, and the choice is made without it",
    }),
  ];
}
