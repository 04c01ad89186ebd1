import { addDays, type Day } from "../calendar/day";
import { keyOf, type LivingStand, winterOf, work } from "./living";
import type { Act, Work } from "./work";

/** One of the acts that bring plants through a winter away from their bed: words, and days from the winter's ends. */
type Told = Pick<Work, "what" | "how"> & { otherwise: string; best: number; last: number; early: number };
type Keeping = { lift: Told; look: Told & { every: number; until: number }; replant: Told };

/** Roots in the store: looked through every four weeks, replanted some weeks before the last frost. */
const IN_STORE: Keeping = {
  lift: {
    what: "Lift and store",
    how: "The best only: split, bolted and odd ones are eaten.",
    otherwise: "a hard frost takes them in the ground",
    early: -30,
    best: -7,
    last: 14,
  },
  look: {
    what: "Look through the store",
    how: "Take out what rots, count what is sound.",
    otherwise: "one rotten root takes its neighbours",
    every: 28,
    until: -30,
    early: -7,
    best: 0,
    last: 14,
  },
  replant: {
    what: "Replant",
    how: "Look each over once more; only the best go back.",
    otherwise: "late replanting flowers late, and its seed may not ripen",
    early: -45,
    best: -30,
    last: 20,
  },
};

/** Plants in the house: in before the first frost, looked after every two weeks, out again after the last. Working values. */
const IN_HOUSE: Keeping = {
  lift: {
    what: "Take into the house",
    how: "Potted, cut back by half, rid of lice, each with its label.",
    otherwise: "the first frost takes them",
    early: -30,
    best: -10,
    last: 0,
  },
  look: {
    what: "Look after them in the house",
    how: "Little water, as light as it can be; look under the leaves for lice.",
    otherwise: "dry or lousy plants do not see the spring",
    every: 14,
    until: -7,
    early: -4,
    best: 0,
    last: 14,
  },
  replant: {
    what: "Put out again",
    how: "Hardened for a week, after the last frost.",
    otherwise: "what stays inside flowers late and thin",
    early: -10,
    best: 0,
    last: 30,
  },
};

/** What is still open of taking plants away from their bed, looking after them, and bringing them back. */
function awayWork(stand: LivingStand, { lift, look, replant }: Keeping, before: string[]): Work[] {
  const { liftedOn, sown, done } = stand;
  const winter = winterOf(stand);
  const on = (act: Act, day: Day, { early, best, last, ...words }: Told, waitsFor: string[], notBefore = "") =>
    work(stand, act, {
      ...words,
      from: later(addDays(day, early), notBefore),
      best: addDays(day, best),
      last: addDays(day, last),
      waitsFor,
    });
  const taken = liftedOn ? [] : [keyOf(stand, "lift")];
  const { every, until, ...looked } = look;
  const next = addDays(done.get("look-store") ?? liftedOn ?? winter.start, every);
  return [
    ...(liftedOn ? [] : [on("lift", winter.start, lift, before, sown)]),
    ...(next < addDays(winter.end, until) ? [on("look-store", next, looked, taken)] : []),
    on("replant", winter.end, replant, taken),
  ];
}

const later = (a: Day, b: Day): Day => (a > b ? a : b);

/** From so many days after sowing a crop of the second year shows which of its plants bolt. Working value. */
const BOLTS_FROM = 60;

/** Plants that flower in the first of their two years are no good for seed: their children bolt too. */
function bolters(stand: LivingStand, before: string[]): Work[] {
  const { sown, done, liftedOn, secondYear, wintering, seedWanted } = stand;
  const winter = winterOf(stand);
  const from = addDays(sown, BOLTS_FROM);
  if (!secondYear || wintering || liftedOn || !seedWanted || done.has("bolters") || from >= winter.start) return [];
  return [
    work(stand, "bolters", {
      what: "Look for bolters",
      how: "What flowers in its first year is marked, never for seed, and pulled before it sheds pollen: its children bolt too.",
      from,
      best: addDays(winter.start, -45),
      last: winter.start,
      otherwise: "their seed is in with the rest, and bolts again",
      waitsFor: before,
    }),
  ];
}

/** Nobody said yet how its plants come through the winter. */
function winterWay(stand: LivingStand, before: string[]): Work {
  const winter = winterOf(stand);
  return work(stand, "winter-way", {
    what: "Say how it comes through the winter",
    how: "Lifted and stored, left under mulch, or sown late: its page shows how many live each way.",
    from: later(addDays(winter.start, -60), stand.sown),
    best: addDays(winter.start, -35),
    last: addDays(winter.start, 14),
    otherwise: "the first hard frost decides for you",
    waitsFor: before,
  });
}

/** Plants that stood outside through the winter are counted once it is over. */
function living(stand: LivingStand, before: string[]): Work[] {
  if (stand.done.has("count-living")) return [];
  const winter = winterOf(stand);
  return [
    work(stand, "count-living", {
      what: "Count how many came through",
      from: later(addDays(winter.end, -14), stand.sown),
      best: winter.end,
      last: addDays(winter.end, 42),
      otherwise: "dead plants are counted as mothers",
      waitsFor: before,
    }),
  ];
}

/**
 * What brings a crop of the second year through the winter: lifted, looked through in the store and replanted; left and
 * mulched; sown late it needs nothing.
 * @param before keys of what must be done before
 * @returns what is still open of it; nothing for a crop that flowers in its first year
 * @example winterWork(living({ secondYear: true, overwinter: "left" }), []).map(({ act, from }) => [act, from])
 *   // [["bolters", "2027-06-30"], ["mulch", "2027-09-29"], ["count-living", "2028-04-30"]]
 */
export function winterWork(stand: LivingStand, before: string[]): Work[] {
  const { secondYear, overwinter, replantedOn, firstFlower, sown, done } = stand;
  if (firstFlower || replantedOn) return [];
  if (stand.wintering === "house") return awayWork(stand, IN_HOUSE, before);
  if (!secondYear && !stand.wintering) return [];
  const winter = winterOf(stand);
  if (overwinter === null && !stand.wintering && !stand.liftedOn)
    return [...bolters(stand, before), winterWay(stand, before), ...living(stand, before)];
  if ((overwinter === "left" || stand.wintering === "outside") && !done.has("mulch"))
    return [
      ...bolters(stand, before),
      work(stand, "mulch", {
        what: "Mulch for the winter",
        from: later(addDays(winter.start, -7), sown),
        best: addDays(winter.start, 7),
        last: addDays(winter.start, 35),
        otherwise: "hard frost reaches the roots",
        waitsFor: before,
      }),
      ...living(stand, before),
    ];
  return [
    ...bolters(stand, before),
    ...(overwinter === "lifted" ? awayWork(stand, IN_STORE, before) : living(stand, before)),
  ];
}
