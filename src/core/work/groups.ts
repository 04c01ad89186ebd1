import { type Day, daysBetween } from "../calendar/day";
import { onceOf } from "./living";
import { byLastChance, type Standing, type Work } from "./work";

type Placed = Pick<Work, "key" | "act" | "count" | "minutes" | "from" | "best" | "last"> & { standing: Standing };

/** Work that is still ahead is one walk where it begins within so many days. Working value. */
const TOGETHER = 7;

/** Whether two pieces of one act in one place are one walk: what can be done today is, what is ahead if it begins together. */
const meet = (a: Placed, b: Placed): boolean =>
  (a.standing === "ahead") === (b.standing === "ahead") &&
  (a.standing !== "ahead" || Math.abs(daysBetween(a.from, b.from)) <= TOGETHER);

/** Work of one act in one place: one walk, and one row that opens. */
export type WorkGroup<W> = {
  key: string;
  place: string | null;
  /** The soonest impossible first. */
  works: W[];
  /** Of seeds, plants or roots together; null where nothing is counted. */
  count: number | null;
  minutes: number;
  best: Day;
  last: Day | null;
};

/**
 * Work put together by act and place, in the order of what is soonest impossible. What one walk needs once is counted once.
 * @param placeOf where a piece of work is done; null is a place too, where what is nowhere yet stands together
 * @example inPlaces([29, 22].map((minutes) => ({ ...piece("stake", { minutes }), standing: "due" })), () => "C").map(({ works, minutes }) => [works.length, minutes]) // [[2, 36]]
 */
export function inPlaces<W extends Placed>(works: W[], placeOf: (work: W) => string | null): WorkGroup<W>[] {
  const groups: W[][] = [];
  for (const work of [...works].sort(byLastChance)) {
    const group = groups.find(
      ([first]) => first!.act === work.act && placeOf(first!) === placeOf(work) && meet(first!, work),
    );
    if (group) group.push(work);
    else groups.push([work]);
  }
  return groups.map((together) => {
    const [first] = together as [W, ...W[]];
    const counts = together.flatMap(({ count }) => count ?? []);
    const once = (together.length - 1) * onceOf(first.act);
    return {
      key: first.key,
      place: placeOf(first),
      works: together,
      count: counts.length > 0 ? counts.reduce((a, b) => a + b, 0) : null,
      minutes: Math.max(1, together.reduce((sum, { minutes }) => sum + minutes, 0) - once),
      best: together.map(({ best }) => best).sort()[0]!,
      last: first.last,
    };
  });
}
