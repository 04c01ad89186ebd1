import { addDays, type Day } from "../calendar/day";
import { type LivingStand, work } from "./living";
import type { Work } from "./work";

/** Off-types can be told apart so many days before the first flower. Working value. */
const TOLD_APART = 21;
/** So many days before the earliest first flower buds can be covered, and are best covered. */
const COVER = { from: 10, best: 4 };
/** What will flower with it can be seen so many days before. Working values. */
const LOOKED = { from: 21, best: 10 };
/** Sexes are told apart for so many days before all males shed. Working value. */
const SEXES_TOLD = 7;

const ROGUE = { what: "Rogue", how: "Look every plant over; take out what does not belong." };
/** Plants of a cross are all different: what is not wanted is not chosen, and only a stranger is taken out. */
const ODD_ONES = {
  what: "Take out what can’t come of the cross",
  how: "Only what neither parent could give, as another leaf or flower. The rest is scored.",
};

/**
 * What is done about a stand's flowers: rogued before pollen sheds, covered before the first opens by the early end of the
 * forecast, its first flower looked for, or its flowers taken off again and again.
 * @param before keys of what must be done before
 * @returns what is still open of it
 * @example flowerWork(living({ flowers: "covered" }), []).map(({ act, last }) => [act, last])
 *   // [["rogue", "2027-06-25"], ["cover", "2027-06-25"], ["first-flower", "2027-08-08"], ["uncover", "2027-08-19"]]
 */
export function flowerWork(stand: LivingStand, before: string[]): Work[] {
  const {
    window,
    seedWanted,
    flowers,
    removeEvery,
    handled,
    separateSexes,
    separatePlants,
    firstFlower,
    mix,
    around,
    done,
  } = stand;
  const open: Work[] = [];
  const opens = firstFlower ?? window.start;
  if (around && !done.has("look-around"))
    open.push(
      work(stand, "look-around", {
        what: `Look what flowers within ${around}`,
        how: "Gardens, fields, waysides: enter under Ground what crosses with it and flowers when it does.",
        count: null,
        from: addDays(window.earliest, -LOOKED.from),
        best: addDays(window.earliest, -LOOKED.best),
        last: opens,
        otherwise: "what nobody entered is in no figure",
        waitsFor: before,
      }),
    );
  if (seedWanted && !mix && !done.has("rogue"))
    open.push(
      work(stand, "rogue", {
        ...(stand.allDiffer ? ODD_ONES : ROGUE),
        from: addDays(window.earliest, -TOLD_APART),
        best: addDays(window.earliest, -7),
        last: opens,
        otherwise: "off-types shed pollen on the rest",
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
        otherwise: "insects bring strange pollen; what was open is no seed of this line",
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
        otherwise: "the forecast learns nothing of this year",
        waitsFor: before,
      }),
    );
  if (separatePlants && seedWanted && !done.has("sexes"))
    open.push(
      work(stand, "sexes", {
        what: "Count males and females",
        how: "Take unwanted males out before they shed; both numbers set how many plants it counts as.",
        from: window.earliest,
        best: opens,
        last: addDays(opens, SEXES_TOLD),
        otherwise: "males nobody chose are fathers of the seed",
        waitsFor: before,
      }),
    );
  // Males that have shed are done; what they take is the females' water and light.
  if (separatePlants && seedWanted && !done.has("males-out") && stand.males !== 0)
    open.push(
      work(stand, "males-out", {
        what: "Take the males out",
        how: "They have shed; the females have the room for their seed.",
        count: stand.males,
        from: addDays(window.end, 1),
        best: addDays(window.end, 7),
        waitsFor: before,
      }),
    );
  if (stand.fixing && seedWanted && !done.has("self"))
    open.push(
      work(stand, "self", {
        what: "Plan its next generation",
        how: "Choose plants on its page, to be selfed or crossed among themselves by hand.",
        count: null,
        from: window.earliest,
        best: opens,
        last: window.end,
        otherwise: "its seed is of whatever flew",
        waitsFor: before,
      }),
    );
  open.push(...underCover(stand, before));
  if (flowers === "removed" && removeEvery)
    open.push(...flowersOff(stand, removeEvery, before, done.get("flowers-off")));
  return open;
}

/** A cage is seen to every other day, and opened on alternate ones. Working values, days. */
const CAGE = { every: 2, late: 2 };
/** Covers come off when the last flower is over, and are off within so many days. Working value. */
const UNCOVER = 21;

/** What a cover asks for: a cage is seen to while it flowers, whatever was covered is uncovered when it is over. */
function underCover(stand: LivingStand, before: string[]): Work[] {
  const { window, flowers, cover, selfs, firstFlower, done } = stand;
  if (flowers !== "covered") return [];
  const open: Work[] = [];
  const seen = done.get("cage");
  const next = seen ? addDays(seen, CAGE.every) : (firstFlower ?? window.start);
  if (!selfs && cover !== "bags" && cover !== null && next <= window.end)
    open.push(
      work(stand, "cage", {
        what: cover === "cage" ? "See to its cage" : "Open its cage for the day",
        how:
          cover === "cage"
            ? "Insects alive in it, or its flowers brushed; look for tears."
            : "Its partner stays shut today; close this one after the last bee.",
        part: "morning",
        from: next,
        last: addDays(next, CAGE.late),
        otherwise: "flowers under it stay without pollen",
        waitsFor: before,
      }),
    );
  if (!done.has("uncover"))
    open.push(
      work(stand, "uncover", {
        what: cover === "bags" ? "Take the bags off, marks stay" : "Take its cover off",
        how: "No flower open any more; seed ripens better in air.",
        from: window.end,
        best: addDays(window.end, 3),
        last: addDays(window.end, UNCOVER),
        otherwise: "seed moulds under cover",
        waitsFor: before,
      }),
    );
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
      otherwise: "its pollen reaches what is kept pure",
      waitsFor: before,
    }),
  ];
}
