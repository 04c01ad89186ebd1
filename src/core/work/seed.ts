import { addDays, type Day } from "../calendar/day";
import { keyOf, type LivingStand, work } from "./living";
import type { Work } from "./work";

/** Ripe dry seed stays on its plants for so long, and ripe fruit sound. Working values, days. */
export const STAYS_ON = 21;
/** Fruit is brought in so many days before the usual frost, at the best. */
const BEFORE_FROST = 5;

/** Days from gathering until seed is clean and dry, and until what lies about unnamed is as good as lost. Working values. */
const DRYING = { from: 3, best: 14, last: 60 };

/** Cut stalks ripen and dry for so long under a roof. Working value, days. */
const RIPENS_CUT = 10;
const BEFORE_RAIN = "Where rain is coming, cut stalks of equal ripeness and let them ripen under a roof.";
/** What ripens little by little is picked again after so many days. Working value. */
const PASS_EVERY = 7;

/** Of a family in which some are kept, their seed alone. */
const gatherInWords = (kept: number): string =>
  kept === 0
    ? "Gather ripe seed"
    : kept === 1
      ? "Gather the seed of the kept plant"
      : `Gather the seed of ${kept} kept plants, each apart`;

const earlier = (a: Day, b: Day): Day => (b < a ? b : a);

/**
 * What brings a stand's seed home: fruit that a frost would spoil brought in before it, seed gathered
 * as it ripens, and made a lot of once it is clean.
 * @param before keys of what must be done before
 * @returns what is still open of it; nothing where no seed is wanted
 * @example seedWork(living({ ripeSign: "Pods are papery." }), []).map(({ act, from, last }) => [act, from, last])
 *   // [["gather", "2027-07-30", "2027-09-09"], ["keep", "2027-08-12", "2027-10-08"]]
 */
export function seedWork(stand: LivingStand, before: string[]): Work[] {
  const { window, ripening, seedWanted, gathered, fleshy, frosts } = stand;
  if (!seedWanted || gathered) return [];
  const gatheredOn = stand.done.get("gather");
  const { choosing } = stand;
  const kept = choosing?.own ?? 0;
  // All that go on are chosen, and none of them stands in this row.
  if (choosing && kept === 0 && choosing.kept >= choosing.wanted) return [];
  const keep = (from: Day, waitsFor: string[]) =>
    work(stand, "keep", {
      what: kept > 1 ? `Make ${kept} lots, one of each kept plant` : "Make its lot",
      how: "Clean and dry, it is counted or weighed and goes into the drawer.",
      count: null,
      from: addDays(from, DRYING.from),
      best: addDays(from, DRYING.best),
      last: addDays(from, DRYING.last),
      otherwise: "nobody knows any more whose seed it is",
      waitsFor,
    });
  if (gatheredOn) return [keep(gatheredOn, [])];
  if (stand.putOff.get("gather") === null) return [];
  const { ripe, ripeEarliest, ripeLatest } = window;
  const frost = ripening.frost;
  const passes = stand.done.get("pick");
  const stays = addDays(ripeLatest, STAYS_ON);
  const last = fleshy && frost ? earlier(stays, addDays(frost, STAYS_ON)) : stays;
  // Weather that comes when nothing hangs any more harms nothing.
  const inTime = (day: Day | null) => (day && day <= last ? day : null);
  const frostNight = inTime(stand.frostNight);
  const rainDay = inTime(stand.rainDay);
  const open: Work[] = [];
  if (fleshy && frostNight && window.start < frostNight && !stand.done.has("bring-in"))
    open.push(
      work(stand, "bring-in", {
        what: "Bring in before the frost of this week",
        how: "The station expects it. What is not ripe yet finishes indoors.",
        from: addDays(frostNight, -3),
        best: addDays(frostNight, -1),
        last: frostNight,
        otherwise: "frost spoils what hangs outside",
        waitsFor: before,
      }),
    );
  else if (
    fleshy &&
    frost &&
    frosts &&
    !stand.done.has("bring-in") &&
    ripeLatest > addDays(frost, -frosts.first.spread)
  )
    open.push(
      work(stand, "bring-in", {
        what: "Bring in before frost",
        how: "What is not ripe yet finishes indoors.",
        from: addDays(frost, -2 * frosts.first.spread),
        best: addDays(frost, -BEFORE_FROST - Math.round(frosts.first.spread / 2)),
        last: frost,
        otherwise: "frost spoils what hangs outside",
        waitsFor: before,
      }),
    );
  if (stand.tasted && !stand.done.has("taste"))
    open.push(
      work(stand, "taste", {
        what: "Taste",
        how: "A piece of each plant's ripe fruit, before its seed is kept. Spit out what is bitter, and keep no seed of it.",
        from: ripeEarliest,
        best: ripe,
        last: earlier(ripeLatest, last),
        otherwise: "plants nobody tasted give seed",
        waitsFor: before,
      }),
    );
  const cut = stand.done.get("cut");
  if (!fleshy && !cut && rainDay && ripeEarliest <= rainDay)
    open.push(
      work(stand, "cut", {
        what: "Cut before the rain",
        how: "Stalks of equal dryness together, to ripen under a roof; what is still green stays.",
        from: addDays(rainDay, -3),
        best: addDays(rainDay, -1),
        last: rainDay,
        otherwise: "wet heads mould, and seed sprouts in them",
        waitsFor: before,
      }),
    );
  open.push(
    cut
      ? work(stand, "gather", {
          what: "Thresh what was cut",
          how: "Once it rustles dry under its roof.",
          from: addDays(cut, 3),
          best: addDays(cut, RIPENS_CUT),
          last: addDays(cut, DRYING.last),
          otherwise: "mice and mould get it",
        })
      : work(stand, "gather", {
          what: passes ? "Pick what has ripened since" : gatherInWords(kept),
          how: fleshy ? stand.ripeSign : `${stand.ripeSign} ${BEFORE_RAIN}`,
          from: passes ? addDays(passes, 1) : ripeEarliest,
          best: passes ? addDays(passes, PASS_EVERY) : ripe,
          last,
          otherwise: fleshy ? "what is left rots" : "pods open and the seed falls",
          waitsFor: before,
        }),
  );
  open.push(keep(ripe, [...before, keyOf(stand, "gather")]));
  return open;
}
