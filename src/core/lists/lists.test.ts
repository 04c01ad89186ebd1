import { expect, test } from "vitest";
import { groupBy } from "./groupBy";
import { LIST_PAGE, page } from "./page";

test("groups keep the order in which their first member came", () => {
  expect([...groupBy([3, 1, 4, 1, 5, 9], (n) => n % 2 === 0)]).toEqual([
    [false, [3, 1, 1, 5, 9]],
    [true, [4]],
  ]);
  expect(groupBy([], String).size).toBe(0);
});

test("stretches of a list meet without gap or overlap and end with it", () => {
  const items = Array.from({ length: 2 * LIST_PAGE + 7 }, (_, i) => i);
  const walked = [0, LIST_PAGE, 2 * LIST_PAGE].flatMap((from) => page(items, from).items);
  expect(walked).toEqual(items);
  expect(page(items, 10 * LIST_PAGE).cut).toEqual({ from: 0, shown: LIST_PAGE, total: items.length });
  expect(page([], null)).toEqual({ items: [], cut: { from: 0, shown: 0, total: 0 } });
});
