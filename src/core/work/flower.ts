import { addDays, type Day } from "../calendar/day";
import { type LivingStand, work } from "./living";
import type { Work } from "./work";

/** Off-types can be told apart so many days before the first flower. Working value. */
const TOLD_APART = 21;
/** So many days before the earliest first flower buds can be covered, and are best covered. */
const COVER = { from: 10, best: 4 };

/**
 * What is done about a stand's flowers: rogued before pollen sheds, covered before the first opens by the early end of the
 * forecast, its first flower looked for, or its flowers taken off again and again.
 * @param before keys of what must be done before
 * @returns what is still open of it
 * @example flowerWork(living({ flowers: "covered" }), []).map(({ act, last }) => [act, last])
 *   // [["rogue", "2027-06-25"], ["cover", "2027-06-25"], ["first-flower", "2027-08-08"]]
 */
export function flowerWork(stand: LivingStand, before: string[]): Work[] {
  const { window, seedWanted, flowers, removeEvery, handled, separateSexes, firstFlower, mix, done } = stand;
  const open: Work[] = [];
  const opens = firstFlower ?? window.start;
  if (seedWanted && !mix && !done.has("rogue"))
    open.push(
      work(stand, "rogue", {
        what: "Rogue",
        how: "Look every plant over; take out what does not belong.",
        from: addDays(window.earliest, -TOLD_APART),
        best: addDays(window.earliest, -7),
        last: opens,
        lost: "off-types shed pollen on the rest",
        waitsFor: before,
      }),
    );
  if (flowers === "covered" && !done.has("cover"))
    open.push(
      work(stand, "cover", {
        what: "Cover",
        how: "Before the first flowers open.",
        part: "evening",
        from: addDays(window.earliest, -COVER.from),
        best: addDays(window.earliest, -COVER.best),
        last: opens,
        lost: "insects bring strange pollen; what was open is no seed of this line",
        waitsFor: before,
      }),
    );
  if (!firstFlower && !handled && !window.observed && !done.has("first-flower"))
    open.push(
      work(stand, "first-flower", {
        what: "First flower",
        how: separateSexes ? "Look which opens first, male or female." : "",
        from: window.earliest,
        last: window.latest,
        lost: "the forecast learns nothing of this year",
        waitsFor: before,
      }),
    );
  if (flowers === "removed" && removeEvery)
    open.push(...flowersOff(stand, removeEvery, before, done.get("flowers-off")));
  return open;
}

/** The next walk that takes a rival's flowers off, as long as it flowers. */
function flowersOff(stand: LivingStand, every: number, before: string[], last: Day | undefined): Work[] {
  const { window, firstFlower } = stand;
  const best = last ? addDays(last, every) : (firstFlower ?? window.earliest);
  if (best > window.latest) return [];
  return [
    work(stand, "flowers-off", {
      what: "Take flowers off",
      how: "Before they open; the walk is done again and again while it flowers.",
      part: "morning",
      from: last ? addDays(last, 1) : best,
      best,
      last: addDays(best, 2),
      lost: "its pollen reaches what is kept pure",
      waitsFor: before,
    }),
  ];
}
