import { addDays, type Day } from "../calendar/day";
import { keyOf, type LivingStand, winterOf, work } from "./living";
import type { Work } from "./work";

/** Stored roots are looked through so often, days. */
const LOOK_EVERY = 28;

/** Plants in the house are looked after so often, days. Working value. */
const CARE_EVERY = 14;

/** Plants that come through the winter in the house: taken in before the frost, looked after, and put out again. */
function houseWork(stand: LivingStand, before: string[]): Work[] {
  const { liftedOn, sown, done } = stand;
  const winter = winterOf(stand);
  const open: Work[] = [];
  if (!liftedOn)
    open.push(
      work(stand, "lift", {
        what: "Take into the house",
        how: "Potted, cut back by half, rid of lice, each with its label.",
        from: later(addDays(winter.start, -30), sown),
        best: addDays(winter.start, -10),
        last: winter.start,
        otherwise: "the first frost takes them",
        waitsFor: before,
      }),
    );
  const taken = liftedOn ? [] : [keyOf(stand, "lift")];
  const next = addDays(done.get("look-store") ?? liftedOn ?? winter.start, CARE_EVERY);
  if (next < addDays(winter.end, -7))
    open.push(
      work(stand, "look-store", {
        what: "Look after them in the house",
        how: "Little water, as light as it can be; look under the leaves for lice.",
        from: addDays(next, -4),
        best: next,
        last: addDays(next, 14),
        otherwise: "dry or lousy plants do not see the spring",
        waitsFor: taken,
      }),
    );
  open.push(
    work(stand, "replant", {
      what: "Put out again",
      how: "Hardened for a week, after the last frost.",
      from: addDays(winter.end, -10),
      best: winter.end,
      last: addDays(winter.end, 30),
      otherwise: "what stays inside flowers late and thin",
      waitsFor: taken,
    }),
  );
  return open;
}

const later = (a: Day, b: Day): Day => (a > b ? a : b);

/**
 * What brings a crop of the second year through the winter: lifted, looked through in the store and replanted; left and
 * mulched; sown late it needs nothing.
 * @param before keys of what must be done before
 * @returns what is still open of it; nothing for a crop that flowers in its first year
 * @example winterWork(living({ secondYear: true, overwinter: "left" }), []).map(({ act, from }) => [act, from])
 *   // [["mulch", "2027-09-29"]]
 */
export function winterWork(stand: LivingStand, before: string[]): Work[] {
  const { secondYear, overwinter, liftedOn, replantedOn, firstFlower, sown, done } = stand;
  if (firstFlower || replantedOn) return [];
  if (stand.wintering === "house") return houseWork(stand, before);
  if (!secondYear && !stand.wintering) return [];
  const winter = winterOf(stand);
  if ((overwinter === "left" || stand.wintering === "outside") && !done.has("mulch"))
    return [
      work(stand, "mulch", {
        what: "Mulch for the winter",
        from: later(addDays(winter.start, -7), sown),
        best: addDays(winter.start, 7),
        last: addDays(winter.start, 35),
        otherwise: "hard frost reaches the roots",
        waitsFor: before,
      }),
    ];
  if (overwinter !== "lifted") return [];
  const open: Work[] = [];
  if (!liftedOn)
    open.push(
      work(stand, "lift", {
        what: "Lift and store",
        how: "The best only: split, bolted and odd ones are eaten.",
        from: later(addDays(winter.start, -30), sown),
        best: addDays(winter.start, -7),
        last: addDays(winter.start, 14),
        otherwise: "a hard frost takes them in the ground",
        waitsFor: before,
      }),
    );
  const lifted = liftedOn ? [] : [keyOf(stand, "lift")];
  const replant = addDays(winter.end, -30);
  const looked = done.get("look-store") ?? liftedOn ?? winter.start;
  const next = addDays(looked, LOOK_EVERY);
  if (next < replant)
    open.push(
      work(stand, "look-store", {
        what: "Look through the store",
        how: "Take out what rots, count what is sound.",
        from: addDays(next, -7),
        best: next,
        last: addDays(next, 14),
        otherwise: "one rotten root takes its neighbours",
        waitsFor: lifted,
      }),
    );
  open.push(
    work(stand, "replant", {
      what: "Replant",
      how: "Look each over once more; only the best go back.",
      from: addDays(winter.end, -45),
      best: replant,
      last: addDays(winter.end, 20),
      otherwise: "late replanting flowers late, and its seed may not ripen",
      waitsFor: lifted,
    }),
  );
  return open;
}
