import { afterEach, beforeEach, expect, test } from "vitest";
import type { Refusal } from "@/db/ops";
import { garden as placeOf } from "../garden/queries";
import { type Plot, plot, twoMelons } from "../tests/plot";
import type { Cross } from "./cross";
import { crossRule } from "./rules";

let garden: Plot;
beforeEach(() => {
  garden = plot();
});
afterEach(() => garden.close());

/** What the book says of a cross with some columns changed; nothing where it holds. */
function judged(id: string, change: Partial<Cross>): string | null {
  const { db } = garden;
  const before = garden.row("cross", id) as Cross;
  const facts = { db, garden: placeOf(db), today: "2027-07-09", latest: "2027-07-09" };
  try {
    crossRule(facts, { ...before, ...change }, before);
    return null;
  } catch (failure) {
    return (failure as Refusal).message;
  }
}

test("the parents of a cross may change until a flower is pollinated, and then no more", () => {
  const { plan, mother, father } = twoMelons(garden);
  const id = garden.done("cross.plan", plan).id;
  const swaps: Partial<Cross>[] = [{ motherStandId: father }, { fatherStandId: mother }, { kind: "self" }];
  for (const swap of swaps) expect(judged(id, swap)).toBeNull();
  const { ids } = garden.done("flower.cover", { crossId: id, flowers: 1, on: "2027-07-01" });
  for (const swap of swaps) expect(judged(id, swap)).toBeNull();
  garden.done("flower.record", { crossId: id, on: "2027-07-02", results: [{ id: ids[0], result: "pollinated" }] });
  for (const swap of swaps) expect(judged(id, swap)).toContain("plan a cross of its own for other parents");
  expect(judged(id, { fruitsWanted: 9 })).toBeNull();
});

test("rates make a range, and kept pollen says how it is kept", () => {
  const id = garden.done("cross.plan", twoMelons(garden).plan).id;
  expect(judged(id, { setLow: 0.5, setHigh: 0.4 })).toContain("can't be under the lowest one");
  expect(judged(id, { setLow: 0.4, setHigh: 0.4 })).toBeNull();
  expect(judged(id, { storedOn: "2027-07-01" })).toBe("Say how the pollen is kept.");
  expect(judged(id, { storedOn: "2027-07-10", storage: "fridge" })).toContain("still to come");
  expect(judged(id, { storedOn: "2027-07-09", storage: "fridge" })).toBeNull();
  expect(judged(id, { method: "no such way" })).toContain("does not serve this cross");
});
