import { expect, test } from "vitest";
import { bed, newWays, scene, stand } from "../../tests/place";
import { arrivalAt } from "../arrival";
import { farthest } from "./farthest";
import { keeps } from "./remedy";

/** Seed of a stand that a rival in the next bed reaches, from so many of its plants, held against a limit. */
const at = (limit: number, plants: number) => {
  const one = stand(1, { bed: bed(1, 0), plants, limit });
  const of = scene([one, stand(2, { bed: bed(2, 20) })]);
  return { scene: of, stand: one, arrival: arrivalAt(of, one), ways: newWays(), taken: new Set<string>() };
};
const saved = (limit: number, plants: number) => farthest(at(limit, plants))?.changes;
const from = (plants: number) => [{ kind: "save-from" as const, standId: "1", plants }];

/** The lowest limit that is kept with seed of so many plants. */
function lowest(plants: number, saveFrom: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (keeps(at(middle, plants), from(saveFrom))) high = middle;
    else low = middle;
  }
  return high;
}

test("seed is saved from as many of the farthest plants as still keep the limit: two thirds, half, a third", () => {
  const [most, half, third] = [20, 15, 10].map((plants) => lowest(30, plants));
  expect(most! > half! && half! > third!).toBe(true);
  expect(saved(1, 30)).toEqual(from(20));
  expect(saved((most! + half!) / 2, 30)).toEqual(from(15));
  expect(saved((half! + third!) / 2, 30)).toEqual(from(10));
  // Where even a third takes too much, a third is what is left to do.
  expect(saved(third! / 2, 30)).toEqual(from(10));
});

test("from three plants at the least, and from no stand that has no more", () => {
  const few = lowest(4, 3);
  expect(saved(few * 2, 4)).toEqual(from(3));
  expect(saved(few * 2, 3)).toBeUndefined();
  expect(farthest(at(few * 2, 4))!.cost).toEqual({ plants: 1, days: 0, visits: 0 });
});
