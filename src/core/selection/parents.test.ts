import { expect, test } from "vitest";
import { parentsToKeep } from "./parents";

test("five or six of a selfed family are kept until it is of one kind, and never one of what crosses among itself", () => {
  expect([1, 2, 3, 4, 5, 6, 9].map((generation) => parentsToKeep(true, generation, 5))).toEqual([6, 6, 5, 5, 5, 1, 1]);
  expect(parentsToKeep(true, null, 5)).toBe(5);
  expect([parentsToKeep(false, 7, 16), parentsToKeep(false, null, 1)]).toEqual([16, 2]);
});
