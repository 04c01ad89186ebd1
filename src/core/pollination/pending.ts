import type { Day } from "../calendar/day";
import { type Id, nthId } from "../custody/id";
import type { FlowerOnDay } from "./steps";
import { BEFORE_POLLEN, type FlowerState, isFault } from "./tally";

/** A press that is kept on a device and that no server has seen yet. */
export type PendingPress = { id: Id; day: Day; at: string; name: string; input: unknown };

type Cover = { crossId: Id; flowers: number; on?: Day };
type Found = { crossId: Id; on?: Day; results: { id: Id; result: string }[] };

const covered = (id: Id, on: Day): FlowerOnDay => ({
  id,
  number: 0,
  state: "covered",
  on: { cover: on },
  pollinatedAt: null,
  passes: 0,
  lastPass: null,
});

/** A flower after what was found of it. */
function found(flower: FlowerOnDay, result: string, day: Day, at: Date): FlowerOnDay {
  const { on } = flower;
  if (isFault(result)) return BEFORE_POLLEN.has(flower.state) ? { ...flower, state: "unusable" } : flower;
  if (result === "gathered") return { ...flower, state: "gathered", on: { ...on, gather: day } };
  if (result === "uncovered") return { ...flower, state: "uncovered", on: { ...on, uncover: day } };
  if (result === "set") return { ...flower, state: "set", on: { ...on, check: day } };
  if (result !== "pollinated") return { ...flower, state: result as FlowerState };
  return {
    ...flower,
    state: "pollinated",
    on: { ...on, pollinate: on.pollinate ?? day },
    pollinatedAt: at,
    passes: flower.passes + 1,
    lastPass: day,
  };
}

/**
 * The flowers of one cross as they will be once a device's presses are carried out: those covered meanwhile under the
 * ids
 * that the server will give them, the others one step on.
 * @param flowers as the server knew them
 * @param presses of the device, in order; those about other crosses are passed over
 * @returns only the flowers that a press was about
 * @example withPending([], "c", [{ id: "01900000-0000-7000-8000-000000000000", day: "2027-07-09", name: "flower.cover",
 *   input: { crossId: "c", flowers: 2 } }]).map((flower) => flower.state) // ["covered", "covered"]
 */
export function withPending(flowers: FlowerOnDay[], crossId: Id, presses: PendingPress[]): FlowerOnDay[] {
  const known = new Map(flowers.map((flower) => [flower.id, flower]));
  const touched = new Set<Id>();
  for (const { id, day, at, name, input } of presses) {
    const told = Object(input) as Partial<Cover & Found>;
    if (told.crossId !== crossId) continue;
    const on = told.on ?? day;
    if (name === "flower.cover")
      for (let n = 1; n <= (told.flowers ?? 0); n++) {
        const made = nthId(id, n);
        known.set(made, covered(made, on));
        touched.add(made);
      }
    for (const { id: flowerId, result } of name === "flower.record" ? (told.results ?? []) : []) {
      const flower = known.get(flowerId);
      if (!flower) continue;
      known.set(flowerId, found(flower, result, on, new Date(at)));
      touched.add(flowerId);
    }
  }
  return [...touched].map((id) => known.get(id)!);
}
