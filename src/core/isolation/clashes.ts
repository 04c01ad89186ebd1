import { overlapDays } from "../calendar/day";
import type { Flowering } from "../flowering/forecast";
import { groupBy } from "../lists/groupBy";
import { gap, type Plot } from "./distance";

export type School = "keep-pure" | "cross-and-fix" | "let-it-mix";
export type FlowerCare = "open" | "covered" | "hand" | "removed";

export type StandOnGround = {
  id: number;
  lineId: number;
  name: string;
  crossingGroup: string;
  school: School;
  wild: boolean;
  plot: Plot & { name: string; outside: boolean };
  window: Flowering;
  flowers: FlowerCare;
  seedWanted: boolean;
  /** Rule-of-thumb metres at the chosen level of care. */
  isolation: number;
};

export type Clash = {
  /** The stand whose seed is at stake, and the one whose pollen comes. */
  stand: StandOnGround;
  source: StandOnGround;
  metres: number;
  wanted: number;
  days: number;
};

/** Whether the seed of a stand is open to strange pollen: covered and hand-pollinated flowers are not. */
const exposed = (stand: StandOnGround) => stand.seedWanted && stand.flowers === "open" && !stand.plot.outside;
/** Whether a stand sheds pollen that can travel. */
const sheds = (stand: StandOnGround) => stand.flowers === "open" || stand.flowers === "hand";

/** Whether a line of this school minds pollen of that source: a mix minds only the wild. */
const minds = (stand: StandOnGround, source: StandOnGround) => stand.school !== "let-it-mix" || source.wild;

/** Stands that could flower on a common day, early–late ranges counted. Sorted by start, so that each meets only near ones. */
function* meetingPairs(stands: StandOnGround[]): Generator<[StandOnGround, StandOnGround]> {
  const sorted = [...stands].sort((a, b) => (a.window.start < b.window.start ? -1 : 1));
  for (let i = 0; i < sorted.length; i++) {
    const first = sorted[i]!;
    for (let j = i + 1; j < sorted.length && sorted[j]!.window.start <= first.window.end; j++)
      yield [first, sorted[j]!];
  }
}

/**
 * Stands whose seed may be fathered by a neighbour of their crossing group: their likely flowerings share days, and
 * the gap between the beds is less than the rule-of-thumb distance. A rule of thumb says nothing of how much.
 * @returns one clash for each stand at stake and each source, nearest against its distance first
 */
export function findClashes(stands: StandOnGround[]): Clash[] {
  const groups = groupBy(stands, (stand) => stand.crossingGroup);
  const clashes: Clash[] = [];
  for (const group of groups.values()) {
    for (const [a, b] of meetingPairs(group)) {
      if (a.lineId === b.lineId) continue;
      const metres = gap(a.plot, b.plot);
      const days = overlapDays(a.window, b.window);
      for (const [stand, source] of [
        [a, b],
        [b, a],
      ] as const) {
        if (days > 0 && metres < stand.isolation && exposed(stand) && sheds(source) && minds(stand, source))
          clashes.push({ stand, source, metres, wanted: stand.isolation, days });
      }
    }
  }
  return clashes.sort((x, y) => x.metres / x.wanted - y.metres / y.wanted);
}
