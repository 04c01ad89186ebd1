import type { Day } from "../calendar/day";
import type { LivingStand } from "./living";
import type { Act } from "./work";

/** What was done about an act, or not, on a day. */
export type Dealt = { act: Act; how: "done" | "put-off" | "cannot" | "never"; on: Day; until: Day | null };

/** Acts that come again after they were done or left. */
const AGAIN: ReadonlySet<Act> = new Set(["look-store", "flowers-off", "cage", "pick"]);

/**
 * When each act of a stand was last done, and what it was put off to; later ones hold.
 * @param dealt in the order of days
 * @example memoryOf([{ act: "rogue", how: "never", on: "2027-06-20", until: null }]).putOff.get("rogue") // null
 */
export function memoryOf(dealt: Dealt[]): Pick<LivingStand, "done" | "putOff"> {
  const done = new Map<Act, Day>();
  const putOff = new Map<Act, Day | null>();
  for (const { act, how, on, until } of dealt) {
    if (how === "done" || (how === "cannot" && AGAIN.has(act))) {
      done.set(act, on);
      putOff.delete(act);
    } else putOff.set(act, how === "put-off" ? until : null);
  }
  return { done, putOff };
}
