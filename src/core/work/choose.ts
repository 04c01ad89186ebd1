import { addDays } from "../calendar/day";
import { plural } from "../units/plural";
import { type Choosing, type LivingStand, work } from "./living";
import { STAYS_ON } from "./seed";
import type { Work } from "./work";

/** Plants are chosen from so many days before the first is ripe, for as long as seed stays on them. Working value. */
const BEFORE_RIPE = 14;

function chooseInWords({ wanted, kept, rows }: Choosing): string {
  const of = rows > 1 ? ` of its ${rows} rows` : "";
  if (kept > 0) return `Choose ${plural(wanted - kept, "more plant", "more plants")} to keep${of}`;
  return wanted === 1 ? `Choose the best plant${of}` : `Choose the ${wanted} best plants${of}`;
}

/**
 * Which plants of a family go on: to be marked before its seed is gathered, so that the seed of each is kept apart.
 * @param before keys of what must be done before
 * @returns nothing where nobody is to choose, or as many are kept as the plan wants
 * @example chooseWork(living({ choosing: { wanted: 6, kept: 2, rows: 1, own: 2 } }), [])[0].what // "Choose 4 more plants to keep"
 */
export function chooseWork(stand: LivingStand, before: string[]): Work[] {
  const { choosing, window, gathered, planned } = stand;
  if (!choosing || planned || gathered || choosing.kept >= choosing.wanted) return [];
  return [
    work(stand, "choose", {
      what: chooseInWords(choosing),
      how: "Mark on its page what you keep: the seed of each is gathered apart, and sown in a row of its own.",
      from: addDays(window.ripeEarliest, -BEFORE_RIPE),
      best: window.ripeEarliest,
      last: addDays(window.ripeLatest, STAYS_ON),
      otherwise: "its seed is gathered together, and nothing is chosen",
      waitsFor: before,
    }),
  ];
}
